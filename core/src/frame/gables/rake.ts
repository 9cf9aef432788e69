import { v2, v3, type Vec2, type Vec3 } from '../../geom';
import type { Roof, RoofBorder, SideLine, Slope } from '../../roof';
import { sideAt, slopeAt, type Site } from '../site';

/** Two plan points nearer than this are one. mm */
export const SAME_MM = 1;
/** A gable is square to its slope where the one runs off the other by less than this from eave to peak. mm */
const OFF_SQUARE_MM = 0.1;

/** A rake that hangs over its gable, and the eave that its slope comes down to. */
export interface Rake {
  readonly border: RoofBorder;
  readonly slope: Slope;
  readonly low: Vec3;
  readonly high: Vec3;
  /** Out of the gable, level and unit. */
  readonly outward: Vec2;
  readonly overhangMm: number;
  readonly eave: { readonly block: string; readonly side: number };
}

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

/**
 * The rakes that want a barge: over a gable square to its slopes, up to a ridge, a break in pitch or a wall. Two barges
 * carry each other at the peak: where the gable is not square to one slope, the other has none either.
 */
export const rakesOf = (site: Site): Rake[] => {
  const { roof } = site;
  const offSquare = offSquareGables(roof);
  return gableRakes(roof).flatMap((border): Rake[] => {
    const side = sideAt(site, border.block, border.side);
    const slope = slopeAt(site, border.slope);
    const eave = slope.sides.find(({ block }) => block === border.block);
    if (side.overhangMm === 0 || eave === undefined) return [];
    if (offSquare.some((gable) => gable.block === border.block && gable.side === side)) return [];
    const [low, high] =
      border.from[2] < border.to[2] ? [border.from, border.to] : [border.to, border.from];
    const ends = roof.edges.some(
      (other) =>
        (other.kind === 'ridge' || other.kind === 'break' || other.kind === 'wall') &&
        [other.from, other.to].some((p) => v2.distance(v3.inPlan(p), v3.inPlan(high)) < SAME_MM),
    );
    if (!ends) return [];
    const outward = v2.scale(side.inward, -1);
    return [{ border, slope, low, high, outward, overhangMm: side.overhangMm, eave }];
  });
};
