import {
  SLACK_MM2,
  ALONGSIDE_SINE,
  box,
  GrowingBox,
  PARALLEL_SINE,
  SAME_POINT_MM,
  toWorld,
  v2,
  v3,
  type Box,
  type ConvexSolid,
  type Plane,
  type Vec2,
  type Vec3,
} from '../../geom';
import { solidOf, type BoardFace, type Member } from '../../frame';
import type { Plate } from '../../roof';

export interface PlacedFace {
  /** What the sawyer calls it; null on a plate or a wall. */
  readonly tag: BoardFace | null;
  readonly points: readonly Vec3[];
  readonly plane: Plane;
  readonly areaMm2: number;
}

/** One convex piece of a body, in the world. */
export interface PlacedPiece extends Box {
  readonly faces: readonly PlacedFace[];
  /** Each of its corners once. */
  readonly corners: readonly Vec3[];
}

/** Something solid: a member as sawn, a wall plate, or the face of a wall. */
export interface Body extends Box {
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

/** Faces smaller than this are rounding. mm² */
const NO_FACE_MM2 = SLACK_MM2.rounding;

/** The plane of a flat loop, its normal by Newell's sum, which no short first edge can spoil, and its area; null where it has none. */
const flatOf = (points: readonly Vec3[]): Pick<PlacedFace, 'plane' | 'areaMm2'> | null => {
  const [first] = points;
  if (first === undefined) return null;
  // From its first corner, so that the sums stay small.
  const [x0, y0, z0] = first;
  let [x, y, z] = [0, 0, 0];
  let [px, py, pz] = [0, 0, 0];
  for (const p of points) {
    const [qx, qy, qz] = [p[0] - x0, p[1] - y0, p[2] - z0];
    x += py * qz - pz * qy;
    y += pz * qx - px * qz;
    z += px * qy - py * qx;
    [px, py, pz] = [qx, qy, qz];
  }
  const twice = Math.sqrt(x * x + y * y + z * z);
  if (twice <= NO_FACE_MM2) return null;
  const normal: Vec3 = [x / twice, y / twice, z / twice];
  return { plane: { normal, offset: v3.dot(normal, first) }, areaMm2: twice / 2 };
};

/** Whether a point is one of some others. */
const isAmong = (p: Vec3, points: readonly Vec3[]): boolean => {
  for (const q of points) if (v3.isWithin(p, q, SAME_POINT_MM)) return true;
  return false;
};

/** A piece where `inWorld` puts its corners. */
const placedPiece = (
  solid: ConvexSolid<BoardFace | null>,
  inWorld: (p: Vec3) => Vec3,
): PlacedPiece => {
  // Faces mostly share a corner as one and the same point; it is placed once and stays one.
  const before: Vec3[] = [];
  const after: Vec3[] = [];
  const placeOf = (p: Vec3): Vec3 => {
    for (let i = 0; i < before.length; i += 1) {
      const known = after[i];
      if (before[i] === p && known !== undefined) return known;
    }
    const placed = inWorld(p);
    before.push(p);
    after.push(placed);
    return placed;
  };
  const faces: PlacedFace[] = [];
  for (const face of solid) {
    const points = face.points.map(placeOf);
    const flat = flatOf(points);
    if (flat !== null) faces.push({ tag: face.tag, points, ...flat });
  }
  const corners: Vec3[] = [];
  const box = new GrowingBox();
  for (const p of after) {
    box.take(p);
    if (!isAmong(p, corners)) corners.push(p);
  }
  return { faces, corners, low: box.low, high: box.high };
};

const bodyOf = (pieces: readonly PlacedPiece[]): Body => {
  const corners: Vec3[] = [];
  const box = new GrowingBox();
  for (const piece of pieces) {
    for (const p of piece.corners) corners.push(p);
    box.take(piece.low);
    box.take(piece.high);
  }
  return { pieces, corners, low: box.low, high: box.high };
};

const asItStands = (solid: ConvexSolid<BoardFace | null>): PlacedPiece =>
  placedPiece(solid, (p) => p);

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

type Standing = Pick<Placed, keyof Body | 'tops'>;

const stand = (member: Member): Standing => {
  const inWorld = (p: Vec3): Vec3 => toWorld(member.frame, p);
  const pieces: PlacedPiece[] = [];
  for (const solid of solidOf(member))
    if (solid.length > 0) pieces.push(placedPiece(solid, inWorld));
  const isTop = looksUp(member.frame);
  const tops: PlacedFace[] = [];
  for (const { faces } of pieces) for (const face of faces) if (isTop(face)) tops.push(face);
  return { ...bodyOf(pieces), tops };
};

/** A member never changes: it is stood up once, as it is sawn once. */
const stood = new WeakMap<Member, Standing>();

/** The member’s sawn pieces where they stand. */
export const place = (member: Member, mark: string): Placed => {
  const standing = stood.get(member) ?? stand(member);
  stood.set(member, standing);
  return { member, mark, ...standing };
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
  ...bodyOf([asItStands(prism(plate.outline, plate.bottomMm, plate.topMm))]),
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
    asItStands([
      { tag: null, points: [...lower].reverse() },
      { tag: null, points: upper },
      ...sides,
    ]),
  ]);
};

/** A wall's own face, as a thin slab behind it: what a lean-to's rafters come against. */
export const placeWall = (outline: readonly Vec2[], bottom: number, top: number): Body =>
  bodyOf([asItStands(prism(outline, bottom, top))]);
