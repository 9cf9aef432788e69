import { z } from 'zod';
import { parseLength, parsePitch } from '../../units';

/** A length in a file: millimetres as a number, or text with its unit. Comes out as millimetres. */
export const length = (min: number, max: number) =>
  z
    .union([z.number(), z.string().max(60)], {
      error: `expected millimetres as a number, or a length such as "24' 6 1/2\\"" or "7.2 m"`,
    })
    .transform((value, context): number => {
      const reading =
        typeof value === 'number' ? { ok: true as const, mm: value } : parseLength(value, 'mm');
      if (!reading.ok) {
        context.addIssue({ code: 'custom', message: reading.text });
        return z.NEVER;
      }
      if (!(reading.mm >= min && reading.mm <= max)) {
        context.addIssue({
          code: 'custom',
          message: `${Number(reading.mm.toFixed(3))} mm is out of range; accepted is ${min} to ${max} mm`,
        });
        return z.NEVER;
      }
      return reading.mm;
    })
    .pipe(z.number());

const LOWEST_PITCH_DEG = 2;
const STEEPEST_PITCH_DEG = 80;

const slopeInRange = (rad: number): boolean =>
  rad >= (LOWEST_PITCH_DEG * Math.PI) / 180 && rad <= (STEEPEST_PITCH_DEG * Math.PI) / 180;
const PITCH_RANGE = `accepted is ${LOWEST_PITCH_DEG}° to ${STEEPEST_PITCH_DEG}°`;

export const pitch = z.union(
  [
    z.string().superRefine((text, context) => {
      const reading = parsePitch(text);
      if (!reading.ok) context.addIssue({ code: 'custom', message: reading.text });
      else if (!slopeInRange(reading.rad)) {
        context.addIssue({ code: 'custom', message: `"${text}" is out of range; ${PITCH_RANGE}` });
      }
    }),
    z
      .strictObject({ rise: z.number().positive(), run: z.number().positive() })
      .refine((value) => slopeInRange(Math.atan2(value.rise, value.run)), { error: PITCH_RANGE }),
  ],
  { error: 'expected a pitch such as "9/12", "35°" or {"rise": 9, "run": 12}' },
);

export const stock = z.strictObject({
  thickness: length(10, 400),
  depth: length(20, 1500),
  /** The longest board of it that can be had. */
  longest: length(600, 30_000).optional(),
});
export const overhang = length(0, 3000);

export type Stock = z.output<typeof stock>;
