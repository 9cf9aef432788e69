import { PARALLEL_SINE, SAME_POINT_MM } from './tolerance';
import type { Vec3 } from './vec';
import * as v3 from './vec3';

/** All points p with normal · p = offset; the normal is of unit length. */
export interface Plane {
  readonly normal: Vec3;
  readonly offset: number;
}

/** The same plane, read as "keep what lies behind it": normal · p ≤ offset. */
export type HalfSpace = Plane;

/** The plane through `point` square to `normal` (any length but zero). */
export const through = (point: Vec3, normal: Vec3): Plane => {
  const unit = v3.unit(normal);
  return { normal: unit, offset: v3.dot(unit, point) };
};

/** Keeps what lies behind `point` as seen along `outward`. */
export const halfSpace = (point: Vec3, outward: Vec3): HalfSpace => through(point, outward);

export const flip = (plane: Plane): Plane => ({
  normal: v3.scale(plane.normal, -1),
  offset: -plane.offset,
});

/** Signed distance of a point, positive on the normal's side. */
export const planeAt = (plane: Plane, point: Vec3): number =>
  v3.dot(plane.normal, point) - plane.offset;

export type Crossing =
  | { readonly kind: 'point'; readonly t: number; readonly point: Vec3 }
  | { readonly kind: 'parallel' }
  | { readonly kind: 'within' };

/** Where the line `from + t·direction` crosses the plane. `direction` is of unit length, so t is a length. */
export const crossing = (plane: Plane, from: Vec3, direction: Vec3): Crossing => {
  const rate = v3.dot(plane.normal, direction);
  const away = planeAt(plane, from);
  if (Math.abs(rate) < PARALLEL_SINE) {
    return Math.abs(away) < SAME_POINT_MM ? { kind: 'within' } : { kind: 'parallel' };
  }
  const t = -away / rate;
  return { kind: 'point', t, point: v3.add(from, v3.scale(direction, t)) };
};
