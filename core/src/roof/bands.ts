import type { RoofPlane } from './model';

type Steep = Pick<RoofPlane, 'rise'>;

/** One side's planes, from the eave up. */
export type Bands<Plane = RoofPlane> = readonly Plane[];

/**
 * Whether the roof kicks out at the eave: its lowest band is shallower than the next, so that the side's roof is the
 * higher of the two. At every other break it is the lower one.
 *
 *        ╱          ╱──
 *      ╱           │
 *  ──╯  kick       │  break to a shallower pitch above
 */
export const kicksOut = ([first, second]: Bands<Steep>): boolean =>
  first !== undefined && second !== undefined && second.rise > first.rise;

/** A side's roof in two parts: planes of which the higher counts, and planes none of which it stands above. */
export const kickAndRest = <Plane extends Steep>(
  own: Bands<Plane>,
): { readonly kick: Bands<Plane>; readonly rest: Bands<Plane> } =>
  kicksOut(own) ? { kick: own.slice(0, 2), rest: own.slice(2) } : { kick: [], rest: own };
