import { solidOf, type Member } from '../frame';
import { SAME_POINT_MM, toWorld } from '../geom';

/** What six decimals write as nought. mm */
const NOUGHT_MM = SAME_POINT_MM / 2;

/** Six decimals of a millimetre, without a negative nought. */
const fixed = (value: number): string => (Math.abs(value) < NOUGHT_MM ? 0 : value).toFixed(6);

/**
 * Wavefront OBJ: one object a member, named by its mark and id, in mm, z up. A notched board is two convex pieces of
 * one object.
 */
export const framingObj = (members: readonly Member[], markOf: (id: string) => string): string => {
  const lines = ['# millimetres, z up'];
  let vertex = 0;
  for (const member of members) {
    lines.push(`o ${markOf(member.id)}_${member.id}`);
    for (const piece of solidOf(member)) {
      for (const face of piece) {
        for (const point of face.points) {
          lines.push(`v ${toWorld(member.frame, point).map(fixed).join(' ')}`);
        }
        lines.push(`f ${face.points.map((_, i) => vertex + i + 1).join(' ')}`);
        vertex += face.points.length;
      }
    }
  }
  return `${lines.join('\n')}\n`;
};
