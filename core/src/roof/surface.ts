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
    const { z0, zx, zy } = plane.over;
    const z = z0 + zx * p[0] + zy * p[1];
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

/** As {@link roofOver}; outside every roof, the plane of `side` carried on, or the lowest of the block's planes. */
export const roofAbout = (roof: Roof, p: Vec2, block: string, side: number | null): RoofOver => {
  const inside = roofOver(roof, p);
  if (inside !== null) return inside;
  const home = roof.blocks.find(({ id }) => id === block);
  const own = side === null ? null : (home?.planes[side] ?? null);
  if (own !== null) return { plane: own, z: heightAt(own, p) };
  const low = home === undefined ? null : lowest(home, p);
  if (low === null) throw new Error(`roof: block ${block} carries no plane`);
  return low;
};

/** A point this near a block's edge is on it. mm */
const REACH_MM = 1e-3;
