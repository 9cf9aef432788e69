import type { Vec2, Vec3 } from './vec';

export const add = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const sub = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const scale = (a: Vec3, k: number): Vec3 => [a[0] * k, a[1] * k, a[2] * k];
export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const length = (a: Vec3): number => Math.sqrt(a[0] * a[0] + a[1] * a[1] + a[2] * a[2]);
export const distance = (a: Vec3, b: Vec3): number =>
  Math.sqrt((a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2);
/** Whether two points lie less than so far apart: as told by {@link distance}, without its root. */
export const isWithin = (a: Vec3, b: Vec3, mm: number): boolean => {
  const [dx, dy, dz] = [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
  return dx * dx + dy * dy + dz * dz < mm * mm;
};
export const lerp = (a: Vec3, b: Vec3, t: number): Vec3 => [
  a[0] + (b[0] - a[0]) * t,
  a[1] + (b[1] - a[1]) * t,
  a[2] + (b[2] - a[2]) * t,
];

export const unit = (a: Vec3): Vec3 => {
  const size = length(a);
  if (size === 0) throw new Error('geom: a zero vector has no direction');
  return scale(a, 1 / size);
};

/** Seen from above: the point without its height. */
export const inPlan = (p: Vec3): Vec2 => [p[0], p[1]];

/** A direction no steeper than this, as a cosine, has a sound cross product with the plumb. */
const STEEP = 0.7;

/** An axis of the world that a unit direction does not run along: to make two square to it. */
export const aside = (direction: Vec3): Vec3 => {
  const plumb: Vec3 = [0, 0, 1];
  return Math.abs(direction[2]) < STEEP ? plumb : [1, 0, 0];
};
