import { SLACK_MM, v2, type Vec2 } from '../../geom';
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
  /** How far the walls beside it lean along it for each millimetre out: what is flush with an end stands in line with them. */
  readonly leans: readonly [start: number, end: number];
}

/** A wall beside another that is this far out of square with it is meant to be so, and nothing is in line with it. */
const OUT_OF_SQUARE = Math.tan(Math.PI / 36);

/** A point this near to the line of the wall beside is on it, and a part's side flush with its wall's end. mm */
export const IN_LINE_MM = SLACK_MM.nothing;

/** How a line that goes in from a wall leans along it, for each millimetre out. */
const leanOf = (way: Vec2, along: Vec2): number => {
  const lean = -v2.dot(way, along) / v2.dot(way, v2.left(along));
  return Math.abs(lean) < OUT_OF_SQUARE ? lean : 0;
};

export const wallOf = (block: Block, side: number): Wall => {
  const start = block.outline[side];
  const end = block.outline[(side + 1) % block.outline.length];
  if (start === undefined || end === undefined)
    throw new Error(`job: block ${block.id} has no wall ${side}`);
  const along = v2.unit(v2.sub(end, start));
  const count = block.outline.length;
  const before = block.outline[(side + count - 1) % count] ?? start;
  const after = block.outline[(side + 2) % count] ?? end;
  return {
    start,
    end,
    along,
    inward: v2.left(along),
    lengthMm: v2.distance(start, end),
    block,
    leans: [leanOf(v2.sub(before, start), along), leanOf(v2.sub(after, end), along)],
  };
};

/** Whether a wall leads anywhere: one that is being typed may not. */
export const hasLength = ({ outline }: Block, side: number): boolean => {
  const [start, end] = [outline[side], outline[(side + 1) % outline.length]];
  return start !== undefined && end !== undefined && v2.distance(start, end) > 0;
};

/** Every wall of a block in order, wall i from corner i to the next. */
export const wallsOf = (block: Block): Wall[] => block.outline.map((_, i) => wallOf(block, i));

/** A point by its distances along a wall and out from it; flush with the wall's end it stands in line with the wall beside. */
export const onWall = (
  { start, along, inward, lengthMm, leans }: Wall,
  u: number,
  out: number,
): [number, number] => {
  const lean =
    Math.abs(u) < IN_LINE_MM ? leans[0] : Math.abs(u - lengthMm) < IN_LINE_MM ? leans[1] : 0;
  const [x, y] = v2.add(start, v2.add(v2.scale(along, u + lean * out), v2.scale(inward, -out)));
  return [x, y];
};

/** How deep a block is behind one of its walls: the furthest corner. */
export const depthBehind = ({ start, inward, block }: Wall): number =>
  Math.max(...block.outline.map((p) => v2.dot(v2.sub(p, start), inward)));

/** A point's distances along a wall and out from it, as `onWall` takes them. */
export const seenFrom = (
  { start, along, inward, lengthMm, leans }: Wall,
  p: Vec2,
): readonly [u: number, out: number] => {
  const from = v2.sub(p, start);
  const [u, out] = [v2.dot(from, along), -v2.dot(from, inward)];
  const [first, last] = leans.map((lean) => u - lean * out);
  if (first !== undefined && Math.abs(first) < IN_LINE_MM) return [first, out];
  return last !== undefined && Math.abs(last - lengthMm) < IN_LINE_MM ? [last, out] : [u, out];
};

/** Sides in the order of the rectangle below: its far end, right, inner end, left, seen from outside facing the wall. */
export const rectangle = (wall: Wall, { width, projection, fromCorner }: OnWall, depth: number) => [
  onWall(wall, fromCorner, projection),
  onWall(wall, fromCorner + width, projection),
  onWall(wall, fromCorner + width, -depth),
  onWall(wall, fromCorner, -depth),
];
