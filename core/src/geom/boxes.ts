import Flatbush from 'flatbush';
import type { Vec2, Vec3 } from './vec';

/** A box along the axes of the world. */
export interface Box {
  readonly low: Vec3;
  readonly high: Vec3;
}

/** A box that is made as large as what it is given; turned inside out before that. */
export class GrowingBox implements Box {
  readonly low: [number, number, number] = [Infinity, Infinity, Infinity];
  readonly high: [number, number, number] = [-Infinity, -Infinity, -Infinity];

  take([x, y, z]: Vec3): void {
    const { low, high } = this;
    if (x < low[0]) low[0] = x;
    if (y < low[1]) low[1] = y;
    if (z < low[2]) low[2] = z;
    if (x > high[0]) high[0] = x;
    if (y > high[1]) high[1] = y;
    if (z > high[2]) high[2] = z;
  }
}

/** The box round points. */
export const boxRound = (points: readonly Vec3[]): Box => {
  const box = new GrowingBox();
  for (const p of points) box.take(p);
  return box;
};

/** The box over points of the plan, of whatever height. */
export const boxOver = (points: readonly Vec2[]): Box => {
  const box = new GrowingBox();
  for (const [x, y] of points) {
    box.take([x, y, -Infinity]);
    box.take([x, y, Infinity]);
  }
  return box;
};

/** Whether two boxes have a point in common, or lie within `reach` of each other along every axis. */
export const boxesMeet = (one: Box, other: Box, reach = 0): boolean =>
  one.low[0] <= other.high[0] + reach &&
  other.low[0] <= one.high[0] + reach &&
  one.low[1] <= other.high[1] + reach &&
  other.low[1] <= one.high[1] + reach &&
  one.low[2] <= other.high[2] + reach &&
  other.low[2] <= one.high[2] + reach;

/** So few are looked through one by one. */
const FEW = 16;

/**
 * What lies near a box, in the order given: few are looked through, many found by where they lie in plan. Nothing is laid
 * out for a single search.
 */
export class BoxIndex<T> {
  private tree: Flatbush | null = null;
  private searched = false;

  constructor(
    private readonly items: readonly T[],
    private readonly boxOf: (item: T) => Box,
  ) {}

  /** Those whose boxes meet this one, or lie within `reach` of it along every axis. */
  near(box: Box, reach = 0): T[] {
    const meets = (item: T): boolean => boxesMeet(this.boxOf(item), box, reach);
    if (this.tree === null && this.searched && this.items.length > FEW) this.tree = this.layOut();
    this.searched = true;
    if (this.tree === null) return this.items.filter(meets);
    const { low, high } = box;
    const found = this.tree.search(
      low[0] - reach,
      low[1] - reach,
      high[0] + reach,
      high[1] + reach,
    );
    const near: T[] = [];
    for (const at of found.sort((p, q) => p - q)) {
      const item = this.items[at];
      if (item !== undefined && meets(item)) near.push(item);
    }
    return near;
  }

  private layOut(): Flatbush {
    const tree = new Flatbush(this.items.length);
    for (const item of this.items) {
      const { low, high } = this.boxOf(item);
      tree.add(low[0], low[1], high[0], high[1]);
    }
    tree.finish();
    return tree;
  }
}
