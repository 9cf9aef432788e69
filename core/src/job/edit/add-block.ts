import { depthBehind, onWall, rectangle, wallOf, type OnWall } from './on-wall';
import { withoutStrays } from './parts';
import type { Block, Job, Side } from '../schema';

export const freeId = (job: Job, word: string): string => {
  const taken = new Set(job.blocks.map(({ id }) => id));
  if (!taken.has(word)) return word;
  for (let i = 2; ; i += 1) if (!taken.has(`${word} ${i}`)) return `${word} ${i}`;
};

export const eaveOf = (block: Block, side: number): Extract<Side, { roof: 'eave' }> => {
  const own = block.sides[side];
  if (own?.roof === 'eave') return own;
  const other = block.sides.find((one) => one.roof === 'eave');
  if (other?.roof !== 'eave') throw new Error(`job: block ${block.id} has no eave`);
  return other;
};

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

/** A bay’s splayed walls take this much of its width at each side, and at most so much of its projection. */
const SPLAY = 0.25;
const SPLAYED = 0.6;

/**
 * A bay on a wall: a front and two splayed walls, all eaves, with the roof carried in under the wall's own like a
 * wing's.
 */
export const withBay = (job: Job, index: number, side: number, on: OnWall): Job => {
  const block = job.blocks[index];
  if (block === undefined) return job;
  const wall = wallOf(block, side);
  const { pitch, overhang } = eaveOf(block, side);
  const eave: Side = { roof: 'eave', pitch, overhang };
  const { width, projection, fromCorner } = on;
  const splay = Math.min(width * SPLAY, projection * SPLAYED);
  const straight = projection - splay;
  const out = (u: number, by: number): [number, number] => onWall(wall, fromCorner + u, by);
  const back = -depthBehind(wall) / 2;
  const bay: Block = {
    id: freeId(job, 'bay'),
    outline: [
      out(splay, projection),
      out(width - splay, projection),
      out(width, straight),
      out(width, back),
      out(0, back),
      out(0, straight),
    ],
    plate: block.plate,
    sides: [eave, eave, eave, { roof: 'open' }, eave, eave],
    join: 'framed',
  };
  return { ...job, blocks: [...job.blocks, bay] };
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
  index === 0 ? job : withoutStrays({ ...job, blocks: job.blocks.filter((_, i) => i !== index) });
