import { z } from 'zod';
import { jobSchema } from '../job';
import { logEntrySchema } from '../log';

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
    /** What the entry did: “Wall 1: 26000 → 27000”. */
    said: z.string().nullable(),
    /** A name that was given to it; a named revision is never thinned out. */
    label: z.string().nullable(),
  })
  .meta({ id: 'Revision' });

/** A save over a revision that is not the newest: what is there now. */
export const conflictSchema = problemsSchema
  .extend({ current: storedJobSchema })
  .meta({ id: 'Conflict' });

const entryId = z.uuid();
const said = z.string().trim().min(1).max(200);

/** What makes an entry one entry, however often it is sent, and says what it did. */
const entryFields = { entry: entryId.optional(), said: said.optional() };

/** A new job; its id may be the sender's own, made before the server was in reach. */
export const createBodySchema = z.strictObject({
  job: z.unknown(),
  id: z.uuid().optional(),
  ...entryFields,
});

/** A save over `revision` and nothing newer. */
export const saveBodySchema = z.strictObject({
  job: z.unknown(),
  revision: z.coerce.number().int().min(1),
  /** The revision that it brings back. */
  restores: z.number().int().min(1).optional(),
  ...entryFields,
});

export const labelBodySchema = z.strictObject({ label: z.string().trim().max(80) });

/** At most so many lines of a log go in one message. */
export const LOG_BATCH = 50;

export const logBodySchema = z.strictObject({
  entries: z.array(logEntrySchema).min(1).max(LOG_BATCH),
});

/** A line of a log with its place in the order in which the server got them. */
const loggedSchema = z.object({ seq: z.number().int(), entry: logEntrySchema });

/** What came after a place in that order; `more` where that is not all of it yet. */
export const logPageSchema = z
  .object({ entries: z.array(loggedSchema), more: z.boolean() })
  .meta({ id: 'LogPage' });

export const jobListSchema = z.object({ jobs: z.array(jobSummarySchema) });
export const revisionListSchema = z.object({ revisions: z.array(revisionSchema) });

export type JobSummary = Readonly<z.output<typeof jobSummarySchema>>;
export type StoredJob = Readonly<z.output<typeof storedJobSchema>>;
export type RevisionSummary = Readonly<z.output<typeof revisionSchema>>;
export type LogPage = Readonly<z.output<typeof logPageSchema>>;
