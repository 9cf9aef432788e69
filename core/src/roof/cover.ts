import {
  SLACK_MM,
  clipConvex,
  edgesOf,
  subtractConvex,
  v2,
  type ConvexBound,
  type Vec2,
} from '../geom';
import type { Job } from '../job';
import { heightAt, kicksOut } from './bands';
import { facesOf, standsAbove } from './block-roof';
import { coveredWall } from './plates';
import type { SideLine } from './side-lines';
import type { BlockRoof, Bound, Carrier, RoofPiece, RoofPlane } from './model';

const SEAM: Carrier = { of: 'seam' };

/** Inside each side of a block, by its walls or by its overhangs. */
const insideSides = (id: string, bounds: readonly Bound[]): ConvexBound<Carrier>[] =>
  bounds.map(({ a, b, c }, side) => ({
    value: ([x, y]) => a * x + b * y - c,
    tag: { of: 'outline', block: id, side },
  }));

const outside = ({ value, tag }: ConvexBound<Carrier>): ConvexBound<Carrier> => ({
  value: (p) => -value(p),
  tag,
});

/** A part of a block's roof that covers others: the lowest of its planes, within its bounds. */
export interface Cover {
  readonly planes: readonly RoofPlane[];
  readonly within: readonly ConvexBound<Carrier>[];
}

/** A block's roof as covers: whole, or face by face where an eave kicks out and its roof is no longer convex. */
export const coversOf = (block: BlockRoof): Cover[] =>
  block.bands.some(kicksOut)
    ? facesOf(block).map(({ plane, polygon }) => ({
        planes: [plane],
        within: edgesOf(polygon).map(({ point, inward, tag }) => ({
          value: (p: Vec2) => -v2.dot(v2.sub(p, point), inward),
          tag: tag.of === 'outline' ? tag : SEAM,
        })),
      }))
    : [{ planes: block.bands.flat(), within: insideSides(block.id, block.reach) }];

