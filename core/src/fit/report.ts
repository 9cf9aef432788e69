import type { Vec3 } from '../geom';
import type { Kind } from '../kinds';
import type { Sentence } from '../sentence';

/**
 * What can be wrong with a frame:
 *
 *   gap        a sawn face stands off the face it should meet
 *   overlap    two solids share wood
 *   proud      a top stands above the roof
 *   low        a top lies below the roof
 *   loose      an end bears on nothing, or on too little
 *   floating   no path of bearings leads to a plate or a wall
 *   missing    a line of the roof without its timber, a bare strip, an eave without its fascia
 *   misplaced  a timber off the layout, off the lines, or a tail off its overhang
 */
export type FindingKind =
  | 'gap'
  | 'overlap'
  | 'proud'
  | 'low'
  | 'loose'
  | 'floating'
  | 'missing'
  | 'misplaced';

/** One thing that is wrong, with its place. */
export interface FitProblem {
  /** Marks of the two; `plate`, `wall`, `roof` or `layout` for what is no member. */
  readonly members: readonly [string, string];
  /** Ids of the members themselves, so that a drawing can show where. */
  readonly ids: readonly string[];
  readonly kind: FindingKind;
  /** Where, in the world. mm */
  readonly at: Vec3;
  readonly mm?: number;
  readonly mm3?: number;
  readonly text: Sentence;
  /** Of something missing: the kinds that are wanted there, and the wall that they are wanted at. */
  readonly wanted?: readonly Kind[];
  readonly on?: { readonly block: string; readonly side: number };
}

/** A timber on its plate. */
export interface SeatBearing {
  readonly id: string;
  readonly mark: string;
  readonly areaMm2: number;
  /** Level, along the timber, where it is narrowest across the thickness. mm */
  readonly widthMm: number;
}

/** A place where the crew's shortest jack leaves a strip wider than the spacing. */
export interface ShortJack {
  readonly at: Vec3;
  /** How wide the strip is. mm */
  readonly mm: number;
}

/** The contract's dry-fit report and what was proved. mm, mm² and mm³. */
export interface FitReport {
  readonly format: 'ogee-fit';
  readonly version: 1;
  readonly joints: number;
  readonly worstGap: number;
  readonly worstOverlap: number;
  /** Boards from which a path of bearings leads to a plate or a wall. */
  readonly carried: number;
  readonly boards: number;
  /** The widest strip of roof between neighbours, on centres. mm */
  readonly widestStrip: number;
  readonly seats: readonly SeatBearing[];
  /** The narrowest of them; null where nothing stands on a plate. mm */
  readonly leastBearing: number | null;
  readonly shortJacks: readonly ShortJack[];
  readonly problems: readonly FitProblem[];
}
