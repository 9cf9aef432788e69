import { z } from 'zod';

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

/** A page of jobs; `next` asks for the one after it, null where it is the last. */
export const jobListSchema = z.object({
  jobs: z.array(jobSummarySchema),
  next: z.string().nullable(),
});

export type JobSummary = Readonly<z.output<typeof jobSummarySchema>>;
