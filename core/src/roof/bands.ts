import type { Plane, Vec2 } from '../geom';
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

/** Height of a roof plane over a point of the plan, mm. */
export const heightAt = ({ plane }: Pick<RoofPlane, 'plane'>, p: Vec2): number =>
  (plane.offset - plane.normal[0] * p[0] - plane.normal[1] * p[1]) / plane.normal[2];

/** The plane that makes a block's own roof over a point of the plan, were there no other block. */
export const planeOver = <P extends Steep & { readonly plane: Plane }>(
  bands: readonly Bands<P>[],
  p: Vec2,
): P | null => {
  let found: P | null = null;
  let least = Infinity;
  for (const own of bands) {
    let side: P | null = null;
    let z = Infinity;
    for (let band = 0; band < own.length; band += 1) {
      const plane = own[band];
      if (plane === undefined) continue;
      const here = heightAt(plane, p);
      // Of the two lowest where the eave kicks out, the higher is the roof.
      if (band === 1 && kicksOut(own) ? here > z : here < z) {
        side = plane;
        z = here;
      }
    }
    if (z < least) {
      found = side;
      least = z;
    }
  }
  return found;
};
