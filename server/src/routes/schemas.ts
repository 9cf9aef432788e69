import { z } from 'zod';

export const revisionNumber = z.coerce.number().int().min(1);
export const createBody = z.object({ job: z.unknown() });
export const saveBody = z.object({ revision: revisionNumber, job: z.unknown() });
export const restoreBody = z.object({ revision: revisionNumber });
