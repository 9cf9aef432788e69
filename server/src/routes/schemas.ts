import { z } from 'zod';

export const revisionNumber = z.coerce.number().int().min(1);
export const restoreBody = z.strictObject({ revision: revisionNumber });
