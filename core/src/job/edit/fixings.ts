import type { Place } from '../../places';
import type { Job } from '../schema';

export type FixingRule = Job['fixings'][number];

/** The job with its own rule for a place, or, where null, with what the catalogue says there. */
export const withFixing = (job: Job, place: Place, rule: FixingRule | null): Job => ({
  ...job,
  fixings: [...job.fixings.filter((one) => one.place !== place), ...(rule === null ? [] : [rule])],
});
