import { SLACK_MM, halfSpace, halfSpaceToLocal, v2, v3 } from '../../geom';
import { clashing } from '../joint/in-space';
import { bellyOf } from '../member/board';
import type { Member, Notch } from '../member/member';

/**
 * The lip by which a purlin passes under a hip or a valley that hangs lower than the rafters: what stands above its
 * underside goes, from its side to the mitre on its middle. A straight-edge held under it touches its side, and so
 * finds the line half its diagonal thickness too early.
 */
const lipUnder = (purlin: Member, hip: Member): Notch => {
  const { origin, s } = hip.frame;
  const middle = v3.add(purlin.frame.origin, v3.scale(purlin.frame.a, purlin.axis.runMm / 2));
  const left = v3.dot(v3.sub(middle, origin), s) > 0;
  const face = v3.add(origin, v3.scale(s, ((left ? 1 : -1) * hip.stock.thickness) / 2));
  const at = v3.dot(purlin.frame.a, s) > 0 === left ? 'bottom' : 'top';
  return {
    for: 'lip',
    seat: { at: 'seat', name: 'lip', keep: bellyOf(hip), meets: hip.id },
    heels: [
      {
        at: 'heel',
        name: at === 'top' ? 'lip, upper end' : 'lip, lower end',
        keep: halfSpace(face, v3.scale(s, left ? -1 : 1)),
        meets: hip.id,
      },
    ],
    opens: 'top',
    corner: v3.inPlan(face),
  };
};

/** A hip's line this near a purlin's end, in plan, runs through it. mm */
const ON_LINE_MM = SLACK_MM.beside;

/** Whether the line a hip stands on runs through one of a purlin's mitres. */
const meetsAtEnd = ({ frame, axis, ends }: Member, hip: Member): boolean =>
  [0, axis.runMm].some((t) => {
    const p = v3.add(frame.origin, v3.scale(frame.a, t));
    const off = v2.dot(v2.sub(v3.inPlan(p), v3.inPlan(hip.frame.origin)), v3.inPlan(hip.frame.s));
    return Math.abs(off) < ON_LINE_MM && ends.some(({ name }) => name === 'side');
  });

/** A purlin with a lip under each hip or valley at its ends that it would stand in. */
export const withLips = (purlin: Member, before: readonly Member[]): Member => {
  const lines = before.filter(
    (other) => (other.kind === 'hip' || other.kind === 'valley') && meetsAtEnd(purlin, other),
  );
  const low = clashing(purlin, lines);
  return low.length === 0
    ? purlin
    : { ...purlin, notches: low.map((hip) => lipUnder(purlin, hip)) };
};

/** A lip that leaves less than this share of a purlin's depth leaves too little to bear. */
export const LEAST_UNDER_LIP = 1 / 4;

/** The most that a purlin's lips take of its depth, where they come to the side of what passes over. mm */
export const deepestLip = ({ frame, notches, stock, topMm }: Member): number =>
  Math.max(
    0,
    ...notches.flatMap(({ seat, heels }) =>
      heels.flatMap((heel) => {
        const [lip, side] = [seat.keep, heel.keep].map((keep) => halfSpaceToLocal(frame, keep));
        if (lip === undefined || side === undefined) return [];
        return [stock.thickness / 2, -stock.thickness / 2].map((s) => {
          const [sa, ss, se] = side.normal;
          const [la, ls, le] = lip.normal;
          const det = sa * le - se * la;
          const e = (sa * (lip.offset - ls * s) - la * (side.offset - ss * s)) / det;
          return topMm - e;
        });
      }),
    ),
  );
