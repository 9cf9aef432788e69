import type { EndCut, Member } from '../frame';
import { crossesAt, localCuts, type LocalCut } from './local-cut';

/**
 * How far along a purlin the line of a lip on a hip's side, which one of its two cuts is, lies from the mitre on that hip's middle: half the hip's
 * thickness, measured along the purlin. A straight-edge held under the hip touches its side, and so finds the lip that
 * much too early. Null for cuts that are no lip's. mm
 */
export const lipSetBack = (member: Member, end: EndCut): number | null => {
  const lip = member.notches.find(
    ({ for: what, seat, heels }) => what === 'lip' && (seat === end || heels.includes(end)),
  );
  if (lip === undefined) return null;
  const cuts = localCuts(member);
  const at = (cut: LocalCut): number => crossesAt(cut, 0, 0) ?? 0;
  const side = cuts.find((cut) => lip.heels.includes(cut.end));
  const mitres = cuts.filter((cut) => cut.end.name === 'side');
  return side === undefined || mitres.length === 0
    ? null
    : Math.min(...mitres.map((mitre) => Math.abs(at(mitre) - at(side))));
};

/**
 * Of a purlin with lips, the set-back of the first, which is that of both where its ends are alike; of a sleeper, how far
 * its outer edge lies inside the chalk line, square to it in the lower slope. Null for others. mm
 */
export const setBackOf = (member: Member): number | null => {
  if (member.setBackMm !== null) return member.setBackMm;
  const [lip] = member.notches.filter((notch) => notch.for === 'lip');
  const [heel] = lip?.heels ?? [];
  return heel === undefined ? null : lipSetBack(member, heel);
};
