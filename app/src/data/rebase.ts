import {
  merged,
  readJob,
  withPartRenamed,
  type Clash,
  type Job,
  type Preferred,
  type Renaming,
} from '@ogee/core/src/job';

/** What an entry was made on, and what it made of that. Entries of a former app do not know what they were made on. */
export interface Made {
  readonly job: Job | null;
  readonly base?: Job | null | undefined;
}

export interface Rebased {
  readonly job: Job | null;
  readonly clashes: readonly Clash[];
  /** Parts that the entry added, and that have another name there. */
  readonly renamed: readonly Renaming[];
}

/** An entry made again on another job: what it changed there, and nothing else. One that changes no job leaves it. */
export const rebased = ({ job, base }: Made, onto: Job | null, preferred?: Preferred): Rebased => {
  if (job === null) return { job: onto, clashes: [], renamed: [] };
  if (base == null || onto === null) return { job, clashes: [], renamed: [] };
  return merged(base, job, onto, preferred);
};

/** An entry that is of parts which have other names now. */
export const withRenamed = <T extends Made>(entry: T, renamed: readonly Renaming[]): T =>
  renamed.length === 0
    ? entry
    : {
        ...entry,
        job: entry.job === null ? null : renamed.reduce(withPartRenamed, entry.job),
        base: entry.base == null ? entry.base : renamed.reduce(withPartRenamed, entry.base),
      };

/** Entries one after the other on a job; what they and it changed otherwise, of all of them. */
export const allRebased = (
  entries: readonly Made[],
  onto: Job | null,
  preferred?: Preferred,
): Omit<Rebased, 'renamed'> => {
  let job = onto;
  const clashes: Clash[] = [];
  const renamed: Renaming[] = [];
  for (const entry of entries) {
    const made = rebased(withRenamed(entry, renamed), job, preferred);
    job = made.job;
    clashes.push(...made.clashes);
    renamed.push(...made.renamed);
  }
  return { job, clashes };
};

/** Whether a job that was merged is one: each of the two may be, and both together not. */
export const isWhole = (job: Job): boolean => readJob(job).ok;
