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

export const jobListSchema = z.object({ jobs: z.array(jobSummarySchema) });

export type JobSummary = Readonly<z.output<typeof jobSummarySchema>>;
