import { z } from 'zod';
import { FIXINGS, PLACES_IN_ORDER } from '../places';
import { parseLength, parsePitch } from '../units';
import { JOB_VERSION } from './migrations';

/** A length in a file: millimetres as a number, or text with its unit. Comes out as millimetres. */
const length = (min: number, max: number) =>
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

const MAX_PLAN_MM = 200_000;
const LOWEST_PITCH_DEG = 2;
const STEEPEST_PITCH_DEG = 80;

const slopeInRange = (rad: number): boolean =>
  rad >= (LOWEST_PITCH_DEG * Math.PI) / 180 && rad <= (STEEPEST_PITCH_DEG * Math.PI) / 180;
const PITCH_RANGE = `accepted is ${LOWEST_PITCH_DEG}° to ${STEEPEST_PITCH_DEG}°`;

const pitch = z.union(
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

const stock = z.strictObject({
  thickness: length(10, 400),
  depth: length(20, 1500),
  /** The longest board of it that can be had. */
  longest: length(600, 30_000).optional(),
});
const overhang = length(0, 3000);

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
    z.strictObject({ roof: z.literal('open') }),
  ],
  { error: 'expected "roof" to be "eave", "gable", "wall" or "open"' },
);

const point = z.tuple([length(-MAX_PLAN_MM, MAX_PLAN_MM), length(-MAX_PLAN_MM, MAX_PLAN_MM)], {
  error: 'expected a corner as [x, y]',
});

const block = z.strictObject({
  id: z.string().min(1).max(40),
  outline: z
    .array(point)
    .min(3, 'an outline needs 3 to 12 corners')
    .max(12, 'an outline needs 3 to 12 corners'),
  plate: length(-20_000, 20_000).default(0),
  sides: z.array(side).max(12, 'an outline has 3 to 12 sides'),
  join: z.enum(['framed', 'laid-on']).default('framed'),
  /** It stands already: its planes are given, and nothing of it is framed. */
  existing: z.boolean().optional(),
});

const seat = z.union(
  [
    z.strictObject({ hap: length(1, 1500) }),
    z.strictObject({ width: length(1, 1000) }),
    z.strictObject({ depthFraction: z.number().gt(0).lt(0.9) }),
  ],
  {
    error:
      'expected one of {"hap": 110}, {"width": 89} or {"depthFraction": 0.25} (over 0, under 0.9)',
  },
);

const framing = z.strictObject({
  spacing: length(100, 3000),
  layout: z.enum(['ridge', 'corner']).default('ridge'),
  seat,
  tail: z.enum(['plumb', 'square']).default('plumb'),
  hipTop: z.enum(['drop', 'back', 'none']).default('drop'),
  hipAtRidge: z.enum(['to-commons', 'to-ridge']).default('to-commons'),
  valleys: z.enum(['supported', 'to-ridge-end']).default('supported'),
  levelFascia: z.enum(['vary-overhang', 'raise-plate']).optional(),
  shortestJack: length(0, 5000).default(200),
  /** How many times a timber's depth a scarf is long, where a ridge or a purlin is longer than its timber; 3 where none is given. */
  scarf: z.union([z.literal(3), z.literal(5)]).optional(),
  /** How a scarf ends: run out to feather edges, or on square abutments; feathered where none is given. */
  scarfEnds: z.enum(['feathered', 'square']).optional(),
  /** How studs stand in a gable: flat under its rafter, or on edge and notched round it; flat where none is given. */
  gableStuds: z.enum(['flat', 'notched']).optional(),
  /** How rafters end on a ledger: square against it in hangers, or over it with a birdsmouth; in hangers where none is given. */
  atLedger: z.enum(['hanger', 'birdsmouth']).optional(),
  /** How lookouts carry a barge: butted against the gable's rafter, or laid in through its top to the next; butted where none is given. */
  lookouts: z.enum(['butted', 'laid-in']).optional(),
  /** Something outside the wall that the rafters' undersides have to clear, a bolt's head say. */
  obstruction: z
    .strictObject({
      /** Plan distance of its outer side from the plate's outside face. */
      out: length(0, 3000),
      /** How far its top stands below the plate's top. */
      below: length(-1500, 3000),
    })
    .optional(),
  /** A window under the eave: how far its head stands below the plate's top. */
  windowHead: length(0, 5000).optional(),
  /** What stands may differ from the plan by so much before it is said; 3 mm where none is given. */
  tolerance: length(0, 100).optional(),
  /** How the crew marks an angle; by the pitch's own way where none is given. */
  angles: z.enum(['square', 'degrees', 'two-readings']).optional(),
});

