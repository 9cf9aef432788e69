import { z } from 'zod';
import { length, pitch } from './measures';

export const sheathing = z.strictObject({
  thickness: length(0, 100).optional(),
  /** Of one sheet: its length, which lies along the eave, and its width. */
  sheet: z
    .tuple([length(300, 12_000), length(200, 3000)], {
      error: 'expected a sheet as [length, width]',
    })
    .optional(),
});

/** What the roof is covered with, as far as it is laid out here. */
export const roofing = z.strictObject({
  /** How wide one roofing sheet covers, its lap taken off; none where it is covered with something else. */
  cover: length(100, 5000).optional(),
  /** How far sheets stand out past the tails, along the slope. */
  overhang: length(0, 500).default(50),
  /** The least pitch that the roofing is made for. */
  leastPitch: pitch.optional(),
});
