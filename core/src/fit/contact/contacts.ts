import {
  SLACK_MM2,
  area2,
  commonConvex,
  planeAt,
  v3,
  FIT_GAP_MM,
  type Vec2,
  type Vec3,
} from '../../geom';
import { NEAR_MM, type Neighbours } from './neighbours';
import type { Body, PlacedFace, PlacedPiece } from './placed';

/** Two faces that look at each other over a common area. */
export interface Contact<B extends Body = Body> {
  readonly one: B;
  readonly face: PlacedFace;
  readonly other: B;
  readonly otherFace: PlacedFace;
  /** The area they have in common, its corners on the other's face. mm² */
  readonly areaMm2: number;
  readonly points: readonly Vec3[];
  /** How far they stand apart at the worst corner of that area; negative where one is sunk in the other. mm */
  readonly gapMm: number;
}

/** Faces turned from each other by more than this were not meant to touch: 8°. */
const FACING = -Math.cos((8 * Math.PI) / 180);
/** A common area smaller than this is an edge. mm² */
const LEAST_AREA_MM2 = SLACK_MM2.nothing;

interface FlatFace {
  readonly right: Vec3;
  readonly up: Vec3;
  readonly outline: readonly Vec2[];
}

const flatOf = ({ plane: { normal }, points }: PlacedFace): FlatFace => {
  const right = v3.unit(v3.cross(v3.aside(normal), normal));
  const up = v3.cross(normal, right);
  return { right, up, outline: points.map((p) => [v3.dot(p, right), v3.dot(p, up)]) };
};

/**
 * The faces of a piece that could touch another: those whose plane passes within NEAR_MM of its box. Null where all of
 * that box lies further than NEAR_MM before one of them, which parts the two.
 */
const facesToward = (
  { faces }: PlacedPiece,
  { low, high }: PlacedPiece,
): readonly PlacedFace[] | null => {
  const toward: PlacedFace[] = [];
  for (const face of faces) {
    const { normal, offset } = face.plane;
    const [nx, ny, nz] = [normal[0], normal[1], normal[2]];
    const nearest =
      (nx > 0 ? low[0] : high[0]) * nx +
      (ny > 0 ? low[1] : high[1]) * ny +
      (nz > 0 ? low[2] : high[2]) * nz;
    if (nearest > offset + NEAR_MM) return null;
    const furthest =
      (nx > 0 ? high[0] : low[0]) * nx +
      (ny > 0 ? high[1] : low[1]) * ny +
      (nz > 0 ? high[2] : low[2]) * nz;
    if (furthest >= offset - NEAR_MM) toward.push(face);
  }
  return toward;
};

const between = (face: PlacedFace, otherFace: PlacedFace, flat: FlatFace) => {
  const { right, up, outline } = flat;
  let least = Infinity;
  let most = -Infinity;
  for (const p of face.points) {
    const away = planeAt(otherFace.plane, p);
    if (away < least) least = away;
    if (away > most) most = away;
  }
  if (least > NEAR_MM || most < -NEAR_MM) return null;
  const seen: Vec2[] = face.points.map((p) => [v3.dot(p, right), v3.dot(p, up)]);
  // Seen along the other's normal the face runs the other way round.
  const common = commonConvex(seen.reverse(), outline);
  const areaMm2 = area2(common);
  if (areaMm2 < LEAST_AREA_MM2) return null;
  const { normal, offset } = otherFace.plane;
  const rate = v3.dot(face.plane.normal, normal);
  let gapMm = 0;
  const points = common.map(([x, y]): Vec3 => {
    const on: Vec3 = [
      right[0] * x + up[0] * y + normal[0] * offset,
      right[1] * x + up[1] * y + normal[1] * offset,
      right[2] * x + up[2] * y + normal[2] * offset,
    ];
    const gap = -planeAt(face.plane, on) / rate;
    if (Math.abs(gap) > Math.abs(gapMm)) gapMm = gap;
    return on;
  });
  return Math.abs(gapMm) > NEAR_MM ? null : { areaMm2, points, gapMm };
};

/** Every pair of faces of two bodies that look at each other, touching or nearly. */
export const contactsOf = <B extends Body>(neighbours: readonly Neighbours<B>[]): Contact<B>[] => {
  const flats = new Map<PlacedFace, FlatFace>();
  const flat = (face: PlacedFace): FlatFace => {
    const known = flats.get(face);
    if (known !== undefined) return known;
    const made = flatOf(face);
    flats.set(face, made);
    return made;
  };
  const found: Contact<B>[] = [];
  for (const { one, piece, other, otherPiece } of neighbours) {
    const faces = facesToward(piece, otherPiece);
    if (faces === null) continue;
    const otherFaces = facesToward(otherPiece, piece);
    if (otherFaces === null) continue;
    for (const face of faces) {
      for (const otherFace of otherFaces) {
        if (v3.dot(face.plane.normal, otherFace.plane.normal) > FACING) continue;
        const touch = between(face, otherFace, flat(otherFace));
        if (touch !== null) found.push({ one, face, other, otherFace, ...touch });
      }
    }
  }
  return found;
};

/** Whether two faces touch over all of what they have in common. */
export const touches = ({ gapMm }: Contact): boolean => Math.abs(gapMm) <= FIT_GAP_MM;

/** The contacts of each body, looked up once: what a timber touches is asked for often. */
export type Touching = (body: Body) => readonly Contact[];

export const touchingBy = (contacts: readonly Contact[]): Touching => {
  const found = new Map<Body, Contact[]>();
  const add = (body: Body, contact: Contact): void => {
    const known = found.get(body);
    if (known === undefined) found.set(body, [contact]);
    else known.push(contact);
  };
  for (const contact of contacts) {
    if (!touches(contact)) continue;
    add(contact.one, contact);
    add(contact.other, contact);
  }
  return (body) => found.get(body) ?? [];
};

/** What a body comes against in one of its contacts. */
export const otherOf = <B extends Body>({ one, other }: Contact<B>, body: B): B =>
  one === body ? other : one;