const timber = z.strictObject({
  common: stock,
  hip: stock.optional(),
  valley: stock.optional(),
  ridge: stock.optional(),
  purlin: stock.optional(),
  collarTie: stock.optional(),
  rafterTie: stock.optional(),
  fascia: stock.optional(),
  /** Given, gables that the roof hangs over have barges on a ladder of lookouts. */
  barge: stock.optional(),
  lookout: stock.optional(),
  strut: stock.optional(),
  /** Given, rafters that lean against a wall end on a ledger. */
  ledger: stock.optional(),
  /** What stands in the cheeks of dormers; the commons' thickness and the plates' width where none is given. */
  cheekStud: stock.optional(),
  /** Given, studs stand in the gables, from the wall up to the rafters. */
  gableStud: stock.optional(),
  /** Given, what is laid on another roof stands on sleepers along its chalk lines; else on the sheathing itself. */
  sleeper: stock.optional(),
  /** What carries an eave's plate where no wall does. */
  beam: stock.optional(),
  post: stock.optional(),
  /** What stands beside an opening, and across it; the commons' size where none is given. */
  trimmer: stock.optional(),
  /** Given, boards lie flat along the inside of plates that run beside the rafter ties, for the ceiling's edge. */
  backing: stock.optional(),
  /** Given, blocks stand between the rafters along the eaves, ripped from it to their depth. */
  blocking: stock.optional(),
  plateWidth: length(30, 1000).optional(),
  /** How thick the wall plates are; 38 mm where none is given. */
  plateThickness: length(10, 400).optional(),
  sheathing: length(0, 100).default(0),
});

const display = z.strictObject({
  units: z.enum(['imperial', 'metric']).default('metric'),
  fraction: z
    .union([z.literal(2), z.literal(4), z.literal(8), z.literal(16), z.literal(32), z.literal(64)])
    .default(16),
  pitch: z.enum(['in12', 'degrees']).default('in12'),
  terms: z.enum(['us', 'uk']).default('us'),
});

const purlin = z.strictObject({
  block: z.string(),
  side: z.number().int().min(0),
  /** Of its reference line from the plate's outside face, plan: a share of the side's run, or a distance. */
  at: z.union([z.number().gt(0).lt(1), z.strictObject({ distance: length(1, 100_000) })], {
    error: 'expected a share of the run over 0 and under 1, or {"distance": 1500}',
  }),
  set: z.enum(['canted', 'plumb']).default('canted'),
  /** Set plumb: its top bevelled to the slope, or square, with every rafter notched over it; bevelled where none is given. */
  top: z.enum(['bevelled', 'square']).optional(),
  /** Struts from its underside down to a bearing wall that runs along this side. */
  struts: z
    .strictObject({
      /** Plan distance of the middle of that wall from the plate's outside face. */
      foot: length(1, 100_000),
      /** Of the wall's top above the plate; 0 where none is given. */
      level: length(-20_000, 20_000).optional(),
      /** The furthest they stand apart, and from the purlin's ends. */
      spacing: length(300, 20_000),
    })
    .optional(),
});

/** Purlins or battens over the rafters, or dropped in between them. */
const roofPurlins = z.strictObject({
  block: z.string(),
  /** Every eave side of the block where none is given. */
  side: z.number().int().min(0).optional(),
  stock,
  /** On centres, along the slope. */
  spacing: length(50, 5000),
  /** Along the slope, from the tail's top corner to the middle of the first. */
  first: length(0, 5000),
  /** Along the slope, from the top down to the middle of the highest. */
  last: length(0, 5000),
  set: z.enum(['over', 'between']).default('over'),
  /** What the job's roof planes are: the tops of these, or of the rafters. */
  planes: z.enum(['tops', 'rafters']).default('rafters'),
});

const every = z.number().int().min(1).max(100);

const collarTies = z.strictObject({
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

const rafterTies = z.strictObject({
  every: every.default(1),
  /** On centres of their own, from the first pair on; then `every` is not read. */
  spacing: length(100, 5000).optional(),
  /** In two lengths over a wall half-way: how far each runs past its middle. */
  lap: length(20, 3000).optional(),
  /** Past the last whole one, at a hip's end: short ones square to the others, from the end wall back to it; none where none is given. */
  atHips: z.enum(['none', 'short']).optional(),
  /** Blocks between a rafter and the tie beside it, where they do not touch; only said where none is given. */
  spacers: z.boolean().optional(),
});

/** From a side's start corner along its plate, or up from its outside face in plan: where it starts and where it ends. */
const stretch = (most: number) =>
  z
    .tuple([length(0, most), length(0, most)], { error: 'expected two lengths as [from, to]' })
    .refine(([from, to]) => to - from >= LEAST_OPENING_MM, {
      error: `accepted is an opening of at least ${LEAST_OPENING_MM} mm each way, the smaller figure first`,
    });

/** A hole smaller than this is cut between the rafters. */
const LEAST_OPENING_MM = 100;

/** A hole in a slope: for a chimney, a roof window, a hatch. */
const opening = z.strictObject({
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
const saddle = z.strictObject({
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
});

/** A dormer on an eave's slope: a small roof laid on the sheathing there, over an opening, on cheeks of its own. */
const dormer = z.strictObject({
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

const sheathing = z.strictObject({
  thickness: length(0, 100).optional(),
  /** Of one sheet: its length, which lies along the eave, and its width. */
  sheet: z
    .tuple([length(300, 12_000), length(200, 3000)], {
      error: 'expected a sheet as [length, width]',
    })
    .optional(),
});

/** What the roof is covered with, as far as it is laid out here. */
const roofing = z.strictObject({
  /** How wide one roofing sheet covers, its lap taken off; none where it is covered with something else. */
  cover: length(100, 5000).optional(),
  /** How far sheets stand out past the tails, along the slope. */
  overhang: length(0, 500).default(50),
  /** The least pitch that the roofing is made for. */
  leastPitch: pitch.optional(),
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
export type PitchBreak = z.output<typeof pitchBreak>;
export type Stock = z.output<typeof stock>;
