import { crossing, v2, v3, type Vec2 } from '../../geom';
import type { Member } from './member';

/**
 * The member's centre line as sawn, in plan, low end first: what a drawing to scale shows of it. Of what stands plumb,
 * its depth. mm
 */
export const planLine = (member: Member): readonly [Vec2, Vec2] => {
  const { frame } = member;
  if (member.axis.upright) {
    const half = v2.scale(v3.inPlan(frame.e), member.stock.depth / 2);
    const middle = v3.inPlan(frame.origin);
    return [v2.sub(middle, half), v2.add(middle, half)];
  }
  const onTop = v3.add(frame.origin, v3.scale(frame.e, member.topMm));
  let low = -Infinity;
  let high = Infinity;
  for (const { keep } of member.ends) {
    const at = crossing(keep, onTop, frame.a);
    if (at.kind !== 'point') continue;
    // The half-space keeps what lies before the crossing where its normal looks up the board.
    if (v3.dot(keep.normal, frame.a) > 0) high = Math.min(high, at.t);
    else low = Math.max(low, at.t);
  }
  const at = (t: number): Vec2 => v2.add(v3.inPlan(onTop), v2.scale(v3.inPlan(frame.a), t));
  return [at(low), at(high)];
};

/** Where a timber crosses a line of the plan. mm */
export interface Crossed {
  /** Its middle, along the line from its start; and how wide it stands there. */
  readonly at: number;
  readonly wide: number;
  /** Of the angle between the two, positive where it runs to the line's left. */
  readonly sine: number;
}

/** Where a timber crosses a line of the plan, wherever along it; null where it runs along it, to `leastSine`. */
export const crossingOf = (
  { frame, stock }: Member,
  from: Vec2,
  along: Vec2,
  leastSine: number,
): Crossed | null => {
  const way = v2.unit(v3.inPlan(frame.a));
  const sine = v2.cross(along, way);
  if (Math.abs(sine) < leastSine) return null;
  const off = v2.sub(v3.inPlan(frame.origin), from);
  const at = v2.dot(off, along) - (v2.cross(along, off) / sine) * v2.dot(way, along);
  return { at, wide: stock.thickness / Math.abs(sine), sine };
};
