import { z } from 'zod';
import { LISTED_KINDS } from '../kinds';

/** A corner of what is left of a face: along the board from its hooked end, and down from its top edge. mm */
const corner = z.tuple([z.number(), z.number()]);
const loops = z.array(z.array(corner).min(3).max(60)).max(40);

/** What a piece was really sawn to: it is known by this, whatever mark it had that day. */
export const sawnSchema = z.strictObject({
  /** The mark that it bore when it was sawn. */
  mark: z.string().min(1).max(40),
  kind: z.enum(LISTED_KINDS),
  hand: z.enum(['left', 'right', 'plain']),
  /** The first member of the line that it was sawn for. */
  member: z.string().max(200),
  stock: z.strictObject({ thickness: z.number(), depth: z.number() }),
  longPoint: z.number(),
  /** What is kept of its left and of its right face: convex loops. */
  left: loops,
  right: loops,
});

const written = {
  /** Made on the device, so that an entry sent twice is one. */
  id: z.uuid(),
  at: z.iso.datetime(),
  /** Who; empty where nobody has said. */
  by: z.string().trim().max(60),
};

/** What a reading comes from. */
export const SOURCES = ['typed', 'laser', 'level'] as const;

export const CAUSES = [
  'span',
  'wall-bowed',
  'ridge-height',
  'ridge-pushed',
  'plate-height',
  'ridge-thickness',
  'length',
  'hap',
  'purlin-height',
  'complement',
  'square-17-for-12',
  'square-12-for-17',
] as const;

const tick = z.strictObject({
  ...written,
  kind: z.literal('tick'),
  sawn: sawnSchema,
  count: z.number().int().min(1).max(999),
  /** The piece that the others are traced from. */
  pattern: z.boolean(),
  /** The revision of the job that it was sawn from; or the entry that made it, where the server had not counted it yet. */
  from: z.union([z.number().int().min(1), z.uuid()]).optional(),
});

const undo = z.strictObject({ ...written, kind: z.literal('undo'), of: z.uuid() });

const measurement = z.strictObject({
  ...written,
  kind: z.literal('measurement'),
  /** What was measured, in words, and the job's own field where it is one. */
  what: z.string().trim().min(1).max(200),
  path: z.string().max(200).nullable(),
  /** mm or degrees */
  value: z.number(),
  unit: z.enum(['mm', 'deg']),
  planned: z.number().nullable(),
  source: z.enum(SOURCES),
});

const correction = z.strictObject({
  ...written,
  kind: z.literal('correction'),
  /** What was changed: “Wall 1: 26000 → 26006”. */
  said: z.string().trim().min(1).max(300),
  /** Why. */
  reason: z.string().trim().min(1).max(500),
});

const test = z.strictObject({
  ...written,
  kind: z.literal('test'),
  mark: z.string().min(1).max(40),
  held: z.enum(['seated', 'at-top']),
  /** What was seen, by its name. mm */
  seen: z.record(z.string().max(40), z.number()),
  /** Whether its like show the same; null where nobody looked. */
  others: z.enum(['all', 'here', 'opposite']).nullable(),
  /** The causes as they were ranked, the likeliest first. */
  causes: z.array(z.strictObject({ cause: z.enum(CAUSES), by: z.number().nullable() })).max(20),
});

const note = z.strictObject({
  ...written,
  kind: z.literal('note'),
  text: z.string().trim().min(1).max(2000),
});

/** One line of a job's log. Never changed and never deleted: what was wrong is taken back by a line of its own. */
export const logEntrySchema = z
  .discriminatedUnion('kind', [tick, undo, measurement, correction, test, note])
  .meta({ id: 'LogEntry' });

type Written<T extends z.ZodType> = Readonly<z.output<T>>;
export type LogEntry = Written<typeof logEntrySchema>;
export type LogKind = LogEntry['kind'];
export const LOG_KINDS: readonly LogKind[] = [
  'tick',
  'undo',
  'measurement',
  'correction',
  'test',
  'note',
];
export type SawnPiece = Written<typeof sawnSchema>;
export type Tick = Written<typeof tick>;
export type Measurement = Written<typeof measurement>;
export type Source = (typeof SOURCES)[number];
export type Cause = (typeof CAUSES)[number];
