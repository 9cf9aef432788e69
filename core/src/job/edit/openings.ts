import type { Job } from '../schema';
import { freePlace } from './free-place';

export type Opening = Job['openings'][number];

/** A first opening: a metre wide and high, a metre and a half up from the plate, a finger clear all round. mm */
const START = { wide: 900, tall: 900, up: 1200, clearance: 50 } as const;

/** The openings of a part, with their numbers in the job. */
export const openingsOf = (
  { openings }: Job,
  block: string,
): readonly { readonly opening: Opening; readonly index: number }[] =>
  openings
    .map((opening, index) => ({ opening, index }))
    .filter((one) => one.opening.block === block);

/** One more opening, as near the middle of a part's eave as it stands clear; `id` is one that nobody else has. */
export const withOpening = (job: Job, part: number, id: string): Job => {
  const block = job.blocks[part];
  const up: [number, number] = [START.up, START.up + START.tall];
  const place = freePlace(job, part, START.wide, up);
  if (block === undefined || place === null) return job;
  const { side, from } = place;
  const taken = new Set(job.openings.map(({ name }) => name));
  const number = Array.from({ length: taken.size + 1 }, (_, i) => i + 1).find(
    (n) => !taken.has(`Opening ${n}`),
  );
  return {
    ...job,
    openings: [
      ...job.openings,
      {
        id,
        name: `Opening ${number ?? 1}`,
        block: block.id,
        side,
        along: [from, from + START.wide],
        up,
        clearance: START.clearance,
      },
    ],
  };
};

/** One of the openings, changed; gone where null. A saddle behind it stays behind it. */
export const withOpeningAs = (job: Job, index: number, change: Partial<Opening> | null): Job => {
  const saddle = saddleBehind(job, index);
  const was = job.openings[index];
  const now = was === undefined || change === null ? null : { ...was, ...change };
  return {
    ...job,
    openings: job.openings.flatMap((one, i): Opening[] => {
      if (i !== index) return [one];
      return now === null ? [] : [now];
    }),
    saddles: job.saddles.flatMap((one, i) => {
      if (i !== saddle) return [one];
      return now === null
        ? []
        : [{ ...one, block: now.block, side: now.side, along: now.along, at: now.up[1] }];
    }),
  };
};

/** Whether a saddle stands behind an opening: as wide, at its upper edge. */
export const saddleBehind = ({ openings, saddles }: Job, index: number): number => {
  const one = openings[index];
  return one === undefined
    ? -1
    : saddles.findIndex(
        ({ block, side, along, at }) =>
          block === one.block &&
          side === one.side &&
          at === one.up[1] &&
          along[0] === one.along[0] &&
          along[1] === one.along[1],
      );
};

/** A saddle behind an opening, or none. */
export const withSaddleBehind = (job: Job, index: number, wanted: boolean): Job => {
  const one = job.openings[index];
  const found = saddleBehind(job, index);
  if (one === undefined || wanted === found >= 0) return job;
  return {
    ...job,
    saddles: wanted
      ? [
          ...job.saddles,
          {
            id: `behind ${one.id ?? index}`.slice(0, 60),
            block: one.block,
            side: one.side,
            along: one.along,
            at: one.up[1],
          },
        ]
      : job.saddles.filter((_, i) => i !== found),
  };
};
