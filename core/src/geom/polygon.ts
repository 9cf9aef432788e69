import { PARALLEL_SINE, SAME_POINT_MM } from './tolerance';
import type { Vec2 } from './vec';
import * as v2 from './vec2';

/** A convex polygon, counter-clockwise; `tags[i]` names the line that carries the edge from point i to i+1. */
export interface TaggedPolygon<Tag> {
  readonly points: readonly Vec2[];
  readonly tags: readonly Tag[];
}

/** One edge of a polygon as a line: inside lies to its left. */
export interface PolygonEdge<Tag> {
  readonly point: Vec2;
  /** Unit vector into the polygon. */
  readonly inward: Vec2;
  readonly tag: Tag;
}

/** The edges of a convex polygon as lines. */
export const edgesOf = <Tag>({ points, tags }: TaggedPolygon<Tag>): PolygonEdge<Tag>[] => {
  const edges: PolygonEdge<Tag>[] = [];
  for (let i = 0; i < points.length; i += 1) {
    const point = points[i];
    const next = points[(i + 1) % points.length];
    const tag = tags[i];
    if (point === undefined || next === undefined || tag === undefined) continue;
    const length = v2.distance(point, next);
    const inward: Vec2 = [(point[1] - next[1]) / length, (next[0] - point[0]) / length];
    edges.push({ point, inward, tag });
  }
  return edges;
};

/** How far inside a convex polygon, counter-clockwise, a point lies; negative outside it. */
export const insideBy = (points: readonly Vec2[], p: Vec2): number =>
  Math.min(
    ...points.map((a, i) => {
      const b = points[(i + 1) % points.length] ?? a;
      return v2.cross(v2.unit(v2.sub(b, a)), v2.sub(p, a));
    }),
  );

/** Whether a line along an edge of one convex polygon has all of the other on its far side, but for `slack`. */
export const partedByEdge = (
  { points }: TaggedPolygon<unknown>,
  other: TaggedPolygon<unknown>,
  slack: number,
): boolean => {
  let a = points[points.length - 1];
  for (const b of points) {
    if (a === undefined) return false;
    const nx = a[1] - b[1];
    const ny = b[0] - a[0];
    const from = nx * a[0] + ny * a[1] + slack * Math.sqrt(nx * nx + ny * ny);
    let beyond = true;
    for (const p of other.points) beyond &&= nx * p[0] + ny * p[1] <= from;
    if (beyond) return true;
    a = b;
  }
  return false;
};

/** Signed area, positive when counter-clockwise. Square units of the points. */
export const area2 = (points: readonly Vec2[]): number => {
  let doubled = 0;
  let a = points[points.length - 1];
  for (const b of points) {
    if (a !== undefined) doubled += v2.cross(a, b);
    a = b;
  }
  return doubled / 2;
};

/** Where the lines `a + s·da` and `b + t·db` cross, or null when they are parallel. */
export const lineCrossing = (a: Vec2, da: Vec2, b: Vec2, db: Vec2): Vec2 | null => {
  const sine = v2.cross(da, db);
  if (Math.abs(sine) < PARALLEL_SINE * v2.length(da) * v2.length(db)) return null;
  return v2.add(a, v2.scale(da, v2.cross(v2.sub(b, a), db) / sine));
};

/**
 * Keeps the part of a convex polygon where `value` ≤ 0; `value` is linear over the plan and measured in the
 * polygon's units. The new edge carries `tag`. An empty or collapsed result is null.
 */
export const clipConvex = <Tag>(
  polygon: TaggedPolygon<Tag>,
  value: (p: Vec2) => number,
  tag: Tag,
): TaggedPolygon<Tag> | null => {
  const count = polygon.points.length;
  let inside = 0;
  for (const point of polygon.points) if (value(point) <= SAME_POINT_MM) inside += 1;
  if (inside === count) return polygon;
  if (inside === 0) return null;
  const points: Vec2[] = [];
  const tags: Tag[] = [];
  const push = (point: Vec2, edge: Tag): void => {
    const last = points[points.length - 1];
    if (last !== undefined && v2.distance(last, point) < SAME_POINT_MM)
      tags[tags.length - 1] = edge;
    else {
      points.push(point);
      tags.push(edge);
    }
  };
  for (let i = 0; i < count; i += 1) {
    const a = polygon.points[i];
    const b = polygon.points[(i + 1) % count];
    const edge = polygon.tags[i];
    if (a === undefined || b === undefined || edge === undefined) continue;
    const va = value(a);
    const vb = value(b);
    const aIn = va <= SAME_POINT_MM;
    const bIn = vb <= SAME_POINT_MM;
    if (aIn) push(a, edge);
    if (aIn === bIn) continue;
    const t = va / (va - vb);
    push([a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t], aIn ? tag : edge);
  }
  const first = points[0];
  const last = points[points.length - 1];
  if (points.length > 1 && first && last && v2.distance(first, last) < SAME_POINT_MM) {
    points.pop();
    tags.pop();
  }
  return points.length < 3 || area2(points) < SAME_POINT_MM ? null : { points, tags };
};

