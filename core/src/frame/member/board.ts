import { halfSpace, v3, type BoardFrame, type HalfSpace, type Vec2, type Vec3 } from '../../geom';
import type { Member } from './member';

/** A board whose plan direction is `heading` (unit), rising at `slopeRad`, its wide faces plumb. */
export const plumbFrame = (origin: Vec3, heading: Vec2, slopeRad: number): BoardFrame => {
  const cos = Math.cos(slopeRad);
  const sin = Math.sin(slopeRad);
  const a: Vec3 = [heading[0] * cos, heading[1] * cos, sin];
  const e: Vec3 = [-heading[0] * sin, -heading[1] * sin, cos];
  return { origin, a, e, s: v3.cross(e, a) };
};

/** A plumb plane through a point of the plan; keeps what lies behind it as seen along `outward`. */
export const plumbKeep = (point: Vec2, outward: Vec2): HalfSpace =>
  halfSpace([point[0], point[1], 0], [outward[0], outward[1], 0]);

/** The plane of a board's underside; looks up, so that it keeps what lies below. */
export const bellyOf = ({
  frame: { origin, e },
  topMm,
  stock,
}: Pick<Member, 'frame' | 'topMm' | 'stock'>): HalfSpace =>
  halfSpace(v3.add(origin, v3.scale(e, topMm - stock.depth)), e);
