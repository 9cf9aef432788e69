import { v2, type Vec2 } from '../geom';
import { degrees } from '../units';

/** Four walls as a tape gives them: wall i runs from corner i to the next. mm */
export interface FourSides {
  readonly sides: readonly [number, number, number, number];
  /** Corner 1 to corner 3. */
  readonly diagonal: number;
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
 * The plan of four walls from their lengths and one diagonal: two triangles on the diagonal. Wall 1 runs along x from
 * the origin.
 *
 *     4 ───── 3
 *     │    ／ │      wall 1: corner 1 → 2, wall 2: 2 → 3, …
 *     │ ／    │      diagonal: 1 → 3
 *     1 ───── 2
 */
export const fromSides = ({ sides, diagonal }: FourSides): Measured => {
  const [a, b, c, d] = sides;
  const fits = (p: number, q: number): boolean => diagonal < p + q && diagonal > Math.abs(p - q);
  if (!fits(a, b) || !fits(c, d)) {
    const [p, q, walls] = fits(a, b) ? [c, d, 'walls 3 and 4'] : [a, b, 'walls 1 and 2'];
    return {
      ok: false,
      text: `no triangle has ${walls} and this diagonal; accepted is over ${Math.abs(p - q).toFixed(0)} mm and under ${(p + q).toFixed(0)} mm`,
    };
  }
  const one: Vec2 = [0, 0];
  const two: Vec2 = [a, 0];
  const three = third(one, two, diagonal, b);
  const four = three === null ? null : third(one, three, d, c);
  if (three === null || four === null)
    return { ok: false, text: 'these walls and this diagonal do not close' };
  return { ok: true, outline: [one, two, three, four] };
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

/** The two diagonals of a four-sided plan: corner 1 to 3, and 2 to 4. mm */
export const diagonals = (outline: readonly Vec2[]): readonly [number, number] | null => {
  const [a, b, c, d] = outline;
  return outline.length !== 4 || !a || !b || !c || !d
    ? null
    : [v2.distance(a, c), v2.distance(b, d)];
};
