import { z } from 'zod';
import { length } from './measures';

const every = z.number().int().min(1).max(100);

export const collarTies = z.strictObject({
  /** Of its bottom edge above the plate; or the length of that edge, which settles the height. */
  bottom: z.union(
    [
      length(0, 20_000),
      z.literal('upper-third'),
      z.strictObject({ longPoint: length(200, 20_000) }),
    ],
    { error: 'expected a height above the plate, "upper-third" or {"longPoint": 1800}' },
  ),
  every: every.default(2),
  hold: length(0, 300).default(0),
});

export const rafterTies = z.strictObject({
  every: every.default(1),
  /** On centres of their own, from the first pair on; then `every` is not read. */
  spacing: length(100, 5000).optional(),
  /** What their spacing is counted from: the first pair of rafters, or the end wall's inside face, so that ceiling boards break on them; the pair where none is given. */
  from: z.enum(['rafters', 'wall']).optional(),
  /** In two lengths over a wall half-way: how far each runs past its middle. */
  lap: length(20, 3000).optional(),
  /**
   * Past the ridge, at a hip's end: whole ones between opposite hip jacks, as far as the end's slope leaves them room; short
   * ones square to the others, from the end wall back to the last whole one; or both. None where none is given.
   */
  atHips: z.enum(['none', 'short', 'long', 'both']).optional(),
  /** Blocks between a rafter and the tie beside it, where they do not touch; only said where none is given. */
  spacers: z.boolean().optional(),
});
