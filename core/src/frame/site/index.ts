import { v2, type Interval, type Vec2, type Vec3 } from '../../geom';
import type { Job, Stock } from '../../job';
import type { Kind } from '../../kinds';
import {
  coveredWall,
  heightAt,
  LINE_TIMBER,
  standingWall,
  type BlockRoof,
  type LineKind,
  type Plate,
  type Roof,
  type SideLine,
  type Slope,
} from '../../roof';

/** One straight length of fascia, along the tails of one slope: at its eave, or over its high wall. */
export interface FasciaPlace {
  readonly id: string;
  readonly block: string;
  readonly side: SideLine;
  readonly slope: Slope;
  /** Its direction, and out of the roof; unit, in plan. */
  readonly along: Vec2;
  readonly outward: Vec2;
  /** The tails' line up the slope, and the stretch along it. mm */
  readonly v: number;
  readonly stretch: Interval;
  /** Its ends on that line, counter-clockwise round the building. */
  readonly from: Vec3;
  readonly to: Vec3;
}

/** What an opening keeps clear, in its slope's own plan: along the eave and up the slope. mm */
export interface OpeningPlace {
  /** Its number in the job. */
  readonly index: number;
  readonly name: string;
  readonly block: string;
  readonly side: number;
  readonly slope: number;
  readonly us: Interval;
  readonly vs: Interval;
  /** It goes down to the plate, where a wall stands in it: there is no header below it. */
  readonly atPlate: boolean;
  /** How many trimmers stand on each side, and headers at each end. */
  readonly ply: number;
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
  readonly openings: readonly OpeningPlace[];
  /** None where the crew sets no fascia. */
  readonly fascias: readonly FasciaPlace[];
  /** Ids of pieces that gave way to others, or were disproved: they are not made. */
  readonly without: ReadonlySet<string>;
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

/** The actual size of a rafter of a kind. */
export const rafterStock = ({ job: { timber } }: Pick<Site, 'job'>, kind: Kind): Stock =>
  kind === 'trimmer' ? (timber.trimmer ?? timber.common) : timber.common;

/** Plan distance of a point inside a side's line, mm. */
export const runFrom = (side: SideLine, p: Vec2): number =>
  v2.dot(v2.sub(p, side.start), side.inward);

/** Height of a slope over a point of the plan. mm */
export const heightOn = ({ plane }: Slope, p: Vec2): number => heightAt({ plane }, p);
