import { SLACK_MM, lineCrossing, v2, type Vec2 } from '../../geom';
import {
  depthBehind,
  hasLength,
  IN_LINE_MM,
  onWall,
  rectangle,
  seenFrom,
  wallOf,
  type OnWall,
  type Wall,
} from './on-wall';
import type { Block, Job } from '../schema';

/** The wall of a block that another stands on: the one it reaches out furthest from. */
const wallUnder = (block: Block, other: Block): number => {
  const reach = block.sides.map((_, side) => {
    const wall = wallOf(block, side);
    return Math.max(...other.outline.map((p) => seenFrom(wall, p)[1]));
  });
  return reach.indexOf(Math.max(...reach));
};

/** An inner end as near as this to the middle of the block was carried there, and goes with it. mm */
const MIDDLE_MM = SLACK_MM.nothing;

/** A wall that comes out another by no more than this was measured anew; by more, the house is another. mm */
const MEASURED_ANEW_MM = 150;

/**
 * How much further along its wall each of a part's points stands after a change. What is flush with a wall's end stays so
 * where that wall was measured anew; else a part keeps its own figures.
 */
const carriedAlong = (
  was: Wall,
  is: Wall,
  block: Block,
  keeps: 'corner' | 'place',
): ((u: number) => number) => {
  const us = block.outline.map((p) => seenFrom(was, p)[0]);
  const [low, high] = [Math.min(...us), Math.max(...us)];
  const [atStart, atEnd] = [Math.abs(low), Math.abs(high - was.lengthMm)].map(
    (mm) => mm < IN_LINE_MM,
  );
  const stretch = is.lengthMm - was.lengthMm;
  const anew = Math.abs(stretch) <= MEASURED_ANEW_MM;
  if (anew && atStart === true && atEnd === true)
    return (u) => (u > (low + high) / 2 ? stretch : 0);
  if (anew && atEnd === true) return () => stretch;
  if ((anew && atStart === true) || keeps === 'corner') return () => 0;
  const placed = seenFrom(is, was.start)[0];
  return () => placed;
};

/**
 * The job with one block given another outline of as many corners. What stands on its walls goes with them, flush with
 * their ends where it was, and an inner end that reached the middle still does.
 *
 * @param keeps what another block keeps along its wall: its distance from the corner where that wall starts, or its
 *   place on the ground
 */
export const withOutline = (
  job: Job,
  index: number,
  outline: readonly Vec2[],
  keeps: 'corner' | 'place' = 'corner',
): Job => {
  const before = job.blocks[index];
  if (before === undefined || outline.length !== before.outline.length) return job;
  const after: Block = { ...before, outline: outline.map(([x, y]) => [x, y]) };
  return {
    ...job,
    blocks: job.blocks.map((block, i) => {
      if (i === index) return after;
      // Only what was added to the first block follows it; a wing's own change moves nothing else.
      if (index !== 0) return block;
      const side = wallUnder(before, block);
      // A wall of no length carries nothing: the job's checks refuse it, and what stood there stays for their message.
      if (!hasLength(after, side)) return block;
      const [was, is] = [wallOf(before, side), wallOf(after, side)];
      const [middle, next] = [depthBehind(was) / 2, depthBehind(is) / 2];
      const further = carriedAlong(was, is, block, keeps);
      return {
        ...block,
        outline: block.outline.map((p) => {
          const [u, out] = seenFrom(was, p);
          return onWall(is, u + further(u), Math.abs(out + middle) < MIDDLE_MM ? -next : out);
        }),
      };
    }),
  };
};

/** A wall is not moved, nor a projection drawn in, so far that a wall gets shorter than this. mm */
export const LEAST_WALL_MM = 300;

/**
 * The job with one wall of a block moved out by a distance (in, when negative): its corners slide along the walls
 * beside it, so that every angle stays. Null where a wall would be left with no length to speak of.
 */
export const withWallMoved = (job: Job, index: number, side: number, outMm: number): Job | null => {
  const block = job.blocks[index];
  if (block === undefined) return null;
  const { outline } = block;
  const count = outline.length;
  const wall = wallOf(block, side);
  const beside = (i: number) => wallOf(block, (i + count) % count);
  const on = v2.sub(wall.start, v2.scale(wall.inward, outMm));
  const corner = (neighbour: ReturnType<typeof beside>): Vec2 | null =>
    lineCrossing(on, wall.along, neighbour.start, neighbour.along);
  const [start, end] = [corner(beside(side - 1)), corner(beside(side + 1))];
  if (start === null || end === null) return null;
  const moved = outline.map((p, i): Vec2 =>
    i === side ? start : i === (side + 1) % count ? end : p,
  );
  const sound = moved.every((p, i) => {
    const next = moved[(i + 1) % count] ?? p;
    return v2.dot(v2.sub(next, p), wallOf(block, i).along) >= LEAST_WALL_MM;
  });
  return sound ? withOutline(job, index, moved, 'place') : null;
};

/** A wing or a lean-to as it was added: on which wall of which block, and where on it. */
export interface Standing {
  readonly host: number;
  readonly side: number;
  readonly on: OnWall;
  /** How far its inner end lies behind the wall. mm */
  readonly depth: number;
}

/** Nearer than this to the shape it was added in, it has that shape. mm */
const AS_ADDED_MM = SLACK_MM.nothing;

/** Where a wing or a lean-to stands; null for a part that is no rectangle on another's wall. */
export const standingOn = (job: Job, index: number): Standing | null => {
  const outline = job.blocks[index]?.outline ?? [];
  if (outline.length !== 4) return null;
  const same = (a: number, b: number): boolean => Math.abs(a - b) < AS_ADDED_MM;
  for (const [host, block] of job.blocks.slice(0, index).entries()) {
    for (const side of block.outline.keys()) {
      const wall = wallOf(block, side);
      const end = block.outline[(side + 1) % block.outline.length] ?? wall.start;
      const [a = 0, b = 0, c = 0, d = 0] = outline.map((p) => seenFrom(wall, p)[0]);
      const [far = 0, far2 = 0, inner = 0, inner2 = 0] = outline.map((p) => seenFrom(wall, p)[1]);
      const shaped = same(a, d) && same(b, c) && same(far, far2) && same(inner, inner2);
      const placed = far > 0 && inner < AS_ADDED_MM && inner > -depthBehind(wall);
      const within = a > -AS_ADDED_MM && b < seenFrom(wall, end)[0] + AS_ADDED_MM;
      if (!shaped || !placed || !within || b <= a) continue;
      return { host, side, on: { width: b - a, projection: far, fromCorner: a }, depth: -inner };
    }
  }
  return null;
};

/** The job with a wing or a lean-to of another width, projection or place on its wall; its inner end stays as deep. */
export const withStanding = (job: Job, index: number, on: OnWall): Job => {
  const found = standingOn(job, index);
  const host = job.blocks[found?.host ?? -1];
  if (found === null || host === undefined) return job;
  const outline = rectangle(wallOf(host, found.side), on, found.depth);
  return {
    ...job,
    blocks: job.blocks.map((block, i) => (i === index ? { ...block, outline } : block)),
  };
};
