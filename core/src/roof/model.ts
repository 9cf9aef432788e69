import { SAME_HEIGHT_MM, type Plane, type TaggedPolygon, type Vec2, type Vec3 } from '../geom';
import type { PartOfJob } from '../job';
import type { SideLine } from './side-lines';

/** A side of a block, by the block's id and the side's number. */
export interface SideRef {
  readonly block: string;
  readonly side: number;
}

/** The roof plane of one eave side. */
export interface RoofPlane extends SideRef {
  readonly line: SideLine;
  /** Plane of the rafters' top edges; normal upwards. */
  readonly plane: Plane;
  readonly slopeRad: number;
  /** Rise per unit of plan run. */
  readonly rise: number;
  /** Number of the slope it is part of: sides of several blocks may lie in one plane. */
  readonly slope: number;
  /** 0 at the eave, 1 above the side's first break in pitch, and so on up. */
  readonly band: number;
}

/** What carries an edge of a piece of roof. */
export type Carrier =
  /** A side of the block's outline, moved out by its overhang. */
  | { readonly of: 'outline'; readonly block: string; readonly side: number }
  /** A gable's or a wall's own face, where the timbers end. */
  | { readonly of: 'wall'; readonly block: string; readonly side: number }
  /** Square across a wall, where the overhang of its eave ends: the wall goes on under another block's roof. */
  | {
      readonly of: 'end';
      readonly block: string;
      readonly side: number;
      /** Along the wall from its start corner, and which way is out of the roof. mm */
      readonly at: number;
      readonly outward: 1 | -1;
    }
  /** The sheathing of a roof that it is laid on. */
  | { readonly of: 'deck' }
  /** Another slope. */
  | { readonly of: 'slope'; readonly slope: number }
  /** No edge of the roof: where a face was parted to keep its pieces convex. */
  | { readonly of: 'seam' };

/** A convex piece of a slope, in plan, counter-clockwise. */
export interface RoofPiece {
  readonly plane: RoofPlane;
  readonly polygon: TaggedPolygon<Carrier>;
  /** It runs on under a higher block's overhang and is not seen from above there. */
  readonly under: boolean;
}

/** A convex part of a face, in space, counter-clockwise seen from above, with the side it belongs to. */
export interface RoofFace extends SideRef {
  readonly slope: number;
  readonly slopeRad: number;
  readonly polygon: readonly Vec3[];
}

/** A break is a level line where one side goes on at another pitch. */
export type LineKind = 'ridge' | 'hip' | 'valley' | 'break';

/** The timber that stands on a line of each kind, as the job's sizes and the members are called. */
export const LINE_TIMBER = {
  ridge: 'ridge',
  hip: 'hip',
  valley: 'valley',
  break: 'purlin',
} as const satisfies Record<LineKind, string>;

/** Where two slopes meet; the ends from low to high. A ridge may slope, where its two eaves are not parallel. */
export interface Fold {
  readonly kind: LineKind;
  readonly from: Vec3;
  readonly to: Vec3;
  /** Numbers of the slopes on the left and on the right, looking from → to. */
  readonly slopes: readonly [left: number, right: number];
}

/** A fold that timber is set on, with the numbers of the roof's points in which it ends and that it runs through. */
export interface RoofLine extends Fold {
  readonly ends: readonly [from: number, to: number];
  readonly through: readonly number[];
}

export interface RoofBorder extends SideRef {
  /** high: the upper edge of a slope that runs on over a high wall. step: a roof's edge that stands above another roof. */
  readonly kind: 'eave' | 'high' | 'rake' | 'wall' | 'step';
  readonly from: Vec3;
  readonly to: Vec3;
  readonly slope: number;
}

export type RoofEdge = Fold | RoofBorder;