/** Where every plane of a cover stands above `plane`; null where one of them never does. */
const aboveAll = (
  { planes }: Cover,
  plane: RoofPlane,
  inPlaneCounts: boolean,
): ConvexBound<Carrier>[] | null => {
  const bounds: ConvexBound<Carrier>[] = [];
  for (const other of planes) {
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

/** Least height of a cover over `plane` at the corners of a polygon. mm */
const leastClear = ({ planes }: Cover, plane: RoofPlane, points: readonly Vec2[]): number =>
  Math.min(...points.flatMap((p) => planes.map((one) => heightAt(one, p) - heightAt(plane, p))));

/** A wall that stands to within this of its corner stands to the corner. mm */
const AT_CORNER_MM = SLACK_MM.nothing;

/** A convex part of the plan. */
type Region = readonly ConvexBound<Carrier>[];

/** How far beside a corner it is looked whether a wall goes on from there. mm */
const BESIDE_CORNER_MM = SLACK_MM.nothing;

/**
 * Whether another block's eave goes on outwards from a corner of a wall: the eave that comes to that corner from the
 * other way then meets it in an inner corner, and both are whole.
 */
const meetsEave = (
  blocks: readonly BlockRoof[],
  own: BlockRoof,
  { inward }: SideLine,
  corner: Vec2,
): boolean =>
  blocks.some((block) => {
    if (block.id === own.id) return false;
    return block.sides.some((side) => {
      if (side.roof !== 'eave' || side.overhangMm === 0) return false;
      const from = v2.sub(corner, side.start);
      if (Math.abs(v2.dot(from, side.inward)) > AT_CORNER_MM) return false;
      const out = v2.dot(side.along, inward) < 0 ? BESIDE_CORNER_MM : -BESIDE_CORNER_MM;
      const along = v2.dot(from, side.along) + out;
      return (
        v2.dot(side.along, inward) * out < -BESIDE_CORNER_MM / 2 &&
        along > 0 &&
        along < side.lengthMm &&
        !coveredWall(blocks, block, side).some(([low, high]) => along > low && along < high)
      );
    });
  });

/**
 * The overhang along those of a block's walls that carry no roof's edge: where a wall goes on under another block's
 * roof, or along its gable, nothing holds an eave out from it; nor past its corners, but where another eave goes on there.
 */
export const deadEaves = (blocks: readonly BlockRoof[], own: BlockRoof): Region[] =>
  own.sides.flatMap((side): Region[] => {
    if (side.roof !== 'eave' || side.overhangMm === 0) return [];
    const dead = coveredWall(blocks, own, side);
    const goesOn = (corner: Vec2): boolean => meetsEave(blocks, own, side, corner);
    const bound = (at: number, outward: 1 | -1): ConvexBound<Carrier> => ({
      value: (p) => outward * (at - v2.dot(v2.sub(p, side.start), side.along)),
      tag: { of: 'end', block: own.id, side: side.index, at, outward },
    });
    return dead.map(([low, high]): Region => [
      { value: (p) => v2.dot(v2.sub(p, side.start), side.inward), tag: SEAM },
      ...(low > AT_CORNER_MM || goesOn(side.start) ? [bound(low, 1)] : []),
      ...(high < side.lengthMm - AT_CORNER_MM || goesOn(side.end) ? [bound(high, -1)] : []),
    ]);
  });

/** A piece without the dead eaves of its own block. */
export const withoutRegions = (piece: RoofPiece, regions: readonly Region[]): RoofPiece[] => {
  let rest: readonly RoofPiece['polygon'][] = [piece.polygon];
  for (const region of regions)
    rest = rest.flatMap((polygon) => subtractConvex(polygon, region, SEAM));
  return rest.length === 1 && rest[0] === piece.polygon
    ? [piece]
    : rest.map((polygon) => ({ ...piece, polygon }));
};

/**
 * What `block` leaves of a piece. Under its walls' own outline everything lower is taken away. Under its overhang the
 * lower roof is taken away too, where the two run into each other; where the eave stands clear above, the lower roof
 * runs on beneath it to the wall, and that part is marked `under`.
 */
export const uncovered = (
  piece: RoofPiece,
  block: BlockRoof,
  covers: readonly Cover[],
  inPlaneCounts: boolean,
  tailDepthMm: number,
  dead: readonly Region[],
): RoofPiece[] =>
  covers.reduce<RoofPiece[]>(
    (left, cover) =>
      left.flatMap((part) => uncoveredBy(cover, part, block, inPlaneCounts, tailDepthMm, dead)),
    [piece],
  );

const uncoveredBy = (
  cover: Cover,
  piece: RoofPiece,
  block: BlockRoof,
  inPlaneCounts: boolean,
  tailDepthMm: number,
  dead: readonly Region[],
): RoofPiece[] => {
  const above = aboveAll(cover, piece.plane, inPlaneCounts);
  if (above === null) return [piece];
  const of = (polygon: RoofPiece['polygon'], under: boolean): RoofPiece => ({
    ...piece,
    polygon,
    under,
  });
  const covered = [...above, ...cover.within];
  const plates = insideSides(block.id, block.walls);
  const rest = subtractConvex(piece.polygon, covered, SEAM);
  if (rest.length === 1 && rest[0] === piece.polygon) return [piece];
  const kept = rest.map((polygon) => of(polygon, piece.under));
  // Where the block has no eave after all, the piece is not covered.
  for (const [i, region] of dead.entries()) {
    const open = intersection(piece, [...covered, ...region]);
    if (open !== null) kept.push(...withoutRegions(of(open, piece.under), dead.slice(0, i)));
  }
  // Taken out again from what is covered: the strips under the overhangs that stand clear.
  for (const [i, side] of block.sides.entries()) {
    const plate = plates[i];
    if (side.overhangMm === 0 || plate === undefined) continue;
    const under = intersection(piece, [...covered, ...plates.slice(0, i), outside(plate)]);
    if (under !== null && leastClear(cover, piece.plane, under.points) >= tailDepthMm)
      kept.push(of(under, true));
  }
  return kept;
};

const intersection = (piece: RoofPiece, bounds: Region): RoofPiece['polygon'] | null => {
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
