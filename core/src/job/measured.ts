import { v2, type Vec2 } from '../geom';
import { degrees, radians } from '../units';

/** Walls as a tape gives them, wall i from corner i to the next, and the diagonals from corner 1: to corner 3, 4, … mm */
export interface MeasuredSides {
  readonly sides: readonly number[];
  /** Three fewer than there are walls. */
  readonly diagonals: readonly number[];
}

/** Walls and the angles between them: all walls but the last, and the inside angles from corner 2 on, two fewer. */
export interface MeasuredAngles {
  /** mm */
  readonly sides: readonly number[];
  /** Degrees. */
  readonly angles: readonly number[];
}

export type Measured =
  | { readonly ok: true; readonly outline: readonly Vec2[] }
  | { readonly ok: false; readonly text: string };

/** A corner from two known ones and its distances to them, on the left of the way from `a` to `b`; null when they cannot meet. */
const third = (a: Vec2, b: Vec2, fromA: number, fromB: number): Vec2 | null => {
  const base = v2.distance(a, b);
  const along = (base * base + fromA * fromA - fromB * fromB) / (2 * base);
  const squared = fromA * fromA - along * along;
  if (!(squared > 0)) return null;
  const way = v2.unit(v2.sub(b, a));
  return v2.add(a, v2.add(v2.scale(way, along), v2.scale(v2.left(way), Math.sqrt(squared))));
};

/**
 * The plan of some walls from their lengths and the diagonals from corner 1: one triangle after the other. Wall 1 runs
 * along x from the origin.
 *
 *     4 ───── 3
 *     │    ／ │      wall 1: corner 1 → 2, wall 2: 2 → 3, …
 *     │ ／    │      diagonals: 1 → 3, 1 → 4, …
 *     1 ───── 2
 */
export const fromSides = ({ sides, diagonals: across }: MeasuredSides): Measured => {
  const count = sides.length;
  const one: Vec2 = [0, 0];
  const outline: Vec2[] = [one, [sides[0] ?? 0, 0]];
  // From corner 1 to each corner: wall 1, the diagonals, the last wall.
  const spokes = [sides[0] ?? 0, ...across, sides[count - 1] ?? 0];
  for (let k = 2; k < count; k += 1) {
    const [far, wall] = [spokes[k - 1] ?? 0, sides[k - 1] ?? 0];
    const last = outline[k - 1] ?? one;
    const next = third(one, last, far, wall);
    if (next === null) return { ok: false, text: noTriangle(k, count, sides, across) };
    outline.push(next);
  }
  return { ok: true, outline };
};

/** Which walls and which diagonal make no triangle, and what would. */
const noTriangle = (
  k: number,
  count: number,
  sides: readonly number[],
  across: readonly number[],
): string => {
  const mm = (value: number): string => value.toFixed(0);
  const between = (low: number, high: number): string =>
    `accepted is over ${mm(Math.abs(low - high))} mm and under ${mm(low + high)} mm`;
  const [near, far] = [
    k === 2 ? sides[0] : across[k - 3],
    k === count - 1 ? sides[k] : across[k - 2],
  ];
  const [p, q, wall] = [near ?? 0, far ?? 0, sides[k - 1] ?? 0];
  if (count === 3)
    return `no triangle has walls ${mm(p)}, ${mm(wall)} and ${mm(q)} mm long; for the third ${between(p, wall)}`;
  if (k === 2)
    return `no triangle has walls 1 and 2 and ${count === 4 ? 'this diagonal' : 'the diagonal to corner 3'}; ${between(p, wall)}`;
  if (k === count - 1)
    return `no triangle has walls ${k} and ${count} and ${count === 4 ? 'this diagonal' : `the diagonal to corner ${k}`}; ${between(wall, q)}`;
  return `no triangle has wall ${k} and the diagonals to corners ${k} and ${k + 1}; for the second ${between(p, wall)}`;
};

/** The plan of some walls from the lengths of all but the last and the inside angles between them. */
export const fromAngles = ({ sides, angles }: MeasuredAngles): Measured => {
  let heading = 0;
  let at: Vec2 = [0, 0];
  const outline: Vec2[] = [at];
  for (const [i, length] of sides.entries()) {
    at = v2.add(at, [length * Math.cos(heading), length * Math.sin(heading)]);
    outline.push(at);
    heading += Math.PI - radians(angles[i] ?? 0);
  }
  const first = outline[1] ?? at;
  const before = outline[outline.length - 2] ?? at;
  // Round to corner 1 again, turning left at the last corner and at the first.
  const closes =
    v2.cross(v2.sub(at, before), v2.scale(at, -1)) > 0 && v2.cross(v2.scale(at, -1), first) > 0;
  return closes
    ? { ok: true, outline }
    : {
        ok: false,
        text: `with these walls and angles the last wall does not close the plan; the inside angles of ${outline.length} corners come to ${(outline.length - 2) * 180}° together`,
      };
};

/** One corner of a plan, and how far it is from square. */
export interface CornerAngle {
  /** Inside angle. */
  readonly deg: number;
  /** How far the shorter of its two walls ends out of square, square to the longer. mm */
  readonly outMm: number;
}

/** Every corner of an outline, corner i at the start of wall i. */
export const cornerAngles = (outline: readonly Vec2[]): CornerAngle[] =>
  outline.map((corner, i) => {
    const before = outline[(i + outline.length - 1) % outline.length] ?? corner;
    const after = outline[(i + 1) % outline.length] ?? corner;
    const [p, q] = [v2.sub(before, corner), v2.sub(after, corner)];
    const rad = Math.atan2(v2.cross(q, p), v2.dot(q, p));
    const shorter = Math.min(v2.length(p), v2.length(q));
    return { deg: degrees(rad), outMm: Math.abs(Math.cos(rad)) * shorter };
  });

/** The diagonals from corner 1, to corner 3, 4, … mm */
export const spokesOf = (outline: readonly Vec2[]): number[] => {
  const [one] = outline;
  return one === undefined ? [] : outline.slice(2, -1).map((p) => v2.distance(one, p));
};

/** The two diagonals of a four-sided plan: corner 1 to 3, and 2 to 4. mm */
export const diagonals = (outline: readonly Vec2[]): readonly [number, number] | null => {
  const [a, b, c, d] = outline;
  return outline.length !== 4 || !a || !b || !c || !d
    ? null
    : [v2.distance(a, c), v2.distance(b, d)];
};
