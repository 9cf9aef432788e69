import type { FrameMesh } from '@ogee/core/src/drawing';
import { BufferAttribute, BufferGeometry, Color } from 'three';
import type { BoardLook } from './look';

/** Metres on screen: three's depth is happier with small numbers. */
export const PER_MM = 0.001;
/** A cut across the grain is darker than the side of its board. */
const END_GRAIN = 0.72;

/** Rows of x, y, z as three draws them: y up, about the plan's middle. */
export const turned = (row: Float32Array, [x0, y0]: FrameMesh['middle']): Float32Array => {
  const own = new Float32Array(row.length);
  for (let i = 0; i < row.length; i += 3) {
    own[i] = ((row[i] ?? 0) - x0) * PER_MM;
    own[i + 1] = (row[i + 2] ?? 0) * PER_MM;
    own[i + 2] = -((row[i + 1] ?? 0) - y0) * PER_MM;
  }
  return own;
};

export const geometryOf = (positions: Float32Array): BufferGeometry => {
  const geometry = new BufferGeometry();
  geometry.setAttribute('position', new BufferAttribute(positions, 3));
  return geometry;
};

/** The colour of every corner: its board's, darker where it is cut across the grain. */
export const coloursOf = (mesh: FrameMesh, looks: readonly BoardLook[]): BufferAttribute => {
  const colours = new Float32Array(mesh.corners.length);
  const side = new Color();
  for (const [i, { corners }] of mesh.boards.entries()) {
    side.set(looks[i]?.colour ?? '#888');
    for (let at = corners.from; at < corners.to; at += 3) {
      const share = mesh.endGrain[at / 3] === 1 ? END_GRAIN : 1;
      colours[at] = side.r * share;
      colours[at + 1] = side.g * share;
      colours[at + 2] = side.b * share;
    }
  }
  return new BufferAttribute(colours, 3);
};

/** The numbers of the points of some boards, of their corners or of their edges. */
export const pointsOf = (
  { boards }: FrameMesh,
  of: 'corners' | 'edges',
  wanted: (i: number) => boolean,
): Uint32Array => {
  const stretches = boards.flatMap((board, i) => (wanted(i) ? [board[of]] : []));
  const points = new Uint32Array(stretches.reduce((sum, { from, to }) => sum + (to - from) / 3, 0));
  let k = 0;
  for (const { from, to } of stretches)
    for (let at = from / 3; at < to / 3; at += 1) points[k++] = at;
  return points;
};

/** The board that a corner belongs to, by its number; −1 for none. */
export const boardAt = ({ boards }: FrameMesh, corner: number): number => {
  let [low, high] = [0, boards.length - 1];
  while (low <= high) {
    const middle = (low + high) >> 1;
    const { from = 0, to = 0 } = boards[middle]?.corners ?? {};
    if (corner * 3 < from) high = middle - 1;
    else if (corner * 3 >= to) low = middle + 1;
    else return middle;
  }
  return -1;
};
