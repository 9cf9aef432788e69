import {
  ALONGSIDE_SINE,
  box,
  PARALLEL_SINE,
  SAME_POINT_MM,
  toWorld,
  v2,
  v3,
  type ConvexSolid,
  type Plane,
  type Vec2,
  type Vec3,
} from '../geom';
import { solidOf, type BoardFace, type Member } from '../frame';
import type { Plate } from '../roof';

export interface PlacedFace {
  /** What the sawyer calls it; null on a plate or a wall. */
  readonly tag: BoardFace | null;
  readonly points: readonly Vec3[];
  readonly plane: Plane;
}

/** One convex piece of a body, in the world. */
export interface PlacedPiece {
  readonly faces: readonly PlacedFace[];
  readonly low: Vec3;
  readonly high: Vec3;
}

/** Something solid: a member as sawn, a wall plate, or the face of a wall. */
export interface Body {
  readonly pieces: readonly PlacedPiece[];
  /** Every corner of its pieces, each once a piece. */
  readonly corners: readonly Vec3[];
}

export interface Placed extends Body {
  readonly member: Member;
  readonly mark: string;
  /** The faces that look up; a level one of a sloping timber parts its tail from the rest inside, and is none. */
  readonly tops: readonly PlacedFace[];
}

export interface PlacedPlate extends Body {
  readonly plate: Plate;
  readonly carries: 'rafters' | 'studs' | 'struts';
}

/** A sawn member, not a plate or a wall. */
export const isMember = (body: Body): body is Placed => 'member' in body;

/** A wall plate. */
export const isPlate = (body: Body): body is PlacedPlate => 'plate' in body;

/** One that rafters and ties come down on, along an eave. */
export const isEavePlate = (body: Body): body is PlacedPlate =>
  isPlate(body) && body.carries === 'rafters';

/** The plane of a flat loop, its normal by Newell's sum, which no short first edge can spoil. */
const planeOf = (points: readonly Vec3[]): Plane => {
  let [x, y, z] = [0, 0, 0];
  let p = points[points.length - 1];
  for (const q of points) {
    if (p !== undefined) {
      x += p[1] * q[2] - p[2] * q[1];
      y += p[2] * q[0] - p[0] * q[2];
      z += p[0] * q[1] - p[1] * q[0];
    }
    p = q;
  }
  const unit = v3.unit([x, y, z]);
  return { normal: unit, offset: v3.dot(unit, points[0] ?? [0, 0, 0]) };
};

/** Faces smaller than this are rounding. mm² */
const NO_FACE_MM2 = 1e-6;

const hasArea = (points: readonly Vec3[]): boolean => {
  const [first] = points;
  if (first === undefined) return false;
  let sum: Vec3 = [0, 0, 0];
  for (let i = 1; i + 1 < points.length; i += 1) {
    const [b, c] = [points[i], points[i + 1]];
    if (b !== undefined && c !== undefined)
      sum = v3.add(sum, v3.cross(v3.sub(b, first), v3.sub(c, first)));
  }
  return v3.length(sum) > NO_FACE_MM2;
};

const placedPiece = (solid: ConvexSolid<BoardFace | null>): PlacedPiece => {
  const low: [number, number, number] = [Infinity, Infinity, Infinity];
  const high: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  const faces: PlacedFace[] = [];
  for (const { tag, points } of solid) {
    for (const p of points) {
      for (const axis of [0, 1, 2] as const) {
        if (p[axis] < low[axis]) low[axis] = p[axis];
        if (p[axis] > high[axis]) high[axis] = p[axis];
      }
    }
    if (hasArea(points)) faces.push({ tag, points, plane: planeOf(points) });
  }
  return { faces, low, high };
};

/** Each corner stands in three faces or more. */
const cornersOf = ({ faces }: PlacedPiece): Vec3[] => {
  const corners: Vec3[] = [];
  for (const { points } of faces)
    for (const p of points)
      if (!corners.some((q) => v3.distance(p, q) < SAME_POINT_MM)) corners.push(p);
  return corners;
};

const bodyOf = (pieces: readonly PlacedPiece[]): Body => ({
  pieces,
  corners: pieces.flatMap(cornersOf),
});

/** A face that looks up by more than this, as a cosine, is part of a timber's top. */
const UP = 0.1;
/** A face this near level, as a cosine, is level. */
const LEVEL = 1 - PARALLEL_SINE;

const looksUp =
  ({ e, a }: Member['frame']) =>
  ({ plane: { normal } }: PlacedFace): boolean =>
    normal[2] > UP &&
    v3.dot(normal, e) > UP &&
    (normal[2] < LEVEL || Math.abs(a[2]) < ALONGSIDE_SINE);

/** The member’s sawn pieces where they stand. */
export const place = (member: Member, mark: string): Placed => {
  const pieces = solidOf(member)
    .filter((solid) => solid.length > 0)
    .map((solid) =>
      placedPiece(
        solid.map(({ tag, points }) => ({
          tag,
          points: points.map((p) => toWorld(member.frame, p)),
        })),
      ),
    );
  const faces = pieces.flatMap((piece) => piece.faces);
  return { member, mark, ...bodyOf(pieces), tops: faces.filter(looksUp(member.frame)) };
};

/** A box on the level where it would stand: `heading` its first axis, its second to the left, its third up. mm */
export const levelBox = (
  [x0, y0, z0]: Vec3,
  heading: Vec2,
  low: Vec3,
  high: Vec3,
): ConvexSolid<null> => {
  const left = v2.left(heading);
  return box<null>(low, high, [null, null, null, null, null, null]).map(({ tag, points }) => ({
    tag,
    points: points.map(([x, y, z]): Vec3 => [
      x0 + heading[0] * x + left[0] * y,
      y0 + heading[1] * x + left[1] * y,
      z0 + z,
    ]),
  }));
};

const prism = (outline: readonly Vec2[], bottom: number, top: number): ConvexSolid<null> => {
  const at = (z: number): Vec3[] => outline.map(([x, y]) => [x, y, z]);
  const [under, over] = [at(bottom), at(top)];
  const sides = outline.map((_, i) => {
    const j = (i + 1) % outline.length;
    const points = [under[i], under[j], over[j], over[i]].filter((p) => p !== undefined);
    return { tag: null, points };
  });
  return [{ tag: null, points: [...under].reverse() }, { tag: null, points: over }, ...sides];
};

/** A wall plate where it lies. */
export const placePlate = (plate: Plate, carries: PlacedPlate['carries']): PlacedPlate => ({
  plate,
  carries,
  ...bodyOf([placedPiece(prism(plate.outline, plate.bottomMm, plate.topMm))]),
});

/** A flat convex slab: its upper face, and how far through it goes. */
export const placeSlab = (upper: readonly Vec3[], through: Vec3): Body => {
  const lower = upper.map((p) => v3.add(p, through));
  const sides = upper.map((p, i) => {
    const j = (i + 1) % upper.length;
    const points = [lower[i], lower[j], upper[j], p].filter((one) => one !== undefined);
    return { tag: null, points };
  });
  return bodyOf([
    placedPiece([
      { tag: null, points: [...lower].reverse() },
      { tag: null, points: upper },
      ...sides,
    ]),
  ]);
};

/** A wall's own face, as a thin slab behind it: what a lean-to's rafters come against. */
export const placeWall = (outline: readonly Vec2[], bottom: number, top: number): Body =>
  bodyOf([placedPiece(prism(outline, bottom, top))]);
