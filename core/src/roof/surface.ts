import {
  boxOver,
  SLACK_MM,
  boxesMeet,
  clipConvex,
  v2,
  type Box,
  type TaggedPolygon,
  type Vec2,
} from '../geom';
import { heightAt, planeOver } from './bands';
import type { BlockRoof, Bound, Roof, RoofPlane, Slope } from './model';

/** How far a point lies outside a convex outline; negative inside. mm */
export const outside = (bounds: readonly Bound[], p: Vec2): number => {
  let most = -Infinity;
  for (const { a, b, c } of bounds) most = Math.max(most, a * p[0] + b * p[1] - c);
  return most;
};

/** Whether a point lies in a convex outline or on its edge. */
const reaches = (bounds: readonly Bound[], [x, y]: Vec2): boolean => {
  for (const { a, b, c } of bounds) if (a * x + b * y - c > REACH_MM) return false;
  return true;
};

/** The plane that makes the roof over a point of the plan, and its height there. mm */
export interface RoofOver {
  readonly plane: RoofPlane;
  readonly z: number;
}

/** The roof over a point: the highest of the blocks' lowest planes, of the blocks that reach there; null outside. */
export const roofOver = (roof: Pick<Roof, 'blocks'>, p: Vec2): RoofOver | null => {
  let found: RoofPlane | null = null;
  let most = -Infinity;
  for (const block of roof.blocks) {
    if (!reaches(block.reach, p)) continue;
    const plane = planeOver(block.bands, p);
    const z = plane === null ? -Infinity : heightAt(plane, p);
    if (z > most) {
      found = plane;
      most = z;
    }
  }
  return found === null ? null : { plane: found, z: most };
};

/**
 * The blocks whose roofs reach over some of a box, and `block`: with them alone {@link roofAbout} is asked of many points
 * in it. Nothing else of the roof is looked at there.
 */
export const blocksAbout = ({ blocks }: Roof, box: Box, block: string): Pick<Roof, 'blocks'> =>
  blocks.length === 1
    ? { blocks }
    : {
        blocks: blocks.filter((one) => one.id === block || boxesMeet(box, reachOf(one), REACH_MM)),
      };

/** The box round all that a block's roof covers, of whatever height. mm */
const reachOf = (block: BlockRoof): Box => {
  const known = covers.get(block);
  if (known !== undefined) return known;
  const box = boxOver(block.grown.points);
  covers.set(block, box);
  return box;
};

/** A block's roof never changes, nor does the box round it. */
const covers = new WeakMap<BlockRoof, Box>();

/**
 * As {@link roofOver}, for a timber of `block`. Where that block does not reach, its own roof carried on counts too (the
 * plane of `side`, or the lowest of its planes): a fascia may hang over a lower roof.
 */
export const roofAbout = (
  roof: Pick<Roof, 'blocks'>,
  p: Vec2,
  block: string,
  side: number | null,
): RoofOver => {
  const found = roofOver(roof, p);
  const home = roof.blocks.find(({ id }) => id === block);
  if (home === undefined) throw new Error(`roof: there is no block ${block}`);
  if (found !== null && reaches(home.reach, p)) return found;
  const own = side === null ? null : (home.planes[side] ?? null);
  const plane = own ?? planeOver(home.bands, p);
  if (plane === null) throw new Error(`roof: block ${block} carries no plane`);
  const z = heightAt(plane, p);
  return found === null || z > found.z ? { plane, z } : found;
};

/** A point this near a block's edge is on it. mm */
const REACH_MM = SLACK_MM.edge;

/** The slope that comes down to a side's eave; of several bands the lowest. */
export const eaveSlope = (
  { slopes }: Pick<Roof, 'slopes'>,
  block: string,
  side: number | null,
): Slope | undefined =>
  slopes.find(({ sides }) =>
    sides.some((own) => own.block === block && own.side === side && own.band === 0),
  );

/** The slope whose rafters lie on a wall: of an eave, its own; of a high wall, the one that runs on over it. */
export const slopeOnWall = (
  { slopes, blocks }: Pick<Roof, 'slopes' | 'blocks'>,
  block: string,
  side: number,
): Slope | undefined => {
  const own = blocks.find(({ id }) => id === block);
  const line = own?.sides[side];
  if (own === undefined || line?.roof !== 'high') return eaveSlope({ slopes }, block, side);
  const over = planeOver(own.bands, v2.scale(v2.add(line.start, line.end), 0.5));
  return over === null ? undefined : slopes[over.slope];
};

/** A point of a roof this near a wall's face lies over it. mm */
const OVER_WALL_MM = SLACK_MM.rounding;

/**
 * Where the roof of a block comes over the outside face of one of its own walls, slope by slope: the corners of what
 * timbers stand under there, seen from above or hidden under a higher eave.
 *
 * @returns distances along the wall from its start, and heights. mm
 */
export const overWall = (
  { blocks, slopes }: Roof,
  block: string,
  side: number,
): readonly { readonly slope: number; readonly u: number; readonly z: number }[] => {
  const line = blocks.find(({ id }) => id === block)?.sides[side];
  if (line === undefined) return [];
  return slopes.flatMap(({ pieces }, slope) =>
    pieces
      .filter(({ plane }) => plane.block === block)
      .flatMap(({ polygon, plane }) =>
        polygon.points
          .filter((p) => Math.abs(v2.dot(v2.sub(p, line.start), line.inward)) < OVER_WALL_MM)
          .map((p) => ({
            slope,
            u: v2.dot(v2.sub(p, line.start), line.along),
            z: heightAt(plane, p),
          })),
      ),
  );
};

/** What of a convex polygon lies inside a block's walls; null where nothing does. */
export const withinWalls = <Tag>(
  walls: readonly Bound[],
  polygon: TaggedPolygon<Tag>,
  tag: Tag,
): TaggedPolygon<Tag> | null =>
  walls.reduce<TaggedPolygon<Tag> | null>(
    (rest, { a, b, c }) => rest && clipConvex(rest, ([x, y]) => a * x + b * y - c, tag),
    polygon,
  );

/** The parts of a slope that lie inside the walls of the blocks it belongs to. */
export const overOwnWalls = (roof: Roof, { pieces, sides }: Slope): TaggedPolygon<unknown>[] => {
  const own = roof.blocks.filter(({ id }) => sides.some(({ block }) => block === id));
  return pieces.flatMap(({ polygon }) =>
    own.flatMap(({ walls }) => withinWalls<unknown>(walls, polygon, null) ?? []),
  );
};
