import type { Job } from './schema';

/** What stands in lists of its own and has no other name that stays: known by an id, wherever it stands. */
const LISTS = { openings: 'o', saddles: 's', dormers: 'd' } as const;

type Named = { readonly id?: string | undefined };

/** The same things, each with an id of its own: those without one are numbered in their order. */
const numbered = <T extends Named>(list: readonly T[], letter: string): T[] => {
  const taken = new Set(list.map(({ id }) => id));
  const seen = new Set<string>();
  let number = 0;
  return list.map((one) => {
    if (one.id !== undefined && !seen.has(one.id)) {
      seen.add(one.id);
      return one;
    }
    do number += 1;
    while (taken.has(`${letter}${number}`));
    return { ...one, id: `${letter}${number}` };
  });
};

/**
 * A job in which every opening, saddle and dormer has an id. A file from before there were ids is numbered in its order:
 * whoever reads it gives the same ones.
 */
export const withIds = (job: Job): Job => ({
  ...job,
  openings: numbered(job.openings, LISTS.openings),
  saddles: numbered(job.saddles, LISTS.saddles),
  dormers: numbered(job.dormers, LISTS.dormers),
});
