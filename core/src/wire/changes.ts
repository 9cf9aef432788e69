import { z } from 'zod';

const changeSchema = z.discriminatedUnion('kind', [
  /** A job is new, saved, deleted or brought back. */
  z.object({
    kind: z.literal('job'),
    id: z.string(),
    revision: z.number().int(),
    /** The entry that did it, and the device that it came from, where they are known. */
    entry: z.string().nullable(),
    device: z.string().nullable(),
  }),
  /** A job's log has new lines. */
  z.object({ kind: z.literal('log'), id: z.string() }),
]);

/** What changed after a place in the order of changes. */
export const changesSchema = z
  .object({
    changes: z.array(changeSchema),
    /** The place of the last one: where to ask on from. */
    last: z.string(),
    /** The place that was asked from is not known any more: anything may have changed. */
    missed: z.boolean(),
    /** Which build of the web app the server serves; null where it serves none. */
    build: z.string().nullable(),
  })
  .meta({ id: 'Changes' });

export type Change = Readonly<z.output<typeof changeSchema>>;
export type ChangesPage = Readonly<z.output<typeof changesSchema>>;
