import type { BoardFrame, HalfSpace, Vec2 } from '../geom';
import type { Stock } from '../job';
import type { Kind } from './kinds';

export type CutAt = 'top' | 'bottom' | 'heel' | 'seat' | 'tail';

/** One saw cut: the half-space, in world coordinates, that it keeps. */
export interface EndCut {
  readonly at: CutAt;
  readonly name: string;
  readonly keep: HalfSpace;
  /** The member whose face this cut lies on; null for a free end, and for a seat, which lies on the plate. */
  readonly meets: string | null;
}

/**
 * A birdsmouth: below the seat only that is left which every heel keeps; nothing where there is no heel, because the
 * timber ends over the plate. At an inner corner a valley has two heels, one along each plate.
 */
export interface Notch {
  readonly seat: EndCut;
  readonly heels: readonly EndCut[];
  /** Where the heel's line, or the plate's outside face, crosses the timber's centre line in plan. */
  readonly corner: Vec2;
}

/** A bevelled top edge: what stands above the plane is planed off. */
export interface Bevel {
  readonly keep: HalfSpace;
  /** Where it applies: outside this half-space only; everywhere when null. */
  readonly beyond: HalfSpace | null;
}

/** Numbers that the plan settles and the cut list reports. mm and rad. */
export interface MemberPlan {
  /** Plan length of the theory line. */
  readonly runMm: number;
  /** Angle of the axis from level. */
  readonly slopeRad: number;
  /** Rise over run of the commons it belongs with, and its own plan run per unit of common run. */
  readonly commonRise: number;
  readonly runPerCommon: number;
  /** Hips and valleys: plan angles to the two eaves, and the bevel of the top edge on each side. */
  readonly eaveAngleRad: readonly [number, number] | null;
  readonly backingRad: readonly [number, number] | null;
  /** Hips: how far the top is lowered, plumb. */
  readonly dropMm: number | null;
}

/** The plan of a timber that stands on no line of the roof. */
export const plainPlan = (runMm: number, slopeRad: number, commonRise: number): MemberPlan => ({
  runMm,
  slopeRad,
  commonRise,
  runPerCommon: 1,
  eaveAngleRad: null,
  backingRad: null,
  dropMm: null,
});

export interface Member {
  /** Stable while the job's geometry stands: `main.hip-jack.0.3`. */
  readonly id: string;
  readonly kind: Kind;
  readonly block: string;
  /** Null for what stands on a line of the roof. */
  readonly side: number | null;
  readonly stock: Stock;
  /** Origin: the low end of the theory line (rafters: over the plate's outside face), on the centre line. */
  readonly frame: BoardFrame;
  /** Height of the top edge above the theory line, square to the edge; 0 or less. mm */
  readonly topMm: number;
  readonly ends: readonly EndCut[];
  readonly notches: readonly Notch[];
  /** A backed hip, a corner planed off. Empty where the top edge is square. */
  readonly bevels: readonly Bevel[];
  /** A hip that is neither dropped nor backed stands above the roof planes, as the crew chose. */
  readonly mayStandProud: boolean;
  readonly plan: MemberPlan;
}