/** One plane of the roof, and every eave side that lies in it. */
export interface Slope {
  readonly plane: Plane;
  readonly slopeRad: number;
  readonly rise: number;
  /** Unit vector up the slope, in plan. */
  readonly uphill: Vec2;
  /** Unit vector along the eave, in plan: uphill is to its left. */
  readonly along: Vec2;
  readonly sides: readonly RoofPlane[];
  /** What the timbers of this slope stand under: no overhang past gables, on under higher eaves. */
  readonly pieces: readonly RoofPiece[];
}

/** A point (x, y) lies a·x + b·y − c outside a side; negative inside. mm */
export interface Bound {
  readonly a: number;
  readonly b: number;
  readonly c: number;
}

export interface BlockRoof {
  readonly id: string;
  /** The job's block it belongs to: its own id, but for the roof of a gablet. */
  readonly partOf: string;
  readonly plateMm: number;
  readonly sides: readonly SideLine[];
  /** By side, from the eave up: one plane a pitch; none where the side carries no roof. */
  readonly bands: readonly (readonly RoofPlane[])[];
  /** Of each side the plane at its eave; null where the side carries no roof plane. */
  readonly planes: readonly (RoofPlane | null)[];
  /** The outline with each side moved out by its overhang. */
  readonly grown: TaggedPolygon<Carrier>;
  /** The same as bounds, and the walls' own outline. */
  readonly reach: readonly Bound[];
  readonly walls: readonly Bound[];
}

export interface Roof {
  readonly blocks: readonly BlockRoof[];
  readonly slopes: readonly Slope[];
  readonly faces: readonly RoofFace[];
  /** Every edge seen from above. */
  readonly edges: readonly RoofEdge[];
  /** The ridges, hips and valleys that timbers are set on: as `edges`, but ending at gables and walls. */
  readonly lines: readonly RoofLine[];
  /** The points where lines end, by number. */
  readonly nodes: readonly Vec3[];
  /** Other roofs that are laid on this one, as what lies on its slopes finds them in its way: none mostly. */
  readonly underlaid: readonly Underlaid[];
  /** What is laid on: none mostly. */
  readonly laid: readonly LaidOn[];
  /** The roof that those lie on, with its own job; null where none are. */
  readonly under: { readonly part: PartOfJob; readonly roof: Roof } | null;
}

/** Where an upper slope's rafters would come down on the sheathing below: a chalk line, from its low end up. */
export interface ChalkLine {
  readonly side: number;
  readonly from: Vec3;
  readonly to: Vec3;
}

/** Whether a chalk line runs up the roof: rafters stand along it. Along a level one their upper ends lie on the sheathing. */
export const climbs = ({ from, to }: ChalkLine): boolean => to[2] - from[2] > SAME_HEIGHT_MM;

/**
 * What is laid on a slope: the outline of its walls in plan, its faces, how far their rafters and fascias hang below them,
 * plumb, and how thick a fascia stands before their edges.
 */
export interface Underlaid {
  readonly slope: number;
  readonly fasciaMm: number;
  readonly walls: readonly Vec2[];
  readonly faces: readonly {
    readonly plane: Plane;
    readonly outline: readonly Vec2[];
    readonly hangMm: number;
  }[];
}

/** A block laid on the sheathing of another roof, no valley framed beneath. */
export interface LaidOn {
  readonly block: string;
  /** A part of the building on walls of its own; a saddle behind a chimney, over no walls; a dormer on its cheeks. */
  readonly as: 'part' | 'saddle' | 'dormer';
  readonly part: PartOfJob;
  /** Its roof as if it stood alone, on into the other; and what of it stands above that one's sheathing. */
  readonly whole: Roof;
  readonly shown: Roof;
  /** The slope it lies on, by its number in the roof below, and the top of that one's sheathing. */
  readonly slope: number;
  /** The wall that the slope it lies on stands on. */
  readonly wall: SideLine;
  /** How far in from that wall its own plates stand clear of the roof below; negative where they end out under its eave. mm */
  readonly platesMm: number;
  readonly deck: Plane;
  readonly chalk: readonly ChalkLine[];
}
