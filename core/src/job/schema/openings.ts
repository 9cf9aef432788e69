import { z } from 'zod';
import { length, overhang, pitch, stock } from './measures';

/** From a side's start corner along its plate, or up from its outside face in plan: where it starts and where it ends. */
const stretch = (most: number) =>
  z
    .tuple([length(0, most), length(0, most)], { error: 'expected two lengths as [from, to]' })
    .refine(([from, to]) => to - from >= LEAST_OPENING_MM, {
      error: `accepted is an opening of at least ${LEAST_OPENING_MM} mm each way, the smaller figure first`,
    });

/** A hole smaller than this is cut between the rafters. */
const LEAST_OPENING_MM = 100;

/** By which it is known wherever it stands in the list; numbered when it is read without one. */
const id = z.string().min(1).max(60).optional();

/** A hole in a slope: for a chimney, a roof window, a hatch. */
export const opening = z.strictObject({
  id,
  name: z.string().trim().min(1, 'an opening needs a name').max(40),
  block: z.string(),
  side: z.number().int().min(0),
  along: stretch(100_000),
  up: stretch(100_000),
  /** What is kept clear of timber all round it. */
  clearance: length(0, 1000).default(0),
  /** Two trimmers at each side and two headers at each end. */
  doubled: z.boolean().optional(),
});

/** A small roof behind a chimney, or on either slope of a valley between two roofs, to throw the water past. */
export const saddle = z.strictObject({
  id,
  block: z.string(),
  side: z.number().int().min(0),
  /** The chimney's back, along the wall from its start. */
  along: stretch(100_000),
  /** How far in it stands, plan, from the plate's outside face; negative outside it, where a valley lies there. */
  at: length(-10_000, 100_000),
  /** The side's own where none is given. */
  pitch: pitch.optional(),
  /** Of what covers it, by which it is framed narrower at each side; the job's where none is given. */
  sheathing: length(0, 100).optional(),
  /** Its own timber, rafters and ridge; the commons' and the ridge's sizes where none is given. */
  stock: stock.optional(),
});

/** A dormer on an eave's slope: a small roof laid on the sheathing there, over an opening, on cheeks of its own. */
export const dormer = z.strictObject({
  id,
  block: z.string(),
  side: z.number().int().min(0),
  /** The outside faces of its cheeks, along the wall from its start. */
  along: stretch(100_000),
  /** Of its front wall's outside face from the plate's outside face, plan. */
  face: length(0, 100_000),
  /** Of its own plate's top above the plate that its slope stands on. */
  plate: length(300, 20_000),
  roof: z.enum(['gable', 'shed']),
  /** Of a gable's two slopes, the side's own where none is given; or of a shed's one, where `top` is not. */
  pitch: pitch.optional(),
  /** A shed's: where its rafters come down on the lower slope, plan from the plate's outside face. Then its pitch falls out. */
  top: length(1, 100_000).optional(),
  /** Past its own walls: at its eaves, and at its gables. */
  overhang: overhang.default(0),
  rake: overhang.default(0),
});
