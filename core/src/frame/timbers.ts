import { planeAt, v2, v3, type BoardFrame, type Interval, type Vec2, type Vec3 } from '../geom';
import type { Job, Stock } from '../job';
import {
  coveredWall,
  heightAt,
  LINE_TIMBER,
  standingWall,
  type BlockRoof,
  type LineKind,
  type Plate,
  type Roof,
  type RoofLine,
  type SideLine,
  type Slope,
} from '../roof';
import { plumbFrame } from './board';
import type { Kind } from './kinds';

/** One straight length of fascia, along the tails of one slope. */
export interface FasciaPlace {
  readonly id: string;
  readonly block: string;
  readonly side: SideLine;
  readonly slope: Slope;
  /** The tails' line up the slope, and the stretch along it. mm */
  readonly v: number;
  readonly stretch: Interval;
  /** Its ends on that line, counter-clockwise round the building. */
  readonly from: Vec3;
  readonly to: Vec3;
}

/** The job and its roof, with what every step of framing needs of them. */
export interface Site {
  readonly job: Job;
  readonly roof: Roof;
  readonly plates: readonly Plate[];
  /** The stretches of each eave's wall that stand, by block and side: see `standingWall`. */
  readonly standing: ReadonlyMap<string, readonly Interval[]>;
  /** The stretches of each wall that another block's roof covers, likewise: see `coveredWall`. */
  readonly covered: ReadonlyMap<string, readonly Interval[]>;
  /** None where the crew sets no fascia. */
  readonly fascias: readonly FasciaPlace[];
}

type RoofOnly = Pick<Site, 'roof'>;

export const slopeAt = ({ roof }: RoofOnly, index: number): Slope => {
  const found = roof.slopes[index];
  if (found === undefined) throw new Error(`frame: the roof has no slope ${index}`);
  return found;
};

export const blockAt = ({ roof }: RoofOnly, id: string): BlockRoof => {
  const found = roof.blocks.find((block) => block.id === id);
  if (found === undefined) throw new Error(`frame: the roof has no block ${id}`);
  return found;
};

export const sideAt = (site: RoofOnly, block: string, side: number): SideLine => {
  const { sides } = blockAt(site, block);
  const found = sides[(side + sides.length) % sides.length];
  if (found === undefined) throw new Error(`frame: block ${block} has no side ${side}`);
  return found;
};

const sideKey = (block: string, side: number): string => `${side} ${block}`;

/** Something of every wall, by block and side, worked out once for every step of framing. */
const ofWalls = (
  { blocks }: Roof,
  of: (blocks: readonly BlockRoof[], block: BlockRoof, side: SideLine) => readonly Interval[],
): ReadonlyMap<string, readonly Interval[]> =>
  new Map(
    blocks.flatMap((block) =>
      block.sides.map((side) => [sideKey(block.id, side.index), of(blocks, block, side)]),
    ),
  );

/** The walls that carry the roof's edge. */
export const standingWalls = (roof: Roof): Site['standing'] => ofWalls(roof, standingWall);

/** The walls that lie under another block's roof. */
export const coveredWalls = (roof: Roof): Site['covered'] => ofWalls(roof, coveredWall);

export const coveredAt = (
  { covered }: Pick<Site, 'covered'>,
  block: string,
  side: number,
): readonly Interval[] => covered.get(sideKey(block, side)) ?? [];

export const standingAt = (
  { standing }: Pick<Site, 'standing'>,
  block: string,
  side: number,
): readonly Interval[] => standing.get(sideKey(block, side)) ?? [];

/** Blocks whose sides make up a slope. */
export const blocksOf = (slope: Slope): string[] => [
  ...new Set(slope.sides.map(({ block }) => block)),
];

/** The actual size of a line's timber. */
export const stockOf = ({ job }: Site, kind: LineKind | 'header'): Stock => {
  const stock = job.timber[kind === 'header' ? 'ridge' : LINE_TIMBER[kind]];
  if (stock === undefined) throw new Error(`frame: a ${kind} without a size passed the check`);
  return stock;
};

/** Ids are stable while the job's geometry stands: block, kind, side, number along it. */
export const memberId = (block: string, kind: Kind, ...place: readonly number[]): string =>
  [block, kind, ...place].join('.');

/** Plan distance of a point inside a side's line, mm. */
export const runFrom = (side: SideLine, p: Vec2): number =>
  v2.dot(v2.sub(p, side.start), side.inward);

/** The frame of a timber set on a line of the roof, from its low theory end. */
export const lineFrame = (low: Vec3, high: Vec3): BoardFrame & { slopeRad: number } => {
  const run = v2.distance(v3.inPlan(low), v3.inPlan(high));
  const slopeRad = Math.atan2(high[2] - low[2], run);
  const heading = v2.unit(v2.sub(v3.inPlan(high), v3.inPlan(low)));
  return { ...plumbFrame(low, heading, slopeRad), slopeRad };
};

/**
 * How a line's square top is fitted under the two roof planes, read off the planes themselves:
 *
 *      \ plane a | plane b /      drop: lower the square top until its arrises touch
 *       \________|________/       backing: bevel each half down to the planes
 */
export const fitTop = (
  { e, s, origin }: BoardFrame,
  planes: readonly [Slope['plane'], Slope['plane']],
  thickness: number,
): { readonly dropMm: number; readonly backingRad: readonly [number, number] } => {
  const arrises = [1, -1].map((k) => v3.add(origin, v3.scale(s, (k * thickness) / 2)));
  // Height of an arris above the lower of the planes, plumb.
  const proud = arrises.map((p) =>
    Math.max(...planes.map((plane) => planeAt(plane, p) / plane.normal[2])),
  );
  const bevel = ({ normal }: Slope['plane']): number => Math.acos(Math.min(1, v3.dot(normal, e)));
  return {
    dropMm: Math.max(0, ...proud),
    backingRad: [bevel(planes[0]), bevel(planes[1])],
  };
};

export const planesOf = (site: Site, line: RoofLine): readonly [Slope['plane'], Slope['plane']] => [
  slopeAt(site, line.slopes[0]).plane,
  slopeAt(site, line.slopes[1]).plane,
];

/** Height of a slope over a point of the plan. mm */
export const heightOn = ({ plane }: Slope, p: Vec2): number => heightAt({ plane }, p);
