import { pitchRad } from '../../units';
import type { Job } from '../schema';
import { firstEave } from '../sides';

/** What lies over or between the rafters of one part, under its roofing. */
export type RoofPurlins = Job['roofPurlins'][number];

/** Of a part's sets the first; null where it has none. */
export const roofPurlinsOf = (job: Job, block: string): RoofPurlins | null =>
  job.roofPurlins.find((one) => one.block === block) ?? null;

/** Where none are given yet: flat, the first clear of the tail, the last clear of the top. mm */
const USUAL = {
  stock: { thickness: 75, depth: 50 },
  spacing: 900,
  first: 60,
  last: 150,
  planes: 'rafters',
} as const;

/** Purlins over or between every rafter of a part; none where null. What is given already stays. */
export const withRoofPurlins = (
  job: Job,
  block: string,
  change: Partial<Omit<RoofPurlins, 'block' | 'side'>> | null,
): Job => {
  const others = job.roofPurlins.filter((one) => one.block !== block);
  if (change === null) return { ...job, roofPurlins: others };
  const own = job.roofPurlins.filter((one) => one.block === block);
  const sets = own.length > 0 ? own : [{ ...USUAL, block, set: 'over' as const }];
  return { ...job, roofPurlins: [...others, ...sets.map((set) => ({ ...set, ...change }))] };
};

/**
 * How much lower, plumb, a part's rafters stand than its roof, where that is the tops of the purlins over them; their seats
 * are so much deeper than what was typed. 0 where it is not. mm
 */
export const seatDeepenedBy = (job: Job, index: number): number => {
  const block = job.blocks[index];
  const set = block === undefined ? null : roofPurlinsOf(job, block.id);
  const eave = block === undefined ? null : firstEave(block);
  if (set === null || eave === null || set.set !== 'over' || set.planes !== 'tops') return 0;
  return set.stock.depth / Math.cos(pitchRad(eave.side.pitch));
};

/**
 * The seat as it was typed, under purlins whose tops are the roof: the plates of the part move down, and the roof stays; or
 * they stay, and the roof moves up.
 */
export const withSeatKept = (job: Job, index: number, moves: 'plates' | 'roof'): Job => {
  const block = job.blocks[index];
  const by = seatDeepenedBy(job, index);
  if (block === undefined || by === 0) return job;
  const changed = withRoofPurlins(job, block.id, { planes: 'rafters' });
  return moves === 'roof'
    ? changed
    : {
        ...changed,
        blocks: changed.blocks.map((one, i) =>
          i === index ? { ...one, plate: one.plate - by } : one,
        ),
      };
};
