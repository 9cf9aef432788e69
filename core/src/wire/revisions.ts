import { z } from 'zod';

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

export const revisionListSchema = z.object({ revisions: z.array(revisionSchema) });

export type RevisionSummary = Readonly<z.output<typeof revisionSchema>>;
