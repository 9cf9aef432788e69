import type { HalfSpace } from './plane';
import { planeAt } from './plane';
import type { Interval } from './intervals';
import { PARALLEL_SINE, SAME_POINT_MM } from './tolerance';
import type { Vec3 } from './vec';
import * as v3 from './vec3';

/** One flat face, its corners counter-clockwise as seen from outside. */
export interface SolidFace<Tag> {
  readonly tag: Tag;
  readonly points: readonly Vec3[];
}

/** A convex solid by its faces. No faces: nothing is left of it. */
export type ConvexSolid<Tag> = readonly SolidFace<Tag>[];

/** An axis-parallel box from `low` to `high`; `tags` for −x, +x, −y, +y, −z, +z. */
export const box = <Tag>(
  low: Vec3,
  high: Vec3,
  tags: readonly [Tag, Tag, Tag, Tag, Tag, Tag],
): ConvexSolid<Tag> => {
  const [x0, y0, z0] = low;
  const [x1, y1, z1] = high;
  const a: Vec3 = [x0, y0, z0];
  const b: Vec3 = [x1, y0, z0];
  const c: Vec3 = [x1, y1, z0];
  const d: Vec3 = [x0, y1, z0];
  const e: Vec3 = [x0, y0, z1];
  const f: Vec3 = [x1, y0, z1];
  const g: Vec3 = [x1, y1, z1];
  const h: Vec3 = [x0, y1, z1];
  return [
    { tag: tags[0], points: [a, e, h, d] },
    { tag: tags[1], points: [b, c, g, f] },
    { tag: tags[2], points: [a, b, f, e] },
    { tag: tags[3], points: [d, h, g, c] },
    { tag: tags[4], points: [a, d, c, b] },
    { tag: tags[5], points: [e, f, g, h] },
  ];
};

/** What is kept of a face's corners, given how far each lies outside; those on the cutting plane are added to `cap`. */
const clipLoop = (points: readonly Vec3[], outside: readonly number[], cap: Vec3[]): Vec3[] => {
  const kept: Vec3[] = [];
  for (let i = 0; i < points.length; i += 1) {
    const j = i + 1 === points.length ? 0 : i + 1;
    const [a, b, da, db] = [points[i], points[j], outside[i], outside[j]];
    if (a === undefined || b === undefined || da === undefined || db === undefined) continue;
    if (da <= SAME_POINT_MM) kept.push(a);
    if (Math.abs(da) <= SAME_POINT_MM) cap.push(a);
    const across =
      (da < -SAME_POINT_MM && db > SAME_POINT_MM) || (da > SAME_POINT_MM && db < -SAME_POINT_MM);
    if (across) {
      const point = v3.lerp(a, b, da / (da - db));
      kept.push(point);
      cap.push(point);
    }
  }
  return kept;
};

/** Corners of a cap no further apart than this are one. mm */
const ONE_CORNER_MM = 10 * SAME_POINT_MM;

/** The corners of a convex cap in order round `normal`, doubles removed. */
const orderCap = (points: readonly Vec3[], normal: Vec3): Vec3[] => {
  const unique: Vec3[] = [];
  for (const point of points) {
    let known = false;
    for (const other of unique)
      known ||= other === point || v3.isWithin(other, point, ONE_CORNER_MM);
    if (!known) unique.push(point);
  }
  const first = unique[0];
  if (first === undefined || unique.length < 3) return [];
  const centre = v3.scale(unique.reduce(v3.add, [0, 0, 0]), 1 / unique.length);
  const right = v3.unit(v3.sub(first, centre));
  const up = v3.cross(normal, right);
  const middle = v3.dot(centre, up);
  const across = v3.dot(centre, right);
  const turns = unique.map((point) =>
    Math.atan2(v3.dot(point, up) - middle, v3.dot(point, right) - across),
  );
  // Few corners: each is put in its place as it comes.
  for (let i = 1; i < unique.length; i += 1) {
    const [point, turn] = [unique[i], turns[i]];
    if (point === undefined || turn === undefined) continue;
    let place = i;
    for (; place > 0 && (turns[place - 1] ?? -Infinity) > turn; place -= 1) {
      turns[place] = turns[place - 1] ?? 0;
      unique[place] = unique[place - 1] ?? point;
    }
    turns[place] = turn;
    unique[place] = point;
  }
  return unique;
};

