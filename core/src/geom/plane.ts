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

export type Meeting =
  | { readonly kind: 'line'; readonly point: Vec3; readonly direction: Vec3 }
  | { readonly kind: 'parallel' }
  | { readonly kind: 'coincident' };

/** The line two planes share; `direction` is of unit length. */
export const meet = (a: Plane, b: Plane): Meeting => {
  const along = v3.cross(a.normal, b.normal);
  const size2 = v3.dot(along, along);
  if (Math.sqrt(size2) < PARALLEL_SINE) {
    const same = Math.sign(v3.dot(a.normal, b.normal)) * b.offset;
    return { kind: Math.abs(a.offset - same) < SAME_POINT_MM ? 'coincident' : 'parallel' };
  }
  // The point of the shared line nearest the origin.
  const point = v3.scale(
    v3.cross(v3.sub(v3.scale(b.normal, a.offset), v3.scale(a.normal, b.offset)), along),
    1 / size2,
  );
  return { kind: 'line', point, direction: v3.unit(along) };
};
