import { planeAt, type HalfSpace } from './plane';
import type { Vec3 } from './vec';
import * as v3 from './vec3';

/**
 * A board's own axes, of unit length and right-handed, as `[a, s, e]` coordinates about `origin`:
 *
 *        e  up, square to the edge
 *        |   s  square to the wide face
 *        |  /
 *        | /
 *        +---------- a  along the board, low end to high end
 */
export interface BoardFrame {
  readonly origin: Vec3;
  readonly a: Vec3;
  readonly s: Vec3;
  readonly e: Vec3;
}

export const directionToLocal = (frame: BoardFrame, direction: Vec3): Vec3 => [
  v3.dot(direction, frame.a),
  v3.dot(direction, frame.s),
  v3.dot(direction, frame.e),
];

export const toWorld = ({ origin, a, s, e }: BoardFrame, [i, j, k]: Vec3): Vec3 => [
  origin[0] + a[0] * i + (s[0] * j + e[0] * k),
  origin[1] + a[1] * i + (s[1] * j + e[1] * k),
  origin[2] + a[2] * i + (s[2] * j + e[2] * k),
];

/** A world half-space in the board's own `[a, s, e]` coordinates. */
export const halfSpaceToLocal = (frame: BoardFrame, keep: HalfSpace): HalfSpace => ({
  normal: directionToLocal(frame, keep.normal),
  offset: -planeAt(keep, frame.origin),
});
