import { intervals, SAME_POINT_MM, v2, v3, type Vec3 } from '../../geom';
import type { Stock } from '../../job';
import { plumbFrame } from '../member/board';
import type { Site } from '../site';
import { isSquare, laidIn, type Rake } from './rake';

/** The direction up a rake's slope. */
export const upOf = ({ slope }: Rake): Vec3 =>
  plumbFrame([0, 0, 0], slope.uphill, slope.slopeRad).a;

/** How much further down what stands at a rake keeps clear of a line that leaves the slope's level. mm */
const fromLine = (site: Site, rake: Rake): number => {
  const { slope, low, high, overhangMm, toLine } = rake;
  const wedge = v2.dot(v2.sub(v3.inPlan(high), v3.inPlan(low)), v2.left(slope.uphill));
  const inside = laidIn(site) ? site.job.framing.spacing : 0;
  const longest = inLevel(rake, overhangMm) + Math.abs(wedge) + inside;
  return (longest * Math.abs(v2.cross(toLine, slope.uphill))) / Math.cos(slope.slopeRad);
};

/** Half of the ridge, along the slope. mm */
const ridgeHalf = (site: Site, { slope }: Rake): number =>
  (site.job.timber.ridge?.thickness ?? 0) / 2 / Math.cos(slope.slopeRad);

/** How far it is, along the slope's level, from the edge of the roof to what lies parallel to it so far in. mm */
const inLevel = ({ outward, level }: Rake, mm: number): number => mm / v2.dot(outward, level);

/** How far a rake comes up its slope, square to the level. mm */
const fallOf = ({ slope, low, high }: Rake): number =>
  v2.dot(v2.sub(v3.inPlan(high), v3.inPlan(low)), slope.uphill) / Math.cos(slope.slopeRad);

/**
 * Where the middles of a ladder's rungs stand along a rake, from its low end, along the slope: the first flush with the
 * tail's top corner, the last clear of the peak. mm
 *
 *      ╱╲      a rung stands square to the slope: its bottom edge lies uphill of its top
 *     ╱╲ ╲╲
 *    ╱  ╲ ╲╲ peak
 */
export const rungsAlong = (site: Site, rake: Rake, stock: Stock): number[] => {
  const { slope } = rake;
  const length = fallOf(rake);
  const first = stock.thickness / 2;
  // Out of square the upper ones come in beside the ridge.
  const ridge = isSquare(rake) ? 0 : ridgeHalf(site, rake);
  const last =
    length -
    stock.thickness / 2 -
    stock.depth * Math.tan(slope.slopeRad) -
    ridge -
    fromLine(site, rake);
  return intervals.evenly(first, last, site.job.framing.spacing);
};

/**
 * Likewise of lookouts laid flat in through the rafter's top: the first its own width clear of the tail's top corner, so
 * that wood is left past it, the last clear of the ridge's board. mm
 */
export const laidAlong = (site: Site, rake: Rake, stock: Stock): number[] => {
  const { slope } = rake;
  const last =
    fallOf(rake) -
    stock.depth / 2 -
    stock.thickness * Math.tan(slope.slopeRad) -
    Math.max(ridgeHalf(site, rake), SAME_POINT_MM) -
    fromLine(site, rake);
  return intervals.evenly(1.5 * stock.depth, last, site.job.framing.spacing);
};

/** Where over the gable's face something stands so far up the slope. */
export const onGable = (rake: Rake, along: number): Vec3 => {
  const [x, y] = v2.scale(rake.level, inLevel(rake, rake.overhangMm));
  return v3.sub(v3.lerp(rake.low, rake.high, along / fallOf(rake)), [x, y, 0]);
};

/** Where the barge's inner face is, from the gable's along the slope's level. mm */
export const toBarge = (rake: Rake, barge: Stock): number =>
  inLevel(rake, rake.overhangMm - barge.thickness);
