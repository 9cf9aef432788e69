import { z } from 'zod';
import { logEntrySchema } from '../log';

/** At most so many lines of a log go in one message. */
export const LOG_BATCH = 50;

export const logBodySchema = z.strictObject({
  entries: z.array(logEntrySchema).min(1).max(LOG_BATCH),
});

/** A line of a log with its place in the order in which the server got them, and when that was by the server's clock. */
const loggedSchema = z.object({
  seq: z.number().int(),
  received: z.string(),
  entry: logEntrySchema,
});

/** What came after a place in that order; `more` where that is not all of it yet. */
export const logPageSchema = z
  .object({ entries: z.array(loggedSchema), more: z.boolean() })
  .meta({ id: 'LogPage' });

export type LogPage = Readonly<z.output<typeof logPageSchema>>;
