import { z } from 'zod';
import { length, overhang, pitch } from './measures';

const MAX_PLAN_MM = 200_000;

/** Where the roof of a side breaks into another pitch, from the eave up. */
const pitchBreak = z.strictObject({
  /** Plan distance of the break from the plate's outside face. */
  at: length(1, 100_000),
  /** The pitch above it. */
  pitch,
});

const side = z.discriminatedUnion(
  'roof',
  [
    z.strictObject({
      roof: z.literal('eave'),
      pitch,
      overhang: overhang.default(0),
      /** How far this side's plate stands above the block's: the wall under a half-hip. */
      raise: length(0, 20_000).optional(),
      /** Its pitch changes here; `pitch` is the one at the plate. */
      breaks: z.array(pitchBreak).min(1).max(4).optional(),
      /** Its plate lies on a beam, and that on posts. */
      posts: z
        .strictObject({
          /** Of the plate's top above the ground, or whatever the posts stand on. */
          height: length(300, 20_000),
          /** The furthest they stand apart, on centre. */
          spacing: length(300, 20_000),
        })
        .optional(),
      /** A small gable above this hip: how far in from the plate's outside face it stands, plan. */
      gablet: z.strictObject({ at: length(300, 100_000) }).optional(),
    }),
    z.strictObject({ roof: z.literal('gable'), overhang: overhang.default(0) }),
    z.strictObject({ roof: z.literal('wall') }),
    /** The upper of two walls under one slope: its rafters are seated on it too, and run on over it. */
    z.strictObject({
      roof: z.literal('high'),
      overhang: overhang.default(0),
      /** How far its plate stands above the block's; where it is not given, so far that both notches are alike. */
      raise: length(0, 30_000).optional(),
    }),
    z.strictObject({ roof: z.literal('open') }),
  ],
  { error: 'expected "roof" to be "eave", "high", "gable", "wall" or "open"' },
);

const point = z.tuple([length(-MAX_PLAN_MM, MAX_PLAN_MM), length(-MAX_PLAN_MM, MAX_PLAN_MM)], {
  error: 'expected a corner as [x, y]',
});

export const block = z.strictObject({
  id: z.string().min(1).max(40),
  outline: z
    .array(point)
    .min(3, 'an outline needs 3 to 12 corners')
    .max(12, 'an outline needs 3 to 12 corners'),
  plate: length(-20_000, 20_000).default(0),
  sides: z.array(side).max(12, 'an outline has 3 to 12 sides'),
  /** Its ridge is a beam: rafters hang on it, and posts carry it down. */
  ridgeBeam: z
    .strictObject({
      /** The furthest its posts stand apart, on centre. */
      spacing: length(300, 20_000),
      /** Of what they stand on above the block's plate; 0 where none is given. Those in a gable stand on its plate. */
      foot: length(-20_000, 20_000).optional(),
    })
    .optional(),
  join: z.enum(['framed', 'laid-on']).default('framed'),
  /** It stands already: its planes are given, and nothing of it is framed. */
  existing: z.boolean().optional(),
});

export type PitchBreak = z.output<typeof pitchBreak>;
