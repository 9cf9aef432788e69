import { z } from 'zod';
import { jobSchema } from '../job';

/**
 * What server and app send each other about jobs: the schemas that both check by, and that the API's description is
 * made from. Every type of the wire is inferred here and nowhere else.
 */
export const problemsSchema = z
  .object({ problems: z.array(z.object({ code: z.string(), path: z.string(), text: z.string() })) })
  .meta({ id: 'Problems' });

export const jobSummarySchema = z
  .object({
    id: z.string(),
    name: z.string(),
    revision: z.number().int(),
    sample: z.boolean(),
    updatedAt: z.string(),
    deletedAt: z.string().nullable(),
  })
  .meta({ id: 'JobSummary' });

export const storedJobSchema = jobSummarySchema
  .extend({ job: jobSchema })
  .meta({ id: 'StoredJob' });

export const revisionSchema = z
  .object({
    revision: z.number().int(),
    savedAt: z.string(),
    name: z.string(),
    restoredFrom: z.number().int().nullable(),
  })
  .meta({ id: 'Revision' });

/** A save over a revision that is not the newest: what is there now. */
export const conflictSchema = problemsSchema
  .extend({ current: storedJobSchema })
  .meta({ id: 'Conflict' });

export const jobListSchema = z.object({ jobs: z.array(jobSummarySchema) });
export const revisionListSchema = z.object({ revisions: z.array(revisionSchema) });

export type JobSummary = Readonly<z.output<typeof jobSummarySchema>>;
export type StoredJob = Readonly<z.output<typeof storedJobSchema>>;
export type RevisionSummary = Readonly<z.output<typeof revisionSchema>>;
