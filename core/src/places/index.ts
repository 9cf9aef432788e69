/**
 * The places where timbers are fixed, and what fixes them: one row each. Takes nothing; promises names, in the order
 * they are met as a frame goes up, and what a crew that says nothing else uses there. How many are enough is for the
 * local code and whoever sizes them.
 */
import type { Sentence } from '../sentence';
import { say } from '../sentence';

/** What fixes one timber to another, by generic names; several of them. */
const FIXING_ROWS = {
  nail: { name: say`nails` },
  screw: { name: say`screws` },
  bolt: { name: say`bolts` },
  strap: { name: say`straps` },
  'tie-down': { name: say`tie-downs` },
  hanger: { name: say`hangers, two flanges` },
  'one-flange-hanger': { name: say`hangers, one flange` },
  'post-cap': { name: say`post caps` },
  'post-base': { name: say`post bases` },
} satisfies Readonly<Record<string, { readonly name: Sentence }>>;

export type Fixing = keyof typeof FIXING_ROWS;

export const FIXINGS = Object.keys(FIXING_ROWS) as [Fixing, ...Fixing[]];

export const fixingName = (fixing: Fixing): Sentence => FIXING_ROWS[fixing].name;

interface PlaceRow {
  readonly name: Sentence;
  readonly fixing: Fixing;
  /** How many at one such place; or, for what is fixed all along, how far apart, in round figures of either tape. mm */
  readonly each?: number;
  readonly centres?: { readonly metric: number; readonly imperial: number };
}

/** Two feet, and one. mm */
const TWO_FEET = { metric: 600, imperial: 609.6 } as const;
const ONE_FOOT = { metric: 300, imperial: 304.8 } as const;

const PLACE_ROWS = {
  'plate-on-wall': { name: say`‹plate› on its wall`, fixing: 'screw', centres: TWO_FEET },
  'post-foot': { name: say`‹post›’s foot`, fixing: 'post-base', each: 1 },
  'post-head': { name: say`‹post› under its ‹beam›`, fixing: 'post-cap', each: 1 },
  'ledger-on-wall': { name: say`‹ledger› on its wall`, fixing: 'bolt', centres: TWO_FEET },
  seat: { name: say`rafter or ‹hip› on a ‹plate›`, fixing: 'tie-down', each: 1 },
  'tie-on-plate': { name: say`‹rafter tie› on a ‹plate›`, fixing: 'nail', each: 3 },
  'tie-end': { name: say`‹rafter tie› against its rafter`, fixing: 'screw', each: 3 },
  lap: { name: say`lap of two ‹rafter ties›`, fixing: 'screw', each: 6 },
  'short-joist': {
    name: say`short ‹rafter tie› against the last long one`,
    fixing: 'hanger',
    each: 1,
  },
  'rafter-at-ridge': { name: say`rafter against the ‹ridge›`, fixing: 'nail', each: 3 },
  'rafter-at-beam': {
    name: say`rafter against a ‹ridge› that is a beam`,
    fixing: 'hanger',
    each: 1,
  },
  'rafter-at-line': {
    name: say`rafter against a ‹hip›, a ‹valley› or another rafter`,
    fixing: 'nail',
    each: 3,
  },
  'rafter-over': {
    name: say`rafter over a ‹purlin›, a ‹ledger› or a ‹sleeper›`,
    fixing: 'screw',
    each: 2,
  },
  'rafter-at-ledger': { name: say`rafter against the ‹ledger›`, fixing: 'hanger', each: 1 },
  'rafter-at-header': { name: say`rafter against a ‹header›`, fixing: 'hanger', each: 1 },
  'header-end': { name: say`‹header› between its rafters`, fixing: 'hanger', each: 1 },
  'line-end': {
    name: say`end of a ‹hip›, a ‹valley›, a ‹ridge› or a ‹purlin›`,
    fixing: 'nail',
    each: 4,
  },
  'strut-end': { name: say`‹strut›’s head and foot`, fixing: 'nail', each: 3 },
  scarf: { name: say`scarf`, fixing: 'bolt', each: 4 },
  'collar-end': { name: say`‹collar tie› on its rafter`, fixing: 'screw', each: 3 },
  'sleeper-down': {
    name: say`‹sleeper› through the sheathing`,
    fixing: 'screw',
    centres: ONE_FOOT,
  },
  'stud-end': {
    name: say`head and foot of a ‹gable stud› or ‹cheek stud›`,
    fixing: 'nail',
    each: 3,
  },
  'block-end': { name: say`end of a block`, fixing: 'nail', each: 2 },
  'lookout-end': { name: say`end of a ‹lookout›`, fixing: 'nail', each: 3 },
  'fascia-at-tail': { name: say`‹fascia› on a ‹tail›`, fixing: 'nail', each: 3 },
  'false-tail-on-wall': { name: say`‹false tail› on its wall`, fixing: 'screw', each: 4 },
  'purlin-crossing': { name: say`‹purlin› over a rafter`, fixing: 'screw', each: 1 },
  'purlin-between': { name: say`‹purlin› between rafters`, fixing: 'hanger', each: 1 },
} satisfies Readonly<Record<string, PlaceRow>>;

export type Place = keyof typeof PLACE_ROWS;

export const PLACES: Readonly<Record<Place, PlaceRow>> = PLACE_ROWS;

export const PLACES_IN_ORDER = Object.keys(PLACE_ROWS) as [Place, ...Place[]];

/** What is fixed all along, at centres, rather than so many at each place. */
export const isAlong = (place: Place): boolean => PLACES[place].centres !== undefined;
