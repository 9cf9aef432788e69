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

const known = new WeakMap<object, readonly PolygonEdge<unknown>[]>();

/** The edges of a convex polygon, worked out once. */
export const edgesOf = <Tag>(polygon: TaggedPolygon<Tag>): readonly PolygonEdge<Tag>[] => {
  const before = known.get(polygon);
  if (before !== undefined) return before as readonly PolygonEdge<Tag>[];
  const { points, tags } = polygon;
  const edges: PolygonEdge<Tag>[] = [];
  for (const [i, point] of points.entries()) {
    const next = points[(i + 1) % points.length] ?? point;
    const tag = tags[i];
    if (tag !== undefined)
      edges.push({ point, inward: v2.left(v2.unit(v2.sub(next, point))), tag });
  }
  known.set(polygon, edges);
  return edges;
};

/** Whether a line along an edge of one convex polygon has all of the other on its far side, but for `slack`. */
export const partedByEdge = (
  one: TaggedPolygon<unknown>,
  other: TaggedPolygon<unknown>,
  slack: number,
): boolean =>
  edgesOf(one).some(({ point, inward }) => {
    const [nx, ny] = inward;
    const from = nx * point[0] + ny * point[1] + slack;
    return other.points.every((p) => nx * p[0] + ny * p[1] <= from);
  });

/** Signed area, positive when counter-clockwise. Square units of the points. */
export const area2 = (points: readonly Vec2[]): number => {
  let doubled = 0;
  for (const [i, a] of points.entries()) {
    const b = points[(i + 1) % points.length];
    if (b !== undefined) doubled += v2.cross(a, b);
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
  const count = polygon.points.length;
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
    const at = v2.add(a, v2.scale(v2.sub(b, a), va / (va - vb)));
    push(at, aIn ? tag : edge);
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
  for (const { point, inward, tag } of edgesOf(polygon)) {
    const depth = v2.dot(v2.sub(from, point), inward);
    const rate = v2.dot(direction, inward);
    if (Math.abs(rate) < PARALLEL_SINE) {
      if (depth < -SAME_POINT_MM) return null;
      continue;
    }
    const t = -depth / rate;
    if (rate > 0 && t > low) [low, lowTag] = [t, tag];
    if (rate < 0 && t < high) [high, highTag] = [t, tag];
  }
  return lowTag === undefined || highTag === undefined || high - low < SAME_POINT_MM
    ? null
    : { low, high, lowTag, highTag };
};
