import { SAME_WAY_SINE, v2, v3, type Vec2, type Vec3 } from '../../geom';
import type { RoofBorder, Slope } from '../../roof';
import { sideAt, slopeAt, type Site } from '../site';

/** Two plan points nearer than this are one. mm */
export const SAME_MM = 1;
/** A gable this near square to its slope has a barge that lies flat in it, as a cosine. */
const SQUARE = SAME_WAY_SINE;

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

/** The rakes that want a barge: over a gable square to its slope, up to a ridge, a break in pitch or a wall. */
export const rakesOf = (site: Site): Rake[] =>
  site.roof.edges.flatMap((border): Rake[] => {
    if (border.kind !== 'rake') return [];
    const side = sideAt(site, border.block, border.side);
    const slope = slopeAt(site, border.slope);
    const eave = slope.sides.find(({ block }) => block === border.block);
    const square = Math.abs(v2.dot(side.inward, slope.uphill)) < SQUARE;
    if (side.roof !== 'gable' || side.overhangMm === 0 || eave === undefined || !square) return [];
    const [low, high] =
      border.from[2] < border.to[2] ? [border.from, border.to] : [border.to, border.from];
    const ends = site.roof.edges.some(
      (other) =>
        (other.kind === 'ridge' || other.kind === 'break' || other.kind === 'wall') &&
        [other.from, other.to].some((p) => v2.distance(v3.inPlan(p), v3.inPlan(high)) < SAME_MM),
    );
    return ends
      ? [
          {
            border,
            slope,
            low,
            high,
            outward: v2.scale(side.inward, -1),
            overhangMm: side.overhangMm,
            eave,
          },
        ]
      : [];
  });
