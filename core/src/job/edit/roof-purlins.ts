import type { Job } from '../schema';

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
