import type { Member } from '../frame';
import { crossesAt, localCuts } from './local-cut';

/**
 * How far along a purlin the lip's line on a hip's side lies from the mitre on its middle: half the hip's thickness,
 * measured along the purlin. A straight-edge held under the hip touches its side, and so finds the lip that much too early. Of a sleeper, how far its outer edge lies inside the chalk line, square to it in the lower slope. Null for others. mm
 */
export const setBackOf = (member: Member): number | null => {
  if (member.setBackMm !== null) return member.setBackMm;
  const [lip] = member.notches.filter((notch) => notch.for === 'lip');
  if (lip === undefined) return null;
  const cuts = localCuts(member);
  const at = (cut: (typeof cuts)[number]): number => crossesAt(cut, 0, 0) ?? 0;
  const side = cuts.find(({ end }) => lip.heels.includes(end));
  if (side === undefined) return null;
  const mitres = cuts.filter(({ end }) => end.name === 'side');
  return Math.min(...mitres.map((mitre) => Math.abs(at(mitre) - at(side))));
};