/** One side of a convex region to be taken away: what lies where `value` ≤ 0 is inside it. */
export interface ConvexBound<Tag> {
  readonly value: (p: Vec2) => number;
  readonly tag: Tag;
}

/**
 * Takes a convex region, given by its bounds, out of a convex polygon. What is left falls into convex pieces; edges
 * that only part one piece from the next carry `seam`.
 */
export const subtractConvex = <Tag>(
  polygon: TaggedPolygon<Tag>,
  bounds: readonly ConvexBound<Tag>[],
  seam: Tag,
): TaggedPolygon<Tag>[] => {
  const pieces: TaggedPolygon<Tag>[] = [];
  let rest: TaggedPolygon<Tag> | null = polygon;
  for (const { value, tag } of bounds) {
    if (rest === null) break;
    const outside: TaggedPolygon<Tag> | null = clipConvex(rest, (p) => -value(p), tag);
    if (outside !== null) pieces.push(outside);
    rest = clipConvex(rest, value, seam);
  }
  return rest === null ? [polygon] : pieces;
};

/** Where a line runs through a convex polygon: its parameters in and out, and the tags it passes; null if it misses. */
export interface Chord<Tag> {
  readonly low: number;
  readonly high: number;
  readonly lowTag: Tag;
  readonly highTag: Tag;
}

/** The chord of the line `from + t·direction`; `direction` is of unit length, so t is a length. */
export const chordOf = <Tag>(
  polygon: TaggedPolygon<Tag>,
  from: Vec2,
  direction: Vec2,
): Chord<Tag> | null => {
  let low = -Infinity;
  let high = Infinity;
  let lowTag: Tag | undefined;
  let highTag: Tag | undefined;
  const { points, tags } = polygon;
  for (let i = 0; i < points.length; i += 1) {
    const a = points[i];
    const b = points[(i + 1) % points.length];
    if (a === undefined || b === undefined) continue;
    const length = v2.distance(a, b);
    // Depth inside the edge's line and its rate along the chord, by the edge's inward normal.
    const nx = (a[1] - b[1]) / length;
    const ny = (b[0] - a[0]) / length;
    const depth = (from[0] - a[0]) * nx + (from[1] - a[1]) * ny;
    const rate = direction[0] * nx + direction[1] * ny;
    if (Math.abs(rate) < PARALLEL_SINE) {
      if (depth < -SAME_POINT_MM) return null;
      continue;
    }
    const t = -depth / rate;
    if (rate > 0 && t > low) [low, lowTag] = [t, tags[i]];
    if (rate < 0 && t < high) [high, highTag] = [t, tags[i]];
  }
  return lowTag === undefined || highTag === undefined || high - low < SAME_POINT_MM
    ? null
    : { low, high, lowTag, highTag };
};

/** Chords of one line through neighbouring polygons, low to high: those that come within `near` of each other are one. */
export const joinedChords = <C extends { low: number; high: number; highTag: unknown }>(
  chords: readonly C[],
  near: number,
): C[] => {
  const joined: C[] = [];
  for (const chord of [...chords].sort((p, q) => p.low - q.low)) {
    const last = joined.at(-1);
    if (last === undefined || chord.low > last.high + near) joined.push(chord);
    else if (chord.high > last.high)
      joined[joined.length - 1] = { ...last, high: chord.high, highTag: chord.highTag };
  }
  return joined;
};

/** What two convex polygons have in common, counter-clockwise; empty where that is nothing. */
export const commonConvex = (one: readonly Vec2[], other: readonly Vec2[]): readonly Vec2[] => {
  let rest: readonly Vec2[] = one;
  let a = other[other.length - 1];
  for (const b of other) {
    if (a === undefined || rest.length === 0) return [];
    const nx = b[1] - a[1];
    const ny = a[0] - b[0];
    const at = nx * a[0] + ny * a[1];
    const kept: Vec2[] = [];
    let p = rest[rest.length - 1];
    let outP = p === undefined ? 0 : nx * p[0] + ny * p[1] - at;
    for (const q of rest) {
      const outQ = nx * q[0] + ny * q[1] - at;
      if (p !== undefined && ((outP < 0 && outQ > 0) || (outP > 0 && outQ < 0))) {
        const t = outP / (outP - outQ);
        kept.push([p[0] + (q[0] - p[0]) * t, p[1] + (q[1] - p[1]) * t]);
      }
      if (outQ <= 0) kept.push(q);
      p = q;
      outP = outQ;
    }
    rest = kept;
    a = b;
  }
  return rest.length < 3 ? [] : rest;
};