/** Keeps the part of the solid inside the half-space; the new face carries `tag`. */
export const clipSolid = <Tag>(
  solid: ConvexSolid<Tag>,
  keep: HalfSpace,
  tag: Tag,
): ConvexSolid<Tag> => {
  const faces: SolidFace<Tag>[] = [];
  const cap: Vec3[] = [];
  const outside: number[] = [];
  let cut = false;
  for (const face of solid) {
    let low = Infinity;
    let high = -Infinity;
    for (let i = 0; i < face.points.length; i += 1) {
      const point = face.points[i];
      if (point === undefined) continue;
      const depth = planeAt(keep, point);
      outside[i] = depth;
      if (depth < low) low = depth;
      if (depth > high) high = depth;
    }
    if (high > SAME_POINT_MM) cut = true;
    if (high < -SAME_POINT_MM) {
      faces.push(face);
      continue;
    }
    const points = clipLoop(face.points, outside, cap);
    if (points.length >= 3 && low < -SAME_POINT_MM) faces.push({ tag: face.tag, points });
  }
  if (!cut) return solid;
  if (faces.length === 0) return [];
  const points = orderCap(cap, keep.normal);
  if (points.length >= 3) faces.push({ tag, points });
  return faces;
};

/** Keeps the part of the solid inside every one of the half-spaces; new faces carry `tag`. */
export const clipByAll = <Tag>(
  solid: ConvexSolid<Tag>,
  keeps: readonly HalfSpace[],
  tag: Tag,
): ConvexSolid<Tag> => {
  let rest = solid;
  for (const keep of keeps) rest = clipSolid(rest, keep, tag);
  return rest;
};

/** The stretch of the line `from + t·along` inside every one of the half-spaces, `along` unit; null where there is none. */
export const chordWithin = (
  keeps: readonly HalfSpace[],
  from: Vec3,
  along: Vec3,
): Interval | null => {
  let [low, high] = [-Infinity, Infinity];
  for (const keep of keeps) {
    const rate = v3.dot(keep.normal, along);
    const left = -planeAt(keep, from);
    if (Math.abs(rate) < PARALLEL_SINE) {
      if (left < 0) return null;
    } else if (rate > 0) high = Math.min(high, left / rate);
    else low = Math.max(low, left / rate);
  }
  return low < high ? [low, high] : null;
};

/** The least and greatest value of axis 0, 1 or 2 over the solid; null when nothing is left of it. */
export const extent = (
  solid: ConvexSolid<unknown>,
  axis: 0 | 1 | 2,
): readonly [number, number] | null => {
  let low = Infinity;
  let high = -Infinity;
  for (const face of solid) {
    for (const point of face.points) {
      low = Math.min(low, point[axis]);
      high = Math.max(high, point[axis]);
    }
  }
  return low <= high ? [low, high] : null;
};

/** Volume, in cubic units of the points, as pyramids from the first corner. */
export const volume = (solid: ConvexSolid<unknown>): number => {
  const apex = solid[0]?.points[0];
  if (apex === undefined) return 0;
  let sixfold = 0;
  for (const face of solid) {
    const first = face.points[0];
    for (let i = 1; first !== undefined && i + 1 < face.points.length; i += 1) {
      const b = face.points[i];
      const c = face.points[i + 1];
      if (b === undefined || c === undefined) continue;
      sixfold += v3.dot(v3.sub(first, apex), v3.cross(v3.sub(b, apex), v3.sub(c, apex)));
    }
  }
  return sixfold / 6;
};
