import type { CutAt, Kind } from '../frame';
import type { Stock } from '../job';

export interface Hands {
  readonly left: number;
  readonly right: number;
  readonly plain: number;
}

/** mm */
export interface RidgeHeight {
  readonly top: number;
  readonly abovePlate: number;
  readonly fall: number;
}

/** Angles in degrees, as the contract defines them. */
export interface CutEntry {
  readonly at: CutAt;
  readonly name: string;
  readonly faceAngle: number;
  readonly faceTilt: number;
  readonly edgeAngle: number;
  readonly edgeTilt: number;
  readonly square: { readonly rise: number; readonly run: number } | null;
}

/** One line of the cut list. Lengths in mm, angles in degrees. */
export interface CutListEntry {
  readonly mark: string;
  readonly kind: Kind;
  readonly block: string;
  /** The side of the first such piece; null for hips and ridges. */
  readonly side: number | null;
  readonly count: number;
  readonly hands: Hands;
  readonly stock: Stock;
  readonly slope: number;
  readonly plan: readonly [number, number] | null;
  readonly length: {
    readonly theory: number;
    readonly body: number;
    readonly longPoint: number;
    readonly shortPoint: number;
    readonly tail: number;
    readonly blank: number;
  };
  readonly seat: {
    readonly hap: number;
    readonly width: number;
    readonly plumbDepth: number;
    readonly depthFraction: number;
  } | null;
  /**
   * Ridges: where the top of each stands, at its lower end: over the main plate's top (z = 0), and over its own block's
   * plate; `fall` is how much higher its other end is. Ridges cut alike can stand at several heights. Purlins at breaks
   * in pitch likewise. Null otherwise.
   */
  readonly heights: readonly RidgeHeight[] | null;
  readonly drop: number | null;
  readonly backing: readonly [number, number] | null;
  readonly cuts: readonly CutEntry[];
  /** Ids of the members cut to this line. */
  readonly members: readonly string[];
}

export interface CutList {
  readonly format: 'ogee-cutlist';
  readonly version: 1;
  readonly job: string;
  readonly members: readonly CutListEntry[];
  readonly notes: readonly {
    /** What it is about, whatever its words. */
    readonly code: string;
    readonly level: 'caution' | 'note';
    readonly member?: string;
    readonly text: string;
  }[];
}
