import { LISTED_KINDS } from '../kinds';
import { z } from 'zod';

type DeepReadonly<T> = T extends object ? { readonly [K in keyof T]: DeepReadonly<T[K]> } : T;

const stock = z.object({ thickness: z.number(), depth: z.number() });

/** Angles in degrees, as the contract defines them. */
const cut = z.object({
  at: z.enum(['top', 'bottom', 'heel', 'seat', 'tail']),
  name: z.string(),
  faceAngle: z.number(),
  faceTilt: z.number(),
  edgeAngle: z.number(),
  edgeTilt: z.number(),
  square: z.object({ rise: z.number(), run: z.number() }).nullable(),
  /** Of a lip's line on a hip's side: along the purlin from there to the mitre on the hip's middle. mm */
  setBack: z.number().optional(),
});

/** mm, and a share of the depth */
const seat = z.object({
  hap: z.number(),
  width: z.number(),
  plumbDepth: z.number(),
  depthFraction: z.number(),
});

const hands = z.object({
  left: z.number().int(),
  right: z.number().int(),
  plain: z.number().int(),
});

/** mm */
const height = z.object({ top: z.number(), abovePlate: z.number(), fall: z.number() });

/** One line of the cut list. Lengths in mm, angles in degrees. */
const entry = z.object({
  mark: z.string(),
  kind: z.enum(LISTED_KINDS),
  block: z.string(),
  /** The side of the first such piece; null for hips and ridges. */
  side: z.number().int().nullable(),
  count: z.number().int().positive(),
  hands,
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
  seat: seat.nullable(),
  /**
   * Of a rafter that one slope lays over two walls, its notch over the upper one, its heel on that plate's inside face;
   * `apart`: along the slope from heel line to heel line; `tail`: along the top edge from over the wall's outside face to
   * the upper tail's cut. Null for others. mm
   */
  upper: seat.extend({ apart: z.number(), tail: z.number() }).nullable(),
  /**
   * Timber set by height: where the top of each stands, at its lower end: over the main plate's top (z = 0), and over
   * its own block's plate; `fall` is how much higher its other end is. Ridges cut alike can stand at several heights.
   * Null for what is not.
   */
  heights: z.array(height).nullable(),
  /**
   * Ties: where the first one's bottom edge stands, over its plate, and along the rafter's top edge from the heel's plumb
   * line; null for others. mm
   */
  level: z.object({ bottom: z.number(), alongRafter: z.number() }).nullable(),
  /** Purlins with a lip: along the purlin, from the line on the hip's side to the mitre on its middle; null for others. mm */
  setBack: z.number().nullable(),
  drop: z.number().nullable(),
  /** Hips: how far the top is lowered further than its drop asks, plumb. mm */
  lowered: z.number().optional(),
  backing: z.tuple([z.number(), z.number()]).nullable(),
  cuts: z.array(cut),
  /** Ids of the members cut to this line. */
  members: z.array(z.string()),
});

/** Running measurements, one tape each. mm */
const tape = z.object({
  /** What it is set out on: a rafter along its top edge, a roofing sheet down its length. */
  on: z.enum(['plate', 'ridge', 'rafter', 'sheet']),
  /** Whose: a block and its side, `main.0`; of a ridge, its id. */
  of: z.string(),
  /** Where the tape is hooked. */
  from: z.string(),
  /** How long what it lies along is, where it can be read from either end. mm */
  length: z.number().optional(),
  at: z.array(
    z.object({
      mm: z.number(),
      mark: z.string(),
      edge: z.enum(['near', 'far', 'centre']),
      /** From that edge to the other, along the tape. mm */
      wide: z.number().optional(),
    }),
  ),
});

const note = z.object({
  /** What it is about, whatever its words. */
  code: z.string(),
  level: z.enum(['caution', 'note']),
  /** The mark it is about. */
  member: z.string().optional(),
  text: z.string(),
});

/** What was asked for beyond the base frame and is not framed: why, and what would do at which place, where that was asked. */
const withheldPart = z.object({
  code: z.string(),
  path: z.string(),
  text: z.string(),
  /** The marks that it takes pieces from. */
  members: z.array(z.string()).optional(),
  accepted: z.array(z.object({ path: z.string(), value: z.unknown(), text: z.string() })),
});

/** Areas along the slopes, mm²; how sheets are sawn at hips and valleys, degrees; rows from the tails up, mm. */
const sheathing = z.object({
  area: z.number(),
  slopes: z.array(
    z.object({
      block: z.string(),
      side: z.number().int(),
      area: z.number(),
      sheets: z.number().int(),
      rows: z.number().int(),
      lastRow: z.number(),
      edges: z.array(
        z.object({ line: z.enum(['hip', 'valley']), angle: z.number(), tilt: z.number() }),
      ),
    }),
  ),
});

/** The cut list as printed and served: the contract's fields, then ours. Every type of it is inferred from here. */
export const cutListSchema = z.object({
  format: z.literal('ogee-cutlist'),
  version: z.literal(1),
  job: z.string(),
  members: z.array(entry),
  withheld: z.array(withheldPart),
  notes: z.array(note),
  marks: z.array(tape),
  sheathing,
});

export type CutList = DeepReadonly<z.output<typeof cutListSchema>>;
export type CutListEntry = CutList['members'][number];
export type CutEntry = CutListEntry['cuts'][number];
export type RunningMarks = CutList['marks'][number];
export type Hands = CutListEntry['hands'];
export type RidgeHeight = NonNullable<CutListEntry['heights']>[number];
