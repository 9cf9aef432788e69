import type { z } from 'zod';
import { jobSchema } from '../job';
import { jobSummarySchema } from './listed';
import { problemsSchema } from './problems';

export const storedJobSchema = jobSummarySchema
  .extend({ job: jobSchema })
  .meta({ id: 'StoredJob' });

/** A save over a revision that is not the newest: what is there now. */
export const conflictSchema = problemsSchema
  .extend({ current: storedJobSchema })
  .meta({ id: 'Conflict' });

export type StoredJob = Readonly<z.output<typeof storedJobSchema>>;
