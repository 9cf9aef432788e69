import { PARALLEL_SINE, SAME_POINT_MM } from './tolerance';
import type { Vec2 } from './vec';
import * as v2 from './vec2';

/** A convex polygon, counter-clockwise; `tags[i]` names the line that carries the edge from point i to i+1. */
export interface TaggedPolygon<Tag> {
  readonly points: readonly Vec2[];
  readonly tags: readonly Tag[];
}

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
