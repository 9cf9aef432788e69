import { z } from 'zod';

const stock = z.object({ thickness: z.number(), depth: z.number() });

/** The cut list as printed and served: the contract's fields, then ours. */
export const cutListSchema = z.object({
  format: z.literal('ogee-cutlist'),
  version: z.literal(1),
  job: z.string(),
  members: z.array(
    z.object({
      mark: z.string(),
      kind: z.string(),
      block: z.string(),
      side: z.number().int().nullable(),
      count: z.number().int().positive(),
      hands: z.object({ left: z.number().int(), right: z.number().int(), plain: z.number().int() }),
      stock,
      slope: z.number(),
      plan: z.tuple([z.number(), z.number()]).nullable(),
      length: z.object({
        theory: z.number(),
        body: z.number(),
        longPoint: z.number(),
        shortPoint: z.number(),
        tail: z.number(),
        blank: z.number(),
      }),
      seat: z
        .object({
          hap: z.number(),
          width: z.number(),
          plumbDepth: z.number(),
          depthFraction: z.number(),
        })
        .nullable(),
      heights: z
        .array(z.object({ top: z.number(), abovePlate: z.number(), fall: z.number() }))
        .nullable(),
      drop: z.number().nullable(),
      backing: z.tuple([z.number(), z.number()]).nullable(),
      cuts: z.array(
        z.object({
          at: z.enum(['top', 'bottom', 'heel', 'seat', 'tail']),
          name: z.string(),
          faceAngle: z.number(),
          faceTilt: z.number(),
          edgeAngle: z.number(),
          edgeTilt: z.number(),
          square: z.object({ rise: z.number(), run: z.number() }).nullable(),
        }),
      ),
      members: z.array(z.string()),
    }),
  ),
  notes: z.array(
    z.object({
      code: z.string(),
      level: z.enum(['caution', 'note']),
      member: z.string().optional(),
      text: z.string(),
    }),
  ),
});
