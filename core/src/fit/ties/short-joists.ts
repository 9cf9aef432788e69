import { FIT_GAP_MM, SAME_WAY_SINE, v2, v3, type Vec2 } from '../../geom';
import { isRafter } from '../../kinds';
import { roofAbout, type SideLine } from '../../roof';
import { say } from '../../sentence';
import { otherOf, type Touching } from '../contact/contacts';
import { findingOn } from '../finding';
import { middleOf, outFrom, type FrameOnSite } from '../frame-on-site';
import { isEavePlate, isMember, levelBox, type Placed } from '../contact/placed';
import type { FitProblem } from '../report';
import { isTaken, platesUnder } from './untied';

/** A tie that is butted at one end turns from what it comes to by no more than this, as a cosine. */
const ACROSS = Math.SQRT1_2;
/** Shorter ones hold no ceiling. mm */
const SHORTEST_MM = 300;

/** What an end of a tie comes to: another tie's side. */
const buttedOn = (tie: Placed, touching: Touching): Placed | null => {
  for (const contact of touching(tie)) {
    const other = otherOf(contact, tie);
    if (!isMember(other) || other.member.kind !== 'rafter-tie') continue;
    const { normal } = contact.face.plane;
    if (
      Math.abs(v3.dot(normal, tie.member.frame.a)) > ACROSS - SAME_WAY_SINE &&
      Math.abs(v3.dot(normal, other.member.frame.s)) > 1 - SAME_WAY_SINE
    )
      return other;
  }
  return null;
};

/** The rafter that a tie lies flat on. */
const flatOn = (tie: Placed, touching: Touching): Placed | null => {
  for (const contact of touching(tie)) {
    const other = otherOf(contact, tie);
    const across = Math.abs(v3.dot(contact.face.plane.normal, tie.member.frame.s));
    if (isMember(other) && isRafter(other.member) && across > 1 - SAME_WAY_SINE) return other;
  }
  return null;
};

/** Whether it is a short one: told by what it is butted against. */
export const isShortJoist = (tie: Placed, touching: Touching): boolean =>
  tie.member.kind === 'rafter-tie' && buttedOn(tie, touching) !== null;

/** Of a rafter that stands on an eave's plate: where, and which way it runs in. */
const footOf = (
  { roof }: FrameOnSite,
  { member: { block, side, frame } }: Placed,
): { readonly line: SideLine; readonly foot: Vec2 } | null => {
  const line = roof.blocks.find(({ id }) => id === block)?.sides[side ?? -1];
  return line === undefined || line.roof !== 'eave'
    ? null
    : { line, foot: v3.inPlan(frame.origin) };
};

/** How far in from a foot the nearest tie runs across, in plan; null where none does. mm */
const nextAcross = (ties: readonly Placed[], foot: Vec2, { inward }: SideLine): number | null => {
  const found = ties.flatMap((tie): number[] => {
    const { frame, stock } = tie.member;
    const [a, s] = [v3.inPlan(frame.a), v3.inPlan(frame.s)];
    const rate = v2.dot(inward, s);
    if (Math.abs(rate) < ACROSS) return [];
    const off = v2.dot(v2.sub(v3.inPlan(frame.origin), foot), s);
    const t = (off - (Math.sign(rate) * stock.thickness) / 2) / rate;
    const ts = tie.corners.map((p) => v2.dot(v3.inPlan(p), a));
    const at = v2.dot(v2.add(foot, v2.scale(inward, t)), a);
    return t > 0 && at > Math.min(...ts) && at < Math.max(...ts) ? [t] : [];
  });
  return found.length === 0 ? null : Math.min(...found);
};

/** Whether a short joist beside a rafter has room on neither of its faces, or would stand out of the roof. */
const hasNoRoom = (
  site: FrameOnSite,
  { member }: Placed,
  { line, foot }: { readonly line: SideLine; readonly foot: Vec2 },
  run: number,
): boolean => {
  const stock = site.job.timber.rafterTie;
  if (stock === undefined) return true;
  return ([1, -1] as const).every((way) => {
    const near = (way * member.stock.thickness) / 2;
    const far = near + way * stock.thickness;
    // Its clipped end aside.
    const place = levelBox(
      [foot[0], foot[1], line.plateMm],
      line.inward,
      [stock.depth, Math.min(near, far), 0],
      [run - 1, Math.max(near, far), stock.depth],
    );
    const out = place.some(({ points }) =>
      points.some((p) => roofAbout(site.roof, v3.inPlan(p), member.block, null).z < p[2]),
    );
    return out || isTaken(site, place);
  });
};

/** How the short joists at a hip's end lie, and which rafters of an end wall want one and have none. */
export const checkShortJoists = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  const { atHips } = site.job.rafterTies ?? {};
  if (atHips !== 'short' && atHips !== 'both') return [];
  const ties = site.members.filter(({ member }) => member.kind === 'rafter-tie');
  const short = ties.filter((tie) => isShortJoist(tie, touching));
  const whole = ties.filter((tie) => !short.includes(tie));
  const amiss = short.flatMap((tie): FitProblem[] => {
    const rafter = flatOn(tie, touching);
    const onPlate = touching(tie).some((contact) => isEavePlate(otherOf(contact, tie)));
    const at = rafter === null ? null : footOf(site, rafter);
    const out = at === null ? Infinity : Math.max(...tie.corners.map((p) => outFrom(at.line, p)));
    return rafter !== null && onPlate && Math.abs(out) <= FIT_GAP_MM
      ? []
      : [
          findingOn(
            tie,
            'misplaced',
            0,
            say`${tie.mark} does not lie on its ‹plate›, flat on its rafter, up to the outside of the wall`,
          ),
        ];
  });
  const held = new Set(ties.flatMap((tie) => flatOn(tie, touching) ?? []));
  const bare = site.members.flatMap((rafter): FitProblem[] => {
    if (!isRafter(rafter.member) || held.has(rafter)) return [];
    const at = footOf(site, rafter);
    if (at === null || !platesUnder(rafter, touching).some(({ plate }) => plate.line === at.line))
      return [];
    const own = whole.filter(({ member }) => member.block === rafter.member.block);
    const run = nextAcross(own, at.foot, at.line);
    if (run === null || run < SHORTEST_MM + 2 * rafter.member.stock.thickness) return [];
    if (hasNoRoom(site, rafter, at, run)) return [];
    return [
      {
        members: [rafter.mark, 'nothing'],
        ids: [rafter.member.id],
        kind: 'missing',
        at: middleOf(rafter),
        text: say`${rafter.mark} has no short joist beside it: one is wanted at each rafter of a ‹hip›’s end`,
      },
    ];
  });
  return [...amiss, ...bare];
};
