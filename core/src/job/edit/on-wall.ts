import { v2, type Vec2 } from '../../geom';
import type { Block } from '../schema';

/** Where a wing or a lean-to stands on a wall. mm */
export interface OnWall {
  /** Along the wall. */
  readonly width: number;
  /** Out from the wall. */
  readonly projection: number;
  /** From the wall's start corner to the near side. */
  readonly fromCorner: number;
}

/** A wall as the plan line that distances are counted from: along it, and out from it. */
export interface Wall {
  readonly start: Vec2;
  readonly end: Vec2;
  readonly along: Vec2;
  readonly inward: Vec2;
  readonly lengthMm: number;
  readonly block: Block;
}

export const wallOf = (block: Block, side: number): Wall => {
  const start = block.outline[side];
  const end = block.outline[(side + 1) % block.outline.length];
  if (start === undefined || end === undefined)
    throw new Error(`job: block ${block.id} has no wall ${side}`);
  const along = v2.unit(v2.sub(end, start));
  return {
    start,
    end,
    along,
    inward: v2.left(along),
    lengthMm: v2.distance(start, end),
    block,
  };
};

/** Whether a wall leads anywhere: one that is being typed may not. */
export const hasLength = ({ outline }: Block, side: number): boolean => {
  const [start, end] = [outline[side], outline[(side + 1) % outline.length]];
  return start !== undefined && end !== undefined && v2.distance(start, end) > 0;
};

/** Every wall of a block in order, wall i from corner i to the next. */
export const wallsOf = (block: Block): Wall[] => block.outline.map((_, i) => wallOf(block, i));

/** A point by its distances along a wall and out from it. */
export const onWall = (
  { start, along, inward }: Wall,
  u: number,
  out: number,
): [number, number] => {
  const [x, y] = v2.add(start, v2.add(v2.scale(along, u), v2.scale(inward, -out)));
  return [x, y];
};

/** How deep a block is behind one of its walls: the furthest corner. */
export const depthBehind = ({ start, inward, block }: Wall): number =>
  Math.max(...block.outline.map((p) => v2.dot(v2.sub(p, start), inward)));

/** A point's distances along a wall and out from it. */
export const seenFrom = (
  { start, along, inward }: Wall,
  p: Vec2,
): readonly [u: number, out: number] => {
  const from = v2.sub(p, start);
  return [v2.dot(from, along), -v2.dot(from, inward)];
};

/** Sides in the order of the rectangle below: its far end, right, inner end, left, seen from outside facing the wall. */
export const rectangle = (wall: Wall, { width, projection, fromCorner }: OnWall, depth: number) => [
  onWall(wall, fromCorner, projection),
  onWall(wall, fromCorner + width, projection),
  onWall(wall, fromCorner + width, -depth),
  onWall(wall, fromCorner, -depth),
];
