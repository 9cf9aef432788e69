import { parseArgs } from 'node:util';
import { z } from 'zod';

const settingsSchema = z.object({
  port: z.coerce.number().int().min(0).max(65_535),
  host: z.string().min(1),
  data: z.string().min(1),
  web: z.string().nullable(),
  samples: z.boolean(),
  /** File for the request log; null is standard error. */
  log: z.string().min(1).nullable(),
  /** Names that this server answers to, beside the loopback's and the one it listens on. */
  names: z.array(z.string().min(1)),
});

export type Settings = z.output<typeof settingsSchema>;

/** Reads the server's flags. Throws with a plain sentence when one is off. */
export const readSettings = (words: readonly string[]): Settings => {
  const { values } = parseArgs({
    args: [...words],
    options: {
      port: { type: 'string', default: '8417' },
      host: { type: 'string', default: '127.0.0.1' },
      data: { type: 'string', default: '.data' },
      web: { type: 'string' },
      samples: { type: 'boolean', default: false },
      log: { type: 'string' },
      name: { type: 'string', multiple: true, default: [] },
    },
  });
  const parsed = settingsSchema.safeParse({
    ...values,
    web: values.web ?? null,
    log: values.log ?? null,
    names: values.name,
  });
  if (parsed.success) return parsed.data;
  const [issue] = parsed.error.issues;
  throw new Error(`--${issue?.path.join('.') ?? ''}: ${issue?.message ?? 'off'}`);
};
