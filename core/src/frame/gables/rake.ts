import { SLACK_MM, SAME_WAY_SINE, v2, v3, type Vec2, type Vec3 } from '../../geom';
import type { Roof, RoofBorder, RoofEdge, SideLine, Slope } from '../../roof';
import { sideAt, slopeAt, type Site } from '../site';
import { notched } from './gable-studs';

/** Two plan points nearer than this are one. mm */
export const SAME_MM = SLACK_MM.nothing;
/** A gable is square to its slope where the one runs off the other by less than this from eave to peak. mm */
const OFF_SQUARE_MM = SLACK_MM.shut;
/** A gable this far out of square is meant to be oblique: its barges would want their tops planed. Tangent. */
const OBLIQUE = Math.tan(Math.PI / 36);

/** A rake that hangs over its gable, and the eave that its slope comes down to. */
export interface Rake {
  readonly border: RoofBorder;
  readonly slope: Slope;
  readonly low: Vec3;
  readonly high: Vec3;
  /** Out of the gable, level and unit. */
  readonly outward: Vec2;
  /** Up the edge itself in plan, unit: off the fall of its slope where the gable is out of square. */
  readonly up: Vec2;
  /** Out of the gable along its slope's level, unit: off `outward` by as much. */
  readonly level: Vec2;
  /** Square to the line that it comes up to, in plan and unit, up the slope: off its fall where the eaves part. */
  readonly toLine: Vec2;
  readonly overhangMm: number;
  /** The high wall that its slope runs on over, with tails; null under a ridge, a break or a wall. */
  readonly over: SideLine | null;
  readonly eave: { readonly block: string; readonly side: number };
}

/** How lookouts carry the barge: butted between it and the gable's rafter, or laid in through its top to the next. */
export const laidIn = ({ job }: Pick<Site, 'job'>): boolean => job.framing.lookouts === 'laid-in';

/** Whether a rake runs up the fall of its slope. */
export const isSquare = ({ up, slope }: Rake): boolean => up === slope.uphill;

/** The edges of the roof over its gables. */
const gableRakes = (roof: Roof): RoofBorder[] =>
  roof.edges.filter(
    (edge): edge is RoofBorder =>
      edge.kind === 'rake' && sideAt({ roof }, edge.block, edge.side).roof === 'gable',
  );

/** How far a rake runs off the fall of its slope from eave to peak. mm */
const offSquareMm = (roof: Roof, { slope, from, to }: RoofBorder): number => {
  const { uphill } = slopeAt({ roof }, slope);
  return Math.abs(v2.cross(uphill, v2.sub(v3.inPlan(to), v3.inPlan(from))));
};

/** A gable's wall, and the part it belongs to. */
export interface Gable {
  readonly block: string;
  readonly side: SideLine;
}

/**
 * The gables that are not square to each of their slopes.
 *
 * @param isOff of an edge, how far it runs off the fall of its slope from eave to peak, and how long it is in plan. mm
 */
export const offSquareGables = (
  roof: Roof,
  isOff: (offMm: number, longMm: number) => boolean = (mm) => mm >= OFF_SQUARE_MM,
): Gable[] => {
  const off = gableRakes(roof).filter((rake) =>
    isOff(offSquareMm(roof, rake), v2.distance(v3.inPlan(rake.from), v3.inPlan(rake.to))),
  );
  return roof.blocks.flatMap(({ id, sides }) =>
    sides
      .filter((side) => off.some((rake) => rake.block === id && rake.side === side.index))
      .map((side) => ({ block: id, side })),
  );
};

const meet = ({ from, to }: Pick<RoofBorder, 'from' | 'to'>, p: Vec3): boolean =>
  [from, to].some((end) => v2.distance(v3.inPlan(end), v3.inPlan(p)) < SAME_MM);

/** Whether a break in pitch comes to a gable's edges. */
const isBroken = (roof: Roof, { block, side }: Gable): boolean =>
  gableRakes(roof)
    .filter((rake) => rake.block === block && rake.side === side.index)
    .some((rake) =>
      roof.edges.some(
        (edge) => edge.kind === 'break' && [edge.from, edge.to].some((p) => meet(rake, p)),
      ),
    );

/**
 * The gables out of square whose barges are not worked out: oblique ones, those with a break in pitch, those over which
 * the roof hangs by no more than its barge, so that this would lie in the wedge beside the rafter, and those whose studs
 * on edge would come up askew under lookouts laid in. Two barges carry each other at the peak: both slopes have theirs, or none.
 */
const bareGables = (site: Site): Gable[] => {
  const { job, roof } = site;
  const least = (job.timber.barge?.thickness ?? 0) + SAME_MM;
  const askew = job.timber.gableStud !== undefined && notched(site) && laidIn(site);
  const oblique = offSquareGables(roof, (off, long) => off > OBLIQUE * long);
  const isOblique = (side: SideLine): boolean => oblique.some((one) => one.side === side);
  return offSquareGables(roof).filter(
    (gable) =>
      askew || gable.side.overhangMm <= least || isOblique(gable.side) || isBroken(roof, gable),
  );
};

/** What a barge comes up to. */
const UPPER: ReadonlySet<RoofEdge['kind']> = new Set(['ridge', 'break', 'wall', 'high']);

/** The rakes that want a barge: up to a ridge, a break in pitch, a wall or the edge over a high wall. */
export const rakesOf = (site: Site): Rake[] => {
  const { roof } = site;
  const bare = bareGables(site);
  return gableRakes(roof).flatMap((border): Rake[] => {
    const side = sideAt(site, border.block, border.side);
    const slope = slopeAt(site, border.slope);
    const eave = slope.sides.find(({ block }) => block === border.block);
    if (side.overhangMm === 0 || eave === undefined) return [];
    if (bare.some((gable) => gable.side === side)) return [];
    const [low, high] =
      border.from[2] < border.to[2] ? [border.from, border.to] : [border.to, border.from];
    const ends = roof.edges.find((other) => UPPER.has(other.kind) && meet(other, high));
    if (ends === undefined) return [];
    const outward = v2.scale(side.inward, -1);
    const off = v2.dot(outward, slope.uphill);
    const square = offSquareMm(roof, border) < OFF_SQUARE_MM;
    const up = square ? slope.uphill : v2.unit(v2.sub(v3.inPlan(high), v3.inPlan(low)));
    const level = square ? outward : v2.unit(v2.sub(outward, v2.scale(slope.uphill, off)));
    const across = v2.left(v2.unit(v2.sub(v3.inPlan(ends.to), v3.inPlan(ends.from))));
    const toLine =
      Math.abs(v2.cross(across, slope.uphill)) < SAME_WAY_SINE
        ? slope.uphill
        : v2.scale(across, Math.sign(v2.dot(across, slope.uphill)));
    const { overhangMm } = side;
    const over = ends.kind === 'high' ? sideAt(site, ends.block, ends.side) : null;
    return [{ border, slope, low, high, outward, up, level, toLine, overhangMm, over, eave }];
  });
};
