import { v2, type Vec2 } from '../geom';
import type { Block, Job, Side } from './schema';

/** Where a wing or a lean-to stands on a wall. mm */
export interface OnWall {
  /** Along the wall. */
  readonly width: number;
  /** Out from the wall. */
  readonly projection: number;
  /** From the wall's start corner to the near side. */
  readonly fromCorner: number;
}

interface Wall {
  readonly start: Vec2;
  readonly along: Vec2;
  readonly inward: Vec2;
  readonly block: Block;
}

const wallOf = (block: Block, side: number): Wall => {
  const start = block.outline[side];
  const end = block.outline[(side + 1) % block.outline.length];
  if (start === undefined || end === undefined)
    throw new Error(`job: block ${block.id} has no wall ${side}`);
  const along = v2.unit(v2.sub(end, start));
  return { start, along, inward: v2.left(along), block };
};

/** A point by its distances along a wall and out from it. */
const onWall = ({ start, along, inward }: Wall, u: number, out: number): [number, number] => {
  const [x, y] = v2.add(start, v2.add(v2.scale(along, u), v2.scale(inward, -out)));
  return [x, y];
};

/** How deep a block is behind one of its walls: the furthest corner. */
const depthBehind = ({ start, inward, block }: Wall): number =>
  Math.max(...block.outline.map((p) => v2.dot(v2.sub(p, start), inward)));

const freeId = (job: Job, word: string): string => {
  const taken = new Set(job.blocks.map(({ id }) => id));
  if (!taken.has(word)) return word;
  for (let i = 2; ; i += 1) if (!taken.has(`${word} ${i}`)) return `${word} ${i}`;
};

const eaveOf = (block: Block, side: number): Extract<Side, { roof: 'eave' }> => {
  const own = block.sides[side];
  if (own?.roof === 'eave') return own;
  const other = block.sides.find((one) => one.roof === 'eave');
  if (other?.roof !== 'eave') throw new Error(`job: block ${block.id} has no eave`);
  return other;
};

/** Sides in the order of the rectangle below: its far end, right, inner end, left, seen from outside facing the wall. */
const rectangle = (wall: Wall, { width, projection, fromCorner }: OnWall, depth: number) => [
  onWall(wall, fromCorner, projection),
  onWall(wall, fromCorner + width, projection),
  onWall(wall, fromCorner + width, -depth),
  onWall(wall, fromCorner, -depth),
];

/**
 * A wing on a wall: its far end a gable, its inner end open and carried into the block as far as its ridge can run, to
 * the middle of the block. Pitch and overhang are the wall's own.
 */
export const withWing = (job: Job, index: number, side: number, on: OnWall): Job => {
  const block = job.blocks[index];
  if (block === undefined) return job;
  const wall = wallOf(block, side);
  const { pitch, overhang } = eaveOf(block, side);
  const eave: Side = { roof: 'eave', pitch, overhang };
  const wing: Block = {
    id: freeId(job, 'wing'),
    outline: rectangle(wall, on, depthBehind(wall) / 2),
    plate: block.plate,
    sides: [{ roof: 'gable', overhang: 0 }, eave, { roof: 'open' }, eave],
    join: 'framed',
  };
  return { ...job, blocks: [...job.blocks, wing] };
};

/** How far below the wall's plate a lean-to's plate stands at first: clear under the eave. mm */
const UNDER_EAVE_MM = 1500;

/** A lean-to against a wall: one eave, its high side the wall, its ends gables. */
export const withLeanTo = (job: Job, index: number, side: number, on: OnWall): Job => {
  const block = job.blocks[index];
  if (block === undefined) return job;
  const wall = wallOf(block, side);
  const { overhang } = eaveOf(block, side);
  const degreesWanted = job.display.pitch === 'degrees';
  const end: Side = { roof: 'gable', overhang: 0 };
  const leanTo: Block = {
    id: freeId(job, 'lean-to'),
    outline: rectangle(wall, on, 0),
    plate: block.plate - UNDER_EAVE_MM,
    sides: [
      { roof: 'eave', pitch: degreesWanted ? '18°' : '4/12', overhang },
      end,
      { roof: 'wall' },
      end,
    ],
    join: 'framed',
  };
  return { ...job, blocks: [...job.blocks, leanTo] };
};

/** The job without one of its blocks; the first stays, for the others stand on it. */
export const withoutBlock = (job: Job, index: number): Job =>
  index === 0 ? job : { ...job, blocks: job.blocks.filter((_, i) => i !== index) };

/** A point's distances along a wall and out from it. */
const seenFrom = ({ start, along, inward }: Wall, p: Vec2): readonly [u: number, out: number] => {
  const from = v2.sub(p, start);
  return [v2.dot(from, along), -v2.dot(from, inward)];
};

/** The wall of a block that another stands on: the one it reaches out furthest from. */
const wallUnder = (block: Block, other: Block): number => {
  const reach = block.sides.map((_, side) => {
    const wall = wallOf(block, side);
    return Math.max(...other.outline.map((p) => seenFrom(wall, p)[1]));
  });
  return reach.indexOf(Math.max(...reach));
};

/** An inner end as near as this to the middle of the block was carried there, and goes with it. mm */
const MIDDLE_MM = 1;

/**
 * The job with one block given another outline of as many corners. What stands on its walls goes with them: each other
 * block keeps its distance from the corner its wall starts at, and an inner end that reached the middle still does.
 */
export const withOutline = (job: Job, index: number, outline: readonly Vec2[]): Job => {
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
      const [was, is] = [wallOf(before, side), wallOf(after, side)];
      const [middle, next] = [depthBehind(was) / 2, depthBehind(is) / 2];
      return {
        ...block,
        outline: block.outline.map((p) => {
          const [u, out] = seenFrom(was, p);
          return onWall(is, u, Math.abs(out + middle) < MIDDLE_MM ? -next : out);
        }),
      };
    }),
  };
};
