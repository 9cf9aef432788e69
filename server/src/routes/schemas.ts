import { z } from 'zod';
import { PAGE, type JobPlace } from '../store/jobs';

export const revisionNumber = z.coerce.number().int().min(1);
export const restoreBody = z.strictObject({ revision: revisionNumber });
export const logPlace = z.object({ after: z.coerce.number().int().min(0).default(0) });
export const changesPlace = z.object({ after: z.string().max(60).optional() });

const limit = z.coerce.number().int().min(1).max(PAGE).default(PAGE);

/** A place in the list of jobs as text, to be given back as it is. */
export const placeText = (place: JobPlace): string =>
  Buffer.from(JSON.stringify(place)).toString('base64url');

const placeSchema = z.strictObject({ updatedAt: z.string(), id: z.string() });

const jobPlace = z.string().transform((text, context): JobPlace => {
  try {
    return placeSchema.parse(JSON.parse(Buffer.from(text, 'base64url').toString()));
  } catch {
    context.addIssue('this is not a place that this server gave');
    return z.NEVER;
  }
});

export const jobsPlace = z.object({
  deleted: z.string().optional(),
  after: jobPlace.nullable().default(null),
  limit,
});

export const revisionsPlace = z.object({ before: revisionNumber.nullable().default(null), limit });
