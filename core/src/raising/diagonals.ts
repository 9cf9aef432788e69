import { SAME_POINT_MM, v2, v3, type Vec3 } from '../geom';
import type { BlockRoof, Roof } from '../roof';

/** From the two corners of a wall's plate to the further end of what its slope runs up to. mm */
export interface Diagonals {
  readonly wall: string;
  readonly one: number;
  readonly other: number;
}

/** Where a slope's top ends: its one ridge's two ends, or twice the peak in which its two hips meet; null otherwise. */
const topOf = (roof: Roof, slope: number): readonly [Vec3, Vec3] | null => {
  const own = roof.lines.filter(({ slopes }) => slopes.includes(slope));
  const ridges = own.filter(({ kind }) => kind === 'ridge');
  const [ridge] = ridges;
  if (ridge !== undefined) return ridges.length === 1 ? [ridge.from, ridge.to] : null;
  const [one, other, ...more] = own.filter(({ kind }) => kind === 'hip');
  return one !== undefined &&
    other !== undefined &&
    more.length === 0 &&
    v3.distance(one.to, other.to) < SAME_POINT_MM
    ? [one.to, other.to]
    : null;
};

/**
 * Of every wall whose slope has a plain top, how far it is crosswise: from the plate's corner at the wall's start to the
 * end of the ridge that lies further along, and from its other corner to the nearer. A frame that leans has them unlike.
 */
export const diagonalsOf = (roof: Roof): Diagonals[] => {
  const { laid, blocks, slopes } = roof;
  const standing = blocks.filter(
    ({ id, partOf }) => id === partOf && !laid.some(({ block }) => block === id),
  );
  return standing.flatMap((block: BlockRoof) =>
    block.sides.flatMap(({ index, start, end, along, plateMm }): Diagonals[] => {
      const slope = block.planes[index]?.slope;
      // A slope that several walls share has no corners of its own.
      if (slope === undefined || (slopes[slope]?.sides.length ?? 0) > 1) return [];
      const top = topOf(roof, slope);
      if (top === null) return [];
      const [near, far] = [...top].sort(
        (p, q) => v2.dot(v3.inPlan(p), along) - v2.dot(v3.inPlan(q), along),
      );
      if (near === undefined || far === undefined) return [];
      const name = standing.length === 1 ? 'wall' : `${block.id} wall`;
      return [
        {
          wall: `${name} ${index + 1}`,
          one: v3.distance([start[0], start[1], plateMm], far),
          other: v3.distance([end[0], end[1], plateMm], near),
        },
      ];
    }),
  );
};
