import { clipConvex, subtractConvex, v2, type ConvexBound, type Vec2 } from '../geom';
import type { Job } from '../job';
import { heightAt, standsAbove } from './block-roof';
import type { BlockRoof, Carrier, RoofPiece, RoofPlane } from './model';

const SEAM: Carrier = { of: 'seam' };

/** Inside a side's line, moved out by its overhang when `grown`. */
const insideSide = (block: BlockRoof, side: number, grown: boolean): ConvexBound<Carrier> => {
  const line = block.sides[side];
  if (line === undefined) throw new Error(`roof: block ${block.id} has no side ${side}`);
  const out = grown ? line.overhangMm : 0;
  return {
    value: (p: Vec2) => -v2.dot(v2.sub(p, line.start), line.inward) - out,
    tag: { of: 'outline', block: block.id, side },
  };
};

const outside = ({ value, tag }: ConvexBound<Carrier>): ConvexBound<Carrier> => ({
  value: (p) => -value(p),
  tag,
});

/** Where every plane of `block` stands above `plane`; null where one of them never does. */
const aboveAll = (
  block: BlockRoof,
  plane: RoofPlane,
  inPlaneCounts: boolean,
): ConvexBound<Carrier>[] | null => {
  const bounds: ConvexBound<Carrier>[] = [];
  for (const other of block.planes) {
    if (other === null) continue;
    if (other.slope === plane.slope) {
      if (inPlaneCounts) continue;
      return null;
    }
    const above = standsAbove(other, plane);
    const tag: Carrier = { of: 'slope', slope: other.slope };
    if (above !== null) bounds.push({ value: (p) => -above(p), tag });
    else if (heightAt(other, [0, 0]) < heightAt(plane, [0, 0])) return null;
  }
  return bounds;
};

/** Least and greatest height of `block` over `plane` at the corners of a polygon. mm */
const clearOver = (
  block: BlockRoof,
  plane: RoofPlane,
  points: readonly Vec2[],
): { least: number; most: number } => {
  const heights = points.map(
    (p) =>
      Math.min(...block.planes.flatMap((q) => (q === null ? [] : [heightAt(q, p)]))) -
      heightAt(plane, p),
  );
  return { least: Math.min(...heights), most: Math.max(...heights) };
};

/**
 * What `cover` leaves of a piece. Under its walls' own outline everything lower is taken away. Under its overhang the
 * lower roof is taken away too, where the two run into each other; where the eave stands clear above, the lower roof
 * runs on beneath it to the wall, and that part is marked `under`.
 */
export const uncovered = (
  piece: RoofPiece,
  cover: BlockRoof,
  inPlaneCounts: boolean,
  tailDepthMm: number,
): RoofPiece[] => {
  const above = aboveAll(cover, piece.plane, inPlaneCounts);
  if (above === null) return [piece];
  const of = (polygon: RoofPiece['polygon'], under: boolean): RoofPiece => ({
    ...piece,
    polygon,
    under,
  });
  const grown = cover.sides.map((side) => insideSide(cover, side.index, true));
  const plates = cover.sides.map((side) => insideSide(cover, side.index, false));
  const rest = subtractConvex(piece.polygon, [...above, ...grown], SEAM);
  if (rest.length === 1 && rest[0] === piece.polygon) return [piece];
  const kept = rest.map((polygon) => of(polygon, piece.under));
  // Taken out again from what is covered: the strips under the overhangs that stand clear.
  for (const [i, side] of cover.sides.entries()) {
    const plate = plates[i];
    if (side.overhangMm === 0 || plate === undefined) continue;
    const strip = [...above, ...grown, ...plates.slice(0, i), outside(plate)];
    const under = intersection(piece, strip);
    if (under === null) continue;
    const { least } = clearOver(cover, piece.plane, under.points);
    if (least >= tailDepthMm) kept.push(of(under, true));
  }
  return kept;
};

const intersection = (
  piece: RoofPiece,
  bounds: readonly ConvexBound<Carrier>[],
): RoofPiece['polygon'] | null => {
  let polygon: RoofPiece['polygon'] | null = piece.polygon;
  for (const { value, tag } of bounds) {
    if (polygon !== null) polygon = clipConvex(polygon, value, tag);
  }
  return polygon;
};

/** What hangs below the roof planes at a block's tails: a lower roof must pass under that. mm */
export const tailDepth = (job: Job, block: BlockRoof): number => {
  const steepest = Math.max(...block.planes.map((plane) => plane?.slopeRad ?? 0));
  return job.timber.common.depth / Math.cos(steepest);
};
