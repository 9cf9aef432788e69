import { z } from 'zod';

export const revisionNumber = z.coerce.number().int().min(1);
export const restoreBody = z.strictObject({ revision: revisionNumber });
export const logPlace = z.object({ after: z.coerce.number().int().min(0).default(0) });
