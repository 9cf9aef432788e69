import { planeAt, v2, v3, type BoardFrame, type Vec3 } from '../../geom';
import type { RoofLine, Slope } from '../../roof';
import { plumbFrame } from '../member/board';
import { slopeAt, type Site } from '../site';

/** The frame of a timber set on a line of the roof, from its low theory end. */
export const lineFrame = (low: Vec3, high: Vec3): BoardFrame & { slopeRad: number } => {
  const run = v2.distance(v3.inPlan(low), v3.inPlan(high));
  const slopeRad = Math.atan2(high[2] - low[2], run);
  const heading = v2.unit(v2.sub(v3.inPlan(high), v3.inPlan(low)));
  return { ...plumbFrame(low, heading, slopeRad), slopeRad };
};

/**
 * How a line's square top is fitted under the two roof planes, read off the planes themselves:
 *
 *      \ plane a | plane b /      drop: lower the square top until its arrises touch
 *       \________|________/       backing: bevel each half down to the planes
 */
export const fitTop = (
  { e, s, origin }: BoardFrame,
  planes: readonly [Slope['plane'], Slope['plane']],
  thickness: number,
): { readonly dropMm: number; readonly backingRad: readonly [number, number] } => {
  const arrises = [1, -1].map((k) => v3.add(origin, v3.scale(s, (k * thickness) / 2)));
  // Height of an arris above the lower of the planes, plumb.
  const proud = arrises.map((p) =>
    Math.max(...planes.map((plane) => planeAt(plane, p) / plane.normal[2])),
  );
  const bevel = ({ normal }: Slope['plane']): number => Math.acos(Math.min(1, v3.dot(normal, e)));
  return {
    dropMm: Math.max(0, ...proud),
    backingRad: [bevel(planes[0]), bevel(planes[1])],
  };
};

export const planesOf = (site: Site, line: RoofLine): readonly [Slope['plane'], Slope['plane']] => [
  slopeAt(site, line.slopes[0]).plane,
  slopeAt(site, line.slopes[1]).plane,
];
