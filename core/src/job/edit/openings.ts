import { v2 } from '../../geom';
import type { Job } from '../schema';

export type Opening = Job['openings'][number];

/** A first opening: a metre wide and high, a metre and a half up from the plate, a finger clear all round. mm */
const START = { wide: 900, tall: 900, up: 1200, clearance: 50 } as const;

/** How long a wall of a part is. mm */
const wallMm = ({ outline }: Job['blocks'][number], wall: number): number => {
  const [a, b] = [outline[wall], outline[(wall + 1) % outline.length]];
  return a === undefined || b === undefined ? 0 : v2.distance(a, b);
};

/** The openings of a part, with their numbers in the job. */
export const openingsOf = (
  { openings }: Job,
  block: string,
): readonly { readonly opening: Opening; readonly index: number }[] =>
  openings
    .map((opening, index) => ({ opening, index }))
    .filter((one) => one.opening.block === block);

/** One more opening, in the middle of a part's first eave. */
export const withOpening = (job: Job, part: number): Job => {
  const block = job.blocks[part];
  const side = block?.sides.findIndex(({ roof }) => roof === 'eave') ?? -1;
  if (block === undefined || side < 0) return job;
  const taken = new Set(job.openings.map(({ name }) => name));
  const number = Array.from({ length: taken.size + 1 }, (_, i) => i + 1).find(
    (n) => !taken.has(`Opening ${n}`),
  );
  const from = Math.round(Math.max(0, (wallMm(block, side) - START.wide) / 2));
  return {
    ...job,
    openings: [
      ...job.openings,
      {
        name: `Opening ${number ?? 1}`,
        block: block.id,
        side,
        along: [from, from + START.wide],
        up: [START.up, START.up + START.tall],
        clearance: START.clearance,
      },
    ],
  };
};

/** One of the openings, changed; gone where null. */
export const withOpeningAs = (job: Job, index: number, change: Partial<Opening> | null): Job => ({
  ...job,
  openings: job.openings.flatMap((one, i): Opening[] => {
    if (i !== index) return [one];
    return change === null ? [] : [{ ...one, ...change }];
  }),
});
