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
    /** What the device that it came from was called then, and that device's own id. */
    by: z.string().nullable(),
    device: z.string().nullable(),
    /** It is kept for good because it was put aside in a conflict, or sawn from. */
    keptFor: z.enum(['conflict', 'sawn']).nullable(),
  })
  .meta({ id: 'Revision' });

/** A page of revisions, newest first; `next` asks for those before it, null where it is the last. */
export const revisionListSchema = z.object({
  revisions: z.array(revisionSchema),
  next: z.number().int().nullable(),
});

export type RevisionSummary = Readonly<z.output<typeof revisionSchema>>;
