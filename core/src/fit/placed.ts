import { toWorld, v3, type ConvexSolid, type Plane, type Vec3 } from '../geom';
import { solidOf, type BoardFace, type Member } from '../frame';

export interface PlacedFace {
  readonly tag: BoardFace;
  readonly points: readonly Vec3[];
  readonly plane: Plane;
}

/** One convex piece of a sawn member, in the world. */
export interface PlacedPiece {
  readonly faces: readonly PlacedFace[];
  readonly solid: ConvexSolid<BoardFace>;
  readonly low: Vec3;
  readonly high: Vec3;
}

export interface Placed {
  readonly member: Member;
  readonly mark: string;
  readonly pieces: readonly PlacedPiece[];
}

/** The plane of a flat loop, its normal by Newell's sum, which no short first edge can spoil. */
const planeOf = (points: readonly Vec3[]): Plane => {
  let normal: Vec3 = [0, 0, 0];
  for (const [i, p] of points.entries()) {
    const q = points[(i + 1) % points.length] ?? p;
    normal = v3.add(normal, v3.cross(p, q));
  }
  const unit = v3.unit(normal);
  return { normal: unit, offset: v3.dot(unit, points[0] ?? [0, 0, 0]) };
};

const bound = (solid: ConvexSolid<unknown>, pick: (a: number, b: number) => number): Vec3 =>
  solid
    .flatMap((face) => face.points)
    .reduce<Vec3>(
      (a, b) => [pick(a[0], b[0]), pick(a[1], b[1]), pick(a[2], b[2])],
      solid[0]?.points[0] ?? [0, 0, 0],
    );

/** The member’s sawn pieces where they stand. */
export const place = (member: Member, mark: string): Placed => ({
  member,
  mark,
  pieces: solidOf(member)
    .filter((solid) => solid.length > 0)
    .map((solid) => {
      const world = solid.map(({ tag, points }) => ({
        tag,
        points: points.map((p) => toWorld(member.frame, p)),
      }));
      return {
        faces: world.map((face) => ({ ...face, plane: planeOf(face.points) })),
        solid: world,
        low: bound(world, Math.min),
        high: bound(world, Math.max),
      };
    }),
});
