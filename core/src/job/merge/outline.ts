import { SAME_POINT_MM, type Vec2 } from '../../geom';

/** Figures that differ by less were not changed: sums of walls leave such bits behind. */
const alike = (p: number, q: number): boolean => Math.abs(p - q) < SAME_POINT_MM;

/** A corner's place, then the way along each wall: x and y of each by itself. */
const steps = (outline: readonly Vec2[]): number[] => {
  const [first = [0, 0]] = outline;
  return [
    ...first,
    ...outline.flatMap((corner, i) => {
      const next = outline[(i + 1) % outline.length] ?? corner;
      return [next[0] - corner[0], next[1] - corner[1]];
    }),
  ];
};

const tidy = (mm: number): number => Number(mm.toFixed(6));

/** What came of two outlines made of one: an outline, and the walls that both changed. */
export interface MergedOutline {
  readonly outline: readonly Vec2[];
  readonly walls: readonly number[];
}

/**
 * Two outlines that were made of one, as one that has what each changed: of each wall its way along x and along y, and the
 * first corner's place. Where both changed the same otherwise, `mine` stands and the wall is named; where the walls would
 * not close, every wall is.
 *
 * @returns null where they have not the same number of walls
 */
export const mergedOutline = (
  base: readonly Vec2[],
  mine: readonly Vec2[],
  theirs: readonly Vec2[],
): MergedOutline | null => {
  if (base.length !== mine.length || base.length !== theirs.length) return null;
  const [was, own, other] = [steps(base), steps(mine), steps(theirs)];
  const walls = new Set<number>();
  const all = was.map((before, i) => {
    const [p = 0, q = 0] = [own[i], other[i]];
    if (alike(p, before)) return q;
    if (!alike(q, before) && !alike(p, q)) walls.add(Math.max(0, Math.floor(i / 2) - 1));
    return p;
  });
  const corners: Vec2[] = [];
  let at: Vec2 = [all[0] ?? 0, all[1] ?? 0];
  for (let wall = 0; wall < base.length; wall += 1) {
    corners.push([tidy(at[0]), tidy(at[1])]);
    at = [at[0] + (all[2 + 2 * wall] ?? 0), at[1] + (all[3 + 2 * wall] ?? 0)];
  }
  const closes = alike(at[0], all[0] ?? 0) && alike(at[1], all[1] ?? 0);
  return closes
    ? { outline: corners, walls: [...walls].sort((p, q) => p - q) }
    : { outline: mine, walls: base.map((_, wall) => wall) };
};
