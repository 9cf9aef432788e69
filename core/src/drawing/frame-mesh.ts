import { solidOf, type Member } from '../frame';
import { toWorld, type Vec2 } from '../geom';
import type { Kind } from '../kinds';
import type { Roof } from '../roof';

/** The sawn boards in their places, as flat triangles ready for a graphics card. mm, x to the right, y away, z up. */
export interface FrameMesh {
  /** Corners of all triangles, x y z each, board by board. */
  readonly corners: Float32Array;
  readonly boards: readonly {
    readonly id: string;
    readonly kind: Kind;
    readonly mark: string;
    /** Its part of `corners`, in numbers. */
    readonly from: number;
    readonly to: number;
  }[];
  /** Middle of the plan. */
  readonly middle: Vec2;
  /** The longer way across the plan. mm */
  readonly size: number;
}

const trianglesOf = (member: Member): number[] =>
  solidOf(member).flatMap((piece) =>
    piece.flatMap(({ points }) => {
      const world = points.map((p) => toWorld(member.frame, p));
      const [first] = world;
      return world.slice(1, -1).flatMap((b, i) => {
        const c = world[i + 2];
        return first === undefined || c === undefined ? [] : [...first, ...b, ...c];
      });
    }),
  );

export const frameMesh = (
  { blocks }: Roof,
  members: readonly Member[],
  markOf: (id: string) => string,
): FrameMesh => {
  const plan = blocks.flatMap(({ grown }) => grown.points);
  const span = (axis: 0 | 1): readonly [number, number] => {
    const all = plan.map((p) => p[axis]);
    return [Math.min(...all), Math.max(...all)];
  };
  const [[west, east], [south, north]] = [span(0), span(1)];
  const triangles = members.map(trianglesOf);
  const corners = new Float32Array(triangles.reduce((sum, { length }) => sum + length, 0));
  let from = 0;
  const boards = members.map(({ id, kind }, i) => {
    const own = triangles[i] ?? [];
    corners.set(own, from);
    const board = { id, kind, mark: markOf(id), from, to: from + own.length };
    from = board.to;
    return board;
  });
  return {
    corners,
    boards,
    middle: [(west + east) / 2, (south + north) / 2],
    size: Math.max(east - west, north - south),
  };
};
