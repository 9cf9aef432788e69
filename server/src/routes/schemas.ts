import { jobSchema } from '@ogee/core';
import { z } from 'zod';

export const problemsSchema = z
  .object({ problems: z.array(z.object({ code: z.string(), path: z.string(), text: z.string() })) })
  .meta({ id: 'Problems' });

export const summarySchema = z
  .object({
    id: z.string(),
    name: z.string(),
    revision: z.number().int(),
    sample: z.boolean(),
    updatedAt: z.string(),
    deletedAt: z.string().nullable(),
  })
  .meta({ id: 'JobSummary' });

export const storedSchema = summarySchema.extend({ job: jobSchema }).meta({ id: 'StoredJob' });

export const revisionSchema = z
  .object({
    revision: z.number().int(),
    savedAt: z.string(),
    name: z.string(),
    restoredFrom: z.number().int().nullable(),
  })
  .meta({ id: 'Revision' });

export const conflictSchema = problemsSchema
  .extend({ current: storedSchema })
  .meta({ id: 'Conflict' });

export const revisionNumber = z.coerce.number().int().min(1);
export const createBody = z.object({ job: z.unknown() });
export const saveBody = z.object({ revision: revisionNumber, job: z.unknown() });
export const restoreBody = z.object({ revision: revisionNumber });
