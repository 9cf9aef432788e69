import { v2, type Vec2 } from '../geom';
import type { Block, Side } from '../job';

/** One side of a block's outline as a line in plan, at the plate's outside face. */
export interface SideLine {
  readonly index: number;
  readonly roof: Side['roof'];
  readonly start: Vec2;
  readonly end: Vec2;
  /** Unit vector from start to end, counter-clockwise round the block. */
  readonly along: Vec2;
  /** Unit vector into the building. */
  readonly inward: Vec2;
  readonly lengthMm: number;
  readonly overhangMm: number;
}

/** The sides of a block in order, side i from corner i to the next. */
export const sideLines = (block: Block): SideLine[] =>
  block.sides.map((side, index) => {
    const start = block.outline[index];
    const end = block.outline[(index + 1) % block.outline.length];
    if (start === undefined || end === undefined)
      throw new Error(`roof: block ${block.id} has no side ${index}`);
    const along = v2.unit(v2.sub(end, start));
    return {
      index,
      roof: side.roof,
      start,
      end,
      along,
      inward: v2.left(along),
      lengthMm: v2.distance(start, end),
      overhangMm: 'overhang' in side ? side.overhang : 0,
    };
  });
