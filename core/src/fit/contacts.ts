import { area2, commonConvex, planeAt, v3, FIT_GAP_MM, type Vec2, type Vec3 } from '../geom';
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

/** Faces that stand further apart than this were not meant to touch. mm */
const NEAR_MM = 30;
/** Faces turned from each other by more than this were not meant to touch: 8°. */
const FACING = -Math.cos((8 * Math.PI) / 180);
/** A common area smaller than this is an edge. mm² */
const LEAST_AREA_MM2 = 1;

interface FlatFace {
  readonly right: Vec3;
  readonly up: Vec3;
  readonly outline: readonly Vec2[];
}

const flatOf = ({ plane: { normal }, points }: PlacedFace): FlatFace => {
  const aside: Vec3 = Math.abs(normal[2]) < 0.7 ? [0, 0, 1] : [1, 0, 0];
  const right = v3.unit(v3.cross(aside, normal));
  const up = v3.cross(normal, right);
  return { right, up, outline: points.map((p) => [v3.dot(p, right), v3.dot(p, up)]) };
};

const near = (a: PlacedPiece, b: PlacedPiece): boolean =>
  a.low[1] < b.high[1] + NEAR_MM &&
  b.low[1] < a.high[1] + NEAR_MM &&
  a.low[2] < b.high[2] + NEAR_MM &&
  b.low[2] < a.high[2] + NEAR_MM;

/** Whether all of a piece lies further than NEAR_MM before a face of another, which parts the two. */
const farBefore = ({ plane: { normal, offset } }: PlacedFace, { low, high }: PlacedPiece) =>
  (normal[0] > 0 ? low[0] : high[0]) * normal[0] +
    (normal[1] > 0 ? low[1] : high[1]) * normal[1] +
    (normal[2] > 0 ? low[2] : high[2]) * normal[2] >
  offset + NEAR_MM;

const between = (face: PlacedFace, otherFace: PlacedFace, flat: FlatFace) => {
  const { right, up, outline } = flat;
  let [least, most] = [Infinity, -Infinity];
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
    const on = v3.add(v3.add(v3.scale(right, x), v3.scale(up, y)), v3.scale(normal, offset));
    const gap = -planeAt(face.plane, on) / rate;
    if (Math.abs(gap) > Math.abs(gapMm)) gapMm = gap;
    return on;
  });
  return Math.abs(gapMm) > NEAR_MM ? null : { areaMm2, points, gapMm };
};

/** Every pair of faces of two bodies that look at each other, touching or nearly. Swept along x. */
export const contactsOf = <B extends Body>(bodies: readonly B[]): Contact<B>[] => {
  const flats = new Map<PlacedFace, FlatFace>();
  const flat = (face: PlacedFace): FlatFace => {
    const known = flats.get(face) ?? flatOf(face);
    flats.set(face, known);
    return known;
  };
  const pieces = bodies
    .flatMap((body, order) => body.pieces.map((piece) => ({ body, order, piece })))
    .sort((p, q) => p.piece.low[0] - q.piece.low[0] || p.order - q.order);
  const found: (Contact<B> & { readonly order: number })[] = [];
  for (const [i, p] of pieces.entries()) {
    for (let j = i + 1; j < pieces.length; j += 1) {
      const q = pieces[j];
      if (q === undefined || q.piece.low[0] > p.piece.high[0] + NEAR_MM) break;
      if (q.body === p.body || !near(p.piece, q.piece)) continue;
      const [one, other] = p.order < q.order ? [p, q] : [q, p];
      if (one.piece.faces.some((face) => farBefore(face, other.piece))) continue;
      if (other.piece.faces.some((face) => farBefore(face, one.piece))) continue;
      for (const face of one.piece.faces) {
        for (const otherFace of other.piece.faces) {
          if (v3.dot(face.plane.normal, otherFace.plane.normal) > FACING) continue;
          const touch = between(face, otherFace, flat(otherFace));
          if (touch === null) continue;
          const order = one.order * bodies.length + other.order;
          found.push({ one: one.body, face, other: other.body, otherFace, ...touch, order });
        }
      }
    }
  }
  return found.sort((p, q) => p.order - q.order);
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
