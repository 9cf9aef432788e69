import type { Plane, Vec3 } from '../geom';
import type { SideLine } from './side-lines';

export interface RoofPlane {
  readonly side: number;
  /** Plane of the rafters' top edges; normal upwards. */
  readonly plane: Plane;
  readonly slopeRad: number;
  /** Rise per unit of plan run. */
  readonly rise: number;
}

export interface RoofFace {
  readonly block: string;
  readonly side: number;
  readonly slopeRad: number;
  readonly polygon: readonly Vec3[];
}

export interface RoofEdge {
  readonly kind: 'eave' | 'rake' | 'ridge' | 'hip';
  readonly block: string;
  readonly from: Vec3;
  readonly to: Vec3;
  /** The sides whose faces meet here; the second is null at an eave or a rake. */
  readonly sides: readonly [number, number | null];
}

export interface BlockRoof {
  readonly id: string;
  readonly plateMm: number;
  /** Plumb, from the plate's outside top corner to the rafter's top edge; one for the whole block. */
  readonly hapMm: number;
  readonly sides: readonly SideLine[];
  /** By side; null where the side carries no roof plane. */
  readonly planes: readonly (RoofPlane | null)[];
  readonly faces: readonly RoofFace[];
  readonly edges: readonly RoofEdge[];
}

export interface Roof {
  readonly blocks: readonly BlockRoof[];
}
