import {
  SLACK_RAD,
  PARALLEL_SINE,
  SAME_POINT_MM,
  v3,
  type BoardFrame,
  type HalfSpace,
  type Vec2,
} from '../../geom';
import type { Stock } from '../../job';
import type { Kind, ListedKind } from '../../kinds';

export type CutAt = 'top' | 'bottom' | 'heel' | 'seat' | 'tail';

/** What a saw cut is, by the name that stands in the list and on the sheet. */
export type CutName =
  | 'plumb cut'
  | 'seat cut'
  | 'heel cut'
  /** Of the upper notch where one slope lies on two walls. */
  | 'upper seat cut'
  | 'upper heel cut'
  /** Plumb, across an upper or lower end out of square; of a tail, likewise. */
  | 'cheek cut'
  | 'tail cut'
  | 'tail cheek'
  | 'mitre'
  | 'roof cut'
  /** Neither plumb nor square. */
  | 'compound cut'
  | 'end cut'
  | 'slope cut'
  /** What clips the corner of a tie or a block that would stand above its slope. */
  | 'clip cut'
  /** The two cuts of a canted timber's mitre: on its wide face, and on its edge. */
  | 'side'
  | 'edge'
  | 'head'
  | 'head cut'
  | 'foot'
  | 'foot cut'
  | 'foot on the roof'
  | 'tail on the roof'
  | 'long cut'
  | 'ridge cut'
  | 'lip'
  | 'scarf'
  | 'abutment'
  | NotchCutName;

/** The cuts of a notch that is no birdsmouth on a plate. */
type NotchCutName =
  | `${'purlin' | 'ledger'} ${'seat' | 'heel'}`
  | `${'lip' | 'abutment'}, ${'upper' | 'lower'} end`
  | 'housing'
  | `housing, ${'upper' | 'lower'} side`
  /** What the folding wedges of a keyed scarf are driven through. */
  | 'slot'
  | `slot, ${'upper' | 'lower'} side`
  | `notch ${'under' | 'beside'} the rafter`;

/** One saw cut: the half-space, in world coordinates, that it keeps. */
export interface EndCut {
  readonly at: CutAt;
  readonly name: CutName;
  readonly keep: HalfSpace;
  /** The member whose face this cut lies on; null for a free end, and for a seat, which lies on the plate. */
  readonly meets: string | null;
}

/** The same cut by another name. */
export const named = (cut: EndCut, name: CutName): EndCut => ({ ...cut, name });

/**
 * What a notch is for: a birdsmouth on a plate, over a purlin or a ledger, the lip by which a purlin passes under a hip, one half
 * of a scarf with square abutments, the slot of its wedges, the housing that takes a lookout through a gable's rafter, the notch of a gable's
 * stud round that rafter.
 */
export type NotchFor =
  | 'plate'
  | 'purlin'
  | 'ledger'
  | 'lip'
  | 'scarf'
  | 'slot'
  | 'housing'
  | 'rafter';

/**
 * Beyond the seat, a birdsmouth's below it, only that is left which every heel keeps; nothing where there is no heel,
 * because the timber ends over the plate. At an inner corner a valley has two heels, one along each plate. A housing or
 * a slot has two too, and what either keeps is left.
 */
export interface Notch {
  readonly for: NotchFor;
  readonly seat: EndCut;
  readonly heels: readonly EndCut[];
  /** The edge that it is sawn from: a birdsmouth from the bottom, a lip from the top. */
  readonly opens: 'bottom' | 'top';
  /** Where the heel's line, or the plate's outside face, crosses the timber's centre line in plan. */
  readonly corner: Vec2;
}

/** A bevelled top edge: what stands above the plane is planed off. */
export interface Bevel {
  readonly keep: HalfSpace;
  /** Where it applies: outside this half-space only; everywhere when null. */
  readonly beyond: HalfSpace | null;
}

/** Whether a notch is the one over a high wall: the upper of the two that a rafter has there. */
export const isUpper = ({ seat }: Notch): boolean => seat.name === 'upper seat cut';

/** Whether a cut ends a tail, at the eave or over a high wall: a fascia comes to it later. */
export const isTailCut = ({ at, name }: EndCut): boolean =>
  at === 'tail' || name === 'tail cut' || name === 'tail cheek';

/** Ids are stable while the job's geometry stands: block, kind, side, number along it. */
export const memberId = (block: string, kind: ListedKind, ...place: readonly number[]): string =>
  [block, kind, ...place].join('.');

