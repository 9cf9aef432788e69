import { z } from 'zod';

export const problemsSchema = z
  .object({ problems: z.array(z.object({ code: z.string(), path: z.string(), text: z.string() })) })
  .meta({ id: 'Problems' });
