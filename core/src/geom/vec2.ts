import type { Vec2 } from './vec';

export const add = (a: Vec2, b: Vec2): Vec2 => [a[0] + b[0], a[1] + b[1]];
export const sub = (a: Vec2, b: Vec2): Vec2 => [a[0] - b[0], a[1] - b[1]];
export const scale = (a: Vec2, k: number): Vec2 => [a[0] * k, a[1] * k];
export const dot = (a: Vec2, b: Vec2): number => a[0] * b[0] + a[1] * b[1];
/** z of the cross product: positive when b lies counter-clockwise of a. */
export const cross = (a: Vec2, b: Vec2): number => a[0] * b[1] - a[1] * b[0];
export const length = (a: Vec2): number => Math.sqrt(a[0] * a[0] + a[1] * a[1]);
export const distance = (a: Vec2, b: Vec2): number => length(sub(a, b));
/** A quarter turn counter-clockwise: the inward normal of a side of a counter-clockwise outline. */
export const left = (a: Vec2): Vec2 => [-a[1], a[0]];

export const unit = (a: Vec2): Vec2 => {
  const size = length(a);
  if (size === 0) throw new Error('geom: a zero vector has no direction');
  return [a[0] / size, a[1] / size];
};
