import { v2, type Vec2, type Vec3 } from '../geom';
import type { Stock } from '../job';
import type { RoofEdge, SideLine } from '../roof';
import { hipsOf, inPlan, sideOf, type Bay } from './bay';

/** A hip's line in plan, from the plate's corner to where the planes meet. */
export interface HipTimber {
  readonly low: Vec2;
  readonly high: Vec3;
  readonly heading: Vec2;
  readonly stock: Stock;
  /** The side that ends at the corner, and the one that starts there. */
  readonly sides: readonly [SideLine, SideLine];
}

const edgeAt = (bay: Bay, before: SideLine, after: SideLine): RoofEdge => {
  const edge = hipsOf(bay.roof).find(
    (hip) => hip.sides.includes(before.index) && hip.sides.includes(after.index),
  );
  if (edge === undefined)
    throw new Error(`frame: no hip between sides ${before.index}, ${after.index}`);
  return edge;
};

/** The hip that stands on outline corner `corner`. */
export const hipTimber = (bay: Bay, corner: number): HipTimber => {
  const before = sideOf(bay.roof, corner - 1 + bay.roof.sides.length);
  const after = sideOf(bay.roof, corner);
  const edge = edgeAt(bay, before, after);
  const stock = bay.job.timber.hip;
  if (stock === undefined) throw new Error('frame: a hip without a size passed the check');
  return {
    low: after.start,
    high: edge.to,
    heading: v2.unit(v2.sub(inPlan(edge.to), after.start)),
    stock,
    sides: [before, after],
  };
};
