import type { Vec2 } from '@ogee/core/src/geom';

/** What part of a drawing is seen: a point of it, px, is shown at `scale` times itself, and so far on. */
export interface Sight {
  readonly scale: number;
  readonly x: number;
  readonly y: number;
}

/** All of it. */
export const WHOLE: Sight = { scale: 1, x: 0, y: 0 };

const MOST_SCALE = 14;
/** One step of a button or a key. */
export const STEP = 1.6;

/** Kept so that the drawing fills its room and no further out than all of it. */
export const within = ({ scale, x, y }: Sight, [width, height]: Vec2): Sight => {
  const own = Math.min(MOST_SCALE, Math.max(1, scale));
  const kept = (at: number, room: number): number => Math.min(0, Math.max(room * (1 - own), at));
  return { scale: own, x: kept(x, width), y: kept(y, height) };
};

/** Larger or smaller by a factor, the point under the finger staying under it. */
export const zoomed = (sight: Sight, by: number, [x, y]: Vec2, room: Vec2): Sight => {
  const scale = Math.min(MOST_SCALE, Math.max(1, sight.scale * by));
  const r = scale / sight.scale;
  return within({ scale, x: x - (x - sight.x) * r, y: y - (y - sight.y) * r }, room);
};

/** Moved with a finger. */
export const moved = (sight: Sight, [dx, dy]: Vec2, room: Vec2): Sight =>
  within({ ...sight, x: sight.x + dx, y: sight.y + dy }, room);

/** As two fingers hold it that went from where they were to where they are. */
export const pinched = (
  sight: Sight,
  was: readonly [Vec2, Vec2],
  now: readonly [Vec2, Vec2],
  room: Vec2,
): Sight => {
  const middle = ([p, q]: readonly [Vec2, Vec2]): Vec2 => [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];
  const apart = ([p, q]: readonly [Vec2, Vec2]): number =>
    Math.max(1, Math.hypot(q[0] - p[0], q[1] - p[1]));
  const [from, to] = [middle(was), middle(now)];
  const larger = zoomed(sight, apart(now) / apart(was), from, room);
  return moved(larger, [to[0] - from[0], to[1] - from[1]], room);
};

/** How what is painted at one sight is set to look as at another, as CSS. */
export const asAt = (painted: Sight, live: Sight): string => {
  const r = live.scale / painted.scale;
  return `translate(${live.x - r * painted.x}px, ${live.y - r * painted.y}px) scale(${r})`;
};
