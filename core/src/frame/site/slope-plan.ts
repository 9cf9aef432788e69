import { v2, type Vec2 } from '../../geom';
import type { Slope } from '../../roof';

/** Plan coordinates of a slope: u along its eave, v up the slope from its first side's plate. mm */
export const onSlope = (slope: Slope, p: Vec2): readonly [u: number, v: number] => {
  const from = v2.sub(p, originOf(slope));
  return [v2.dot(from, slope.along), v2.dot(from, slope.uphill)];
};

const originOf = (slope: Slope): Vec2 => slope.sides[0]?.line.start ?? [0, 0];

export const planPoint = (slope: Slope, u: number, v: number): Vec2 => {
  const { along, uphill } = slope;
  const from = originOf(slope);
  return [from[0] + along[0] * u + uphill[0] * v, from[1] + along[1] * u + uphill[1] * v];
};
