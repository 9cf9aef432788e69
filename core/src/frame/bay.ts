import { v2, type Vec2, type Vec3 } from '../geom';
import type { Job } from '../job';
import type { BlockRoof, RoofEdge, RoofPlane, SideLine } from '../roof';
import type { Kind } from './member';

/** One end of the ridge: a gable, or the point where a hip end's planes meet. */
export interface BayEnd {
  readonly kind: 'gable' | 'hip';
  readonly side: SideLine;
  /** Where the ridge's theory line ends: the meeting point, or the gable wall's outside face. */
  readonly point: Vec3;
}

/**
 * A rectangle between two opposite eaves, with the line its ridge stands on.
 *
 *        ┌──────────── b ────────────┐
 *        │ \                       / │
 *   ends[0]  ●━━━━━━━ ridge ━━━━━━●  ends[1]
 *        │ /                       \ │
 *        └──────────── a ────────────┘   along → first end to second
 */
export interface Bay {
  readonly job: Job;
  readonly roof: BlockRoof;
  readonly a: SideLine;
  readonly b: SideLine;
  readonly ends: readonly [BayEnd, BayEnd];
  readonly slopeRad: number;
  readonly rise: number;
  /** False on a square plan, whose hips meet in one point. */
  readonly hasRidge: boolean;
}

export const sideOf = (roof: BlockRoof, index: number): SideLine => {
  const found = roof.sides[(index + roof.sides.length) % roof.sides.length];
  if (found === undefined) throw new Error(`frame: block ${roof.id} has no side ${index}`);
  return found;
};

export const planeOf = (roof: BlockRoof, index: number): RoofPlane => {
  const found = roof.planes[index];
  if (!found) throw new Error(`frame: side ${index} of block ${roof.id} carries no roof plane`);
  return found;
};

/** Ids are stable while the job's geometry stands: block, kind, side or corner, number along it. */
export const memberId = (bay: Bay, kind: Kind, ...place: readonly number[]): string =>
  [bay.roof.id, kind, ...place].join('.');

export const inPlan = (p: Vec3): Vec2 => [p[0], p[1]];

export const hipsOf = (roof: BlockRoof): RoofEdge[] => roof.edges.filter((e) => e.kind === 'hip');

/** Distance along a side from its start corner to the foot of `p`, mm. */
export const stationOn = (side: SideLine, p: Vec3): number =>
  v2.dot(v2.sub(inPlan(p), side.start), side.along);

/** Plan distance of `p` inside a side's line, mm. */
export const runFrom = (side: SideLine, p: Vec3): number =>
  v2.dot(v2.sub(inPlan(p), side.start), side.inward);

const endOf = (roof: BlockRoof, side: SideLine, ridge: RoofEdge | null): BayEnd => {
  if (side.roof === 'eave') {
    const hip = hipsOf(roof).find((edge) => edge.sides.includes(side.index));
    if (hip === undefined) throw new Error(`frame: no hip at side ${side.index}`);
    return { kind: 'hip', side, point: hip.to };
  }
  if (ridge === null) throw new Error(`frame: no ridge at gable side ${side.index}`);
  // The roof's ridge runs on to the rake; its theory line ends at the wall.
  const back = runFrom(side, ridge.from);
  const fore = runFrom(side, ridge.to);
  const t = back / (back - fore);
  const mix = (i: 0 | 1 | 2): number => ridge.from[i] + t * (ridge.to[i] - ridge.from[i]);
  return { kind: 'gable', side, point: [mix(0), mix(1), mix(2)] };
};

/** Finds the two eaves that bound the ridge and what stands at its ends. */
export const bayOf = (job: Job, roof: BlockRoof): Bay => {
  const ridge = roof.edges.find((edge) => edge.kind === 'ridge') ?? null;
  const first = ridge === null ? 0 : ridge.sides[0];
  const a = sideOf(roof, first);
  const plane = planeOf(roof, first);
  return {
    job,
    roof,
    a,
    b: sideOf(roof, first + 2),
    ends: [
      endOf(roof, sideOf(roof, first + 3), ridge),
      endOf(roof, sideOf(roof, first + 1), ridge),
    ],
    slopeRad: plane.slopeRad,
    rise: plane.rise,
    hasRidge: ridge !== null,
  };
};

export const ridgeThickness = (bay: Bay): number => bay.job.timber.ridge?.thickness ?? 0;

/** How far past the meeting point the ridge runs, which is where the king common stops. */
export const ridgePast = (bay: Bay): number =>
  bay.hasRidge && bay.job.framing.hipAtRidge === 'to-ridge'
    ? ridgeThickness(bay) / 2
    : bay.job.timber.common.thickness / 2;

/** On the ridge, hips pass a king common that is thicker than the ridge, and nip it on both sides. */
export const kingIsNipped = (bay: Bay): boolean =>
  bay.hasRidge &&
  bay.job.framing.hipAtRidge === 'to-ridge' &&
  bay.job.timber.common.thickness > ridgeThickness(bay);

/** Nipped so far that the two hips' faces meet before the ridge's end does, it stops between the hips instead. */
export const kingReachesRidge = (bay: Bay): boolean =>
  !kingIsNipped(bay) || (bay.job.timber.hip?.thickness ?? 0) / Math.SQRT2 < ridgePast(bay);
