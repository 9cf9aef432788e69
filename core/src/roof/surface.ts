import type { Vec2 } from '../geom';
import { heightAt } from './block-roof';
import type { BlockRoof, Bound, Roof, RoofPlane } from './model';

/** How far a point lies outside a convex outline; negative inside. mm */
export const outside = (bounds: readonly Bound[], [x, y]: Vec2): number => {
  let most = -Infinity;
  for (const { a, b, c } of bounds) most = Math.max(most, a * x + b * y - c);
  return most;
};

/** The lowest of a block's planes over a point of the plan. */
const lowest = (block: BlockRoof, p: Vec2): RoofOver | null => {
  let found: RoofOver | null = null;
  for (const plane of block.planes) {
    if (plane === null) continue;
    const z = heightAt(plane, p);
    if (found === null || z < found.z) found = { plane, z };
  }
  return found;
};

/** The plane that makes the roof over a point of the plan, and its height there. mm */
export interface RoofOver {
  readonly plane: RoofPlane;
  readonly z: number;
}

/** The roof over a point: the highest of the blocks' lowest planes, of the blocks that reach there; null outside. */
export const roofOver = (roof: Roof, p: Vec2): RoofOver | null => {
  let found: RoofOver | null = null;
  for (const block of roof.blocks) {
    if (outside(block.reach, p) > REACH_MM) continue;
    const low = lowest(block, p);
    if (low !== null && (found === null || low.z > found.z)) found = low;
  }
  return found;
};

/**
 * As {@link roofOver}, for a timber of `block`. Where that block does not reach, its own roof carried on counts too (the
 * plane of `side`, or the lowest of its planes): a fascia may hang over a lower roof.
 */
export const roofAbout = (roof: Roof, p: Vec2, block: string, side: number | null): RoofOver => {
  const found = roofOver(roof, p);
  const home = roof.blocks.find(({ id }) => id === block);
  if (home === undefined) throw new Error(`roof: there is no block ${block}`);
  if (found !== null && outside(home.reach, p) <= REACH_MM) return found;
  const own = side === null ? null : (home.planes[side] ?? null);
  const carried = own === null ? lowest(home, p) : { plane: own, z: heightAt(own, p) };
  if (carried === null) throw new Error(`roof: block ${block} carries no plane`);
  return found === null || carried.z > found.z ? carried : found;
};

/** A point this near a block's edge is on it. mm */
const REACH_MM = 1e-3;