/** The theory line: from the low end to the high one. mm and rad */
export interface Axis {
  /** Its length in plan, and how much higher its upper end is. */
  readonly runMm: number;
  readonly riseMm: number;
  /** Angle from level; exactly 0 where it lies level. */
  readonly slopeRad: number;
  readonly level: boolean;
  /** It stands plumb: it has no plan run, and its length is its rise. */
  readonly upright: boolean;
}

/** A timber nearer to level than this is level, or to plumb plumb: rounding. rad */
const LEVEL_RAD = SLACK_RAD.level;

export const axisOf = (runMm: number, riseMm: number): Axis => {
  const slopeRad = Math.atan2(riseMm, runMm);
  const level = Math.abs(slopeRad) < LEVEL_RAD;
  const upright = Math.PI / 2 - slopeRad < LEVEL_RAD;
  return { runMm, riseMm, slopeRad: level ? 0 : slopeRad, level, upright };
};

/** How long a timber's theory line is. mm */
export const lengthOf = ({ axis: { runMm, riseMm } }: Pick<Member, 'axis'>): number =>
  Math.hypot(runMm, riseMm);

/** Whether two timbers are one, or two lengths of one: of one kind, along one line. */
export const isOneTimber = (one: Member, other: Member): boolean =>
  one.kind === other.kind &&
  v3.length(v3.cross(one.frame.a, other.frame.a)) < PARALLEL_SINE &&
  v3.length(v3.cross(v3.sub(one.frame.origin, other.frame.origin), one.frame.a)) < SAME_POINT_MM;

/** What is held on a framing square for its plumb and level lines: rise and run, per unit of the commons' run. */
export interface SquarePair {
  readonly rise: number;
  readonly run: number;
}

/** How the two slopes lie that a hip or valley parts; left and right, looking up it. rad */
export interface FoldPlan {
  /** Rise per unit of plan run of each slope. */
  readonly rises: readonly [number, number];
  /** The corner between the two eaves, inside it. */
  readonly cornerRad: number;
  /** How much each slope falls per unit of plan, square off the line. */
  readonly falls: readonly [number, number];
  /** Plan angles to the two eaves, and the bevel of the top edge on each side. */
  readonly eaveAngleRad: readonly [number, number];
  readonly backingRad: readonly [number, number];
}

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
  /**
   * Height of the top edge above the theory line, square to the edge: 0 or less, but for ties, which are measured along
   * their bottom edge, and for what stands on a wall, which is measured along its middle. mm
   */
  readonly topMm: number;
  readonly ends: readonly EndCut[];
  readonly notches: readonly Notch[];
  /** A backed hip, a corner planed off. Empty where the top edge is square. */
  readonly bevels: readonly Bevel[];
  /** A hip that is neither dropped nor backed stands above the roof planes, as the crew chose. */
  readonly mayStandProud: boolean;
  readonly axis: Axis;
  readonly pair: SquarePair;
  /** Hips and valleys. */
  readonly fold: FoldPlan | null;
  /** Sleepers: how far their outer edge lies inside the chalk line, square to it in the lower slope. mm */
  readonly setBackMm: number | null;
  /** Hips: how far the top is lowered for its corners, plumb; and further, by choice. */
  readonly dropMm: number | null;
  readonly loweredMm: number;
  /** How much longer its board is at each end, to be cut in place. */
  readonly longMm: number;
}

/** What only some timbers have: no notch, no bevel, no fold, no drop and no set-back where none is given. */
type Some =
  | 'notches'
  | 'bevels'
  | 'mayStandProud'
  | 'fold'
  | 'setBackMm'
  | 'dropMm'
  | 'loweredMm'
  | 'longMm';

type Given = Omit<Member, Some> & Partial<Pick<Member, Some>>;

/** A timber, every field in one order whatever it is made for. */
export const makeMember = ({
  id,
  kind,
  block,
  side,
  stock,
  frame,
  topMm,
  ends,
  notches = [],
  bevels = [],
  mayStandProud = false,
  axis,
  pair,
  fold = null,
  setBackMm = null,
  dropMm = null,
  loweredMm = 0,
  longMm = 0,
}: Given): Member => ({
  id,
  kind,
  block,
  side,
  stock,
  frame,
  topMm,
  ends,
  notches,
  bevels,
  mayStandProud,
  axis,
  pair,
  fold,
  setBackMm,
  dropMm,
  loweredMm,
  longMm,
});
