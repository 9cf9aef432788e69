import { z } from 'zod';

const entryId = z.uuid();
const said = z.string().trim().min(1).max(200);

/** What makes an entry one entry, however often it is sent, and says what it did. */
const entryFields = {
  entry: entryId.optional(),
  said: said.optional(),
  /** What the device is called, as it was typed there, and its own id. */
  by: z.string().trim().max(60).optional(),
  device: z.string().min(8).max(60).optional(),
};

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
  /** Somebody was asked and chose it: the revision that it is saved over is kept for good. */
  settles: z.boolean().optional(),
  ...entryFields,
});

export const labelBodySchema = z.strictObject({ label: z.string().trim().max(80) });
