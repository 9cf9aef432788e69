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

export const toWorld = (frame: BoardFrame, local: Vec3): Vec3 =>
  v3.add(
    v3.add(frame.origin, v3.scale(frame.a, local[0])),
    v3.add(v3.scale(frame.s, local[1]), v3.scale(frame.e, local[2])),
  );

/** A world half-space in the board's own `[a, s, e]` coordinates. */
export const halfSpaceToLocal = (frame: BoardFrame, keep: HalfSpace): HalfSpace => ({
  normal: directionToLocal(frame, keep.normal),
  offset: -planeAt(keep, frame.origin),
});
