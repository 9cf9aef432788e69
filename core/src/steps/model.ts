import type { CutAt, NotchFor } from '../frame';

/**
 * Where a line on a wide face comes to the edge of the board. Along the edges from the hooked (upper) end; on an end
 * down from the top edge. mm
 */
export interface EdgePoint {
  readonly on: 'top edge' | 'bottom edge' | 'upper end' | 'lower end';
  readonly mm: number;
}

/** The square's pair, and the leg that is marked along. */
export interface SquarePair {
  readonly rise: number;
  readonly run: number;
  readonly leg: 'rise' | 'run';
}

/**
 * One straight saw cut through the board, as it is marked on one wide face. Any one of three ways settles the line:
 * `from` with the square, `from` with the degrees, or `from` and `to`; the tilt settles the rest.
 */
export interface SawLine {
  /** The face it is marked on: the one towards you as the board was first laid, or the far one. */
  readonly face: 'near' | 'far';
  readonly from: EdgePoint;
  readonly to: EdgePoint;
  /** From a line square across. Degrees, never negative. */
  readonly angleDeg: number;
  readonly square: SquarePair | null;
  /** At which edge the piece is the shorter for it; null where the line is square across. */
  readonly shortAt: 'top edge' | 'bottom edge' | null;
  /** The saw's tilt, degrees, and towards which end the cut comes out on the other face; null where it is upright. */
  readonly tiltDeg: number;
  readonly leansTo: 'upper end' | 'lower end' | null;
  /** The end that falls off. */
  readonly waste: 'upper end' | 'lower end';
}

/** A point of the board: along from the hooked end, across from the face towards you, down from the top edge. mm */
export interface BoardMark3 {
  readonly alongMm: number;
  readonly acrossMm: number;
  readonly downMm: number;
}

/** What the hands do, one act a step. The board lies crown up, left face towards you, upper end at your left. */
export type SawStep =
  /** Take a board at least so long, of this size. */
  | {
      readonly act: 'take';
      readonly lengthMm: number;
      readonly thicknessMm: number;
      readonly depthMm: number;
    }
  | { readonly act: 'lay' }
  /** Turn it end for end, crown still up: the far face towards you, the upper end at your right. */
  | { readonly act: 'turn' }
  /** `nth` of the `of` cuts that this end has. */
  | {
      readonly act: 'cut';
      readonly cut: number;
      readonly at: CutAt;
      readonly name: string;
      readonly line: SawLine;
      readonly nth: number;
      readonly of: number;
    }
  /**
   * Saw the seat from the bottom edge up to the heel, and the heels down to it: what lies below the seat goes, but for
   * what every heel leaves, or of a housing's two either. No heel: all of it goes. One that opens at the top is sawn from
   * the top edge: what lies above its line goes.
   */
  | {
      readonly act: 'notch';
      readonly for: NotchFor;
      /** Over the upper of two walls. */
      readonly upper: boolean;
      readonly opens: 'bottom' | 'top';
      readonly seat: { readonly cut: number; readonly line: SawLine };
      readonly heels: readonly { readonly cut: number; readonly line: SawLine }[];
      /** Down the first heel's line on its face, from the top edge; null without a heel. mm */
      readonly downMm: number | null;
    }
  /** Plane the top off to the flat that these three marks lie in; only past a line, where there is one. */
  | {
      readonly act: 'plane';
      readonly through: readonly [BoardMark3, BoardMark3, BoardMark3];
      /** Bevel from square, degrees. */
      readonly angleDeg: number;
      /** The face whose corner goes. */
      readonly face: 'near' | 'far';
      /** It runs the whole length, along the middle of the top: a backed hip. */
      readonly backing: boolean;
      readonly past: { readonly line: SawLine; readonly towards: 'upper end' | 'lower end' } | null;
    };
