import { z } from 'zod';
import { FIXINGS, PLACES_IN_ORDER } from '../../places';
import { JOB_VERSION } from '../migrations';
import { MADE_WITH, MADE_WITH_PATTERN } from '../migrations/made-with';
import { block } from './block';
import { roofing, sheathing } from './covering';
import { framing } from './framing';
import { length } from './measures';
import { dormer, opening, saddle } from './openings';
import { hipBrace, purlin, roofPurlins } from './purlins';
import { collarTies, rafterTies } from './ties';
import { timber } from './timber';

const display = z.strictObject({
  units: z.enum(['imperial', 'metric']).default('metric'),
  fraction: z
    .union([z.literal(2), z.literal(4), z.literal(8), z.literal(16), z.literal(32), z.literal(64)])
    .default(16),
  pitch: z.enum(['in12', 'degrees']).default('in12'),
  terms: z.enum(['us', 'uk']).default('us'),
});

/** How a crew fixes one sort of place, where it is not as the catalogue says. */
const fixingRule = z.strictObject({
  place: z.enum(PLACES_IN_ORDER, {
    error: `expected a place, one of ${PLACES_IN_ORDER.join(', ')}`,
  }),
  fixing: z.enum(FIXINGS, { error: `expected a fixing, one of ${FIXINGS.join(', ')}` }),
  /** How many at each such place, none for what is not fixed there; of what is fixed all along, how far apart. */
  each: z.number().int().min(0).max(50).optional(),
  centres: length(20, 5000).optional(),
});

/** The contract's job file, whole. Types are inferred from it; nothing else defines what a job is. */
export const jobSchema = z.strictObject({
  format: z.literal('ogee-job'),
  version: z.literal(JOB_VERSION),
  /** The newest Ogee that has written it: what an older one does not know is that one's. */
  madeWith: z
    .string()
    .regex(MADE_WITH_PATTERN, 'expected three numbers, "0.1.0"')
    .default(MADE_WITH),
  name: z.string().trim().min(1, 'a job needs a name').max(120, 'a name has at most 120 letters'),
  /** What a person should know about the job, in their own words. */
  about: z.string().max(2000).optional(),
  display: display.prefault({}),
  timber,
  framing,
  /** The furthest the crew's saw tilts, degrees. */
  saw: z.strictObject({ maxTilt: z.number().min(0).max(90).default(50) }).prefault({}),
  blocks: z.array(block).min(1, 'a job needs at least one block').max(40),
  purlins: z.array(purlin).max(200).default([]),
  roofPurlins: z.array(roofPurlins).max(200).default([]),
  hipBraces: z.array(hipBrace).max(40).optional(),
  collarTies: collarTies.optional(),
  rafterTies: rafterTies.optional(),
  openings: z.array(opening).max(40, 'a job has at most 40 openings').default([]),
  saddles: z.array(saddle).max(40, 'a job has at most 40 saddles').default([]),
  dormers: z.array(dormer).max(40, 'a job has at most 40 dormers').default([]),
  sheathing: sheathing.optional(),
  roofing: roofing.optional(),
  /** Each place at most once. */
  fixings: z.array(fixingRule).max(40).default([]),
});

export type Job = z.output<typeof jobSchema>;
export type JobInput = z.input<typeof jobSchema>;
export type Block = Job['blocks'][number];
export type Side = Block['sides'][number];
export type { PitchBreak } from './block';
export type { Stock } from './measures';
