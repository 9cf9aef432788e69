import { merged, readJob, type Clash, type Job, type Preferred } from '@ogee/core/src/job';

/** What an entry was made on, and what it made of that. Entries of a former app do not know what they were made on. */
export interface Made {
  readonly job: Job | null;
  readonly base?: Job | null | undefined;
}

export interface Rebased {
  readonly job: Job | null;
  readonly clashes: readonly Clash[];
}

/** An entry made again on another job: what it changed there, and nothing else. One that changes no job leaves it. */
export const rebased = ({ job, base }: Made, onto: Job | null, preferred?: Preferred): Rebased => {
  if (job === null) return { job: onto, clashes: [] };
  if (base == null || onto === null) return { job, clashes: [] };
  return merged(base, job, onto, preferred);
};

/** Entries one after the other on a job; what they and it changed otherwise, of all of them. */
export const allRebased = (
  entries: readonly Made[],
  onto: Job | null,
  preferred?: Preferred,
): Rebased => {
  let job = onto;
  const clashes: Clash[] = [];
  for (const entry of entries) {
    const made = rebased(entry, job, preferred);
    job = made.job;
    clashes.push(...made.clashes);
  }
  return { job, clashes };
};

/** Whether a job that was merged is one: each of the two may be, and both together not. */
export const isWhole = (job: Job): boolean => readJob(job).ok;
