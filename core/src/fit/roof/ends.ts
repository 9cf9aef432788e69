import {
  SLACK_MM,
  SLACK_SINE,
  FIT_GAP_MM,
  planeAt,
  v2,
  v3,
  type Vec2,
  type Vec3,
  PARALLEL_SINE,
  ALONGSIDE_SINE,
  SAME_WAY_SINE,
  TOUCHING_MM2,
} from '../../geom';
import type { Member } from '../../frame';
import { heightAt, planeOver } from '../../roof';
import type { Contact } from '../contact/contacts';
import { liesIn, outFrom, type FrameOnSite } from '../frame-on-site';
import { type Body, type Placed, type PlacedFace } from '../contact/placed';

/** A face nearer than this to the board's own direction is a side or an edge of it, as a sine. */
const ALONG = SLACK_SINE.side;
/** How far a corner must stand before a face for that face to be a notch's. mm */
const REENTRANT_MM = SLACK_MM.nothing;
/** A face this near level, as a cosine, is level. */
const LEVEL = 1 - SAME_WAY_SINE;

/** The sawn faces of one end of a timber. */
export interface TimberEnd {
  readonly upper: boolean;
  readonly faces: readonly PlacedFace[];
}

export interface SawnFaces {
  readonly ends: readonly TimberEnd[];
  /** Level faces that look down: what can lie on a plate. */
  readonly seats: readonly PlacedFace[];
}

/** Whether a point of a convex face's plane lies within it. */
const within = ({ points, plane: { normal } }: PlacedFace, p: Vec3): boolean =>
  points.every((a, i) => {
    const b = points[(i + 1) % points.length] ?? a;
    return v3.dot(v3.cross(v3.sub(b, a), v3.sub(p, a)), normal) >= -TOUCHING_MM2;
  });

/** Whether a face lies wholly against another of its own board: where its pieces part, and no saw went. */
export const isSeam = (face: PlacedFace, all: readonly PlacedFace[]): boolean =>
  all.some(
    (other) =>
      v3.dot(other.plane.normal, face.plane.normal) < -1 + SAME_WAY_SINE &&
      Math.abs(other.plane.offset + face.plane.offset) < FIT_GAP_MM &&
      face.points.every((p) => within(other, p)),
  );

/** Tells a timber's ends and seats from its sides, edges and planed corners, by its shape alone. */
export const sawnFaces = ({ roof }: FrameOnSite, placed: Placed): SawnFaces => {
  const { a } = placed.member.frame;
  const { corners } = placed;
  const seats: PlacedFace[] = [];
  const ends: { upper: PlacedFace[]; lower: PlacedFace[] } = { upper: [], lower: [] };
  for (const { faces } of placed.pieces) {
    for (const face of faces) {
      const { normal } = face.plane;
      const along = v3.dot(normal, a);
      if (normal[2] < -LEVEL && Math.abs(along) > PARALLEL_SINE) {
        seats.push(face);
        continue;
      }
      if (Math.abs(along) < ALONG) continue;
      if (corners.some((p) => planeAt(face.plane, p) > REENTRANT_MM)) continue;
      const planed =
        normal[2] > 0 && roof.slopes.some(({ plane }) => liesIn(face.points, plane, FIT_GAP_MM));
      if (!planed) (along > 0 ? ends.upper : ends.lower).push(face);
    }
  }
  return {
    seats,
    ends: [
      { upper: true, faces: ends.upper },
      { upper: false, faces: ends.lower },
    ],
  };
};

/** A timber that lies level, as a sine. */
const LIES = SAME_WAY_SINE;

/**
 * Whether a timber's face lies in the outside face of a gable or a wall, whose studs stand under it. Under a gablet
 * stand none: there only what lies level and is carried behind, a ridge, ends free.
 */
export const atGable = (
  { roof }: FrameOnSite,
  { frame: { a } }: Pick<Member, 'frame'>,
  { points }: PlacedFace,
): boolean =>
  roof.blocks.some(({ sides }) =>
    sides.some(
      (side) =>
        side.roof !== 'eave' &&
        side.roof !== 'open' &&
        (side.roof !== 'gablet' || Math.abs(a[2]) < LIES) &&
        points.every((p) => Math.abs(outFrom(side, p)) <= FIT_GAP_MM),
    ),
  );

/** A cut whose plane turns from an eave by less than this runs along it, as a sine. */
const ALONG_EAVE = ALONGSIDE_SINE;

/** Whether a cut's plane holds the overhang's line of an eave or of a high wall: where a slope comes out there. */
const onOverhang = ({ roof }: FrameOnSite, { plane }: PlacedFace): boolean =>
  roof.blocks.some(({ sides, bands }) =>
    sides.some(({ roof: kind, start, inward, along, overhangMm }, i) => {
      if (kind !== 'eave' && kind !== 'high') return false;
      const p = v2.add(start, v2.scale(inward, -overhangMm));
      const slope = kind === 'eave' ? bands[i]?.[0] : planeOver(bands, p);
      if (slope == null) return false;
      const on = (q: Vec2): Vec3 => [q[0], q[1], heightAt(slope, q)];
      const line = v3.unit(v3.sub(on(v2.add(p, along)), on(p)));
      return (
        Math.abs(v3.dot(plane.normal, line)) <= ALONG_EAVE &&
        Math.abs(planeAt(plane, on(p))) <= FIT_GAP_MM
      );
    }),
  );

/** Whether the single tail cut of a valley passes through the inner corner where its two eaves meet. */
const onInnerCorner = ({ roof }: FrameOnSite, { plane, points }: PlacedFace): boolean =>
  roof.lines.some(
    ({ kind, from }) =>
      kind === 'valley' &&
      Math.abs(planeAt(plane, from)) <= FIT_GAP_MM &&
      points.some((p) => v3.distance(p, from) < CORNER_MM),
  );

/** A valley's tail has its corners this near the eaves' inner corner. mm */
const CORNER_MM = 600;

/** A tail runs beside a valley's tail this near to it. mm */
const BESIDE_MM = 600;

/**
 * Whether a cut lies in the plane of a valley's or hip's side, close by: beside its tail, which may itself be cut back
 * so far that the two hardly touch.
 */
const alongsideLine = (
  { members }: FrameOnSite,
  own: Member,
  { plane, points }: PlacedFace,
): boolean =>
  members.some(({ member: { frame, stock, kind, id }, corners }) => {
    if (id === own.id || (kind !== 'valley' && kind !== 'hip')) return false;
    if (Math.abs(v3.dot(plane.normal, frame.s)) < 1 - ALONG_EAVE) return false;
    const off = Math.abs(planeAt(plane, frame.origin));
    if (Math.abs(off - stock.thickness / 2) > FIT_GAP_MM) return false;
    return corners.some((p) => points.some((q) => v3.distance(p, q) < BESIDE_MM));
  });

/**
 * Whether an end is a tail: every cut of it that reaches the top lies along the overhang's line of an eave or, a
 * valley's single one, through the inner corner, or in the plane of a valley's side beside it. A cut that only relieves the board below is let pass.
 *
 * @param bears whether a face comes against another timber, as a tail beside a valley does
 */
export const isTail = (
  site: FrameOnSite,
  faces: readonly PlacedFace[],
  member: Member,
  bears: (face: PlacedFace) => boolean,
): boolean => {
  const { frame, kind } = member;
  const top = Math.max(...faces.flatMap(({ points }) => points.map((p) => v3.dot(p, frame.e))));
  const cuts = faces
    .filter((face) => !bears(face) && !atGable(site, member, face))
    .filter(({ points }) => points.some((p) => v3.dot(p, frame.e) > top - FIT_GAP_MM));
  return (
    (cuts.length > 0 || faces.some((face) => alongsideLine(site, member, face))) &&
    cuts.every(
      (face) =>
        onOverhang(site, face) ||
        (kind === 'valley' ? onInnerCorner(site, face) : alongsideLine(site, member, face)),
    )
  );
};

/** What a face comes against. */
export const contactsByFace = <B extends Body>(
  contacts: readonly Contact<B>[],
): Map<
  PlacedFace,
  { readonly contact: Contact<B>; readonly other: B; readonly face: PlacedFace }[]
> => {
  const found = new Map<
    PlacedFace,
    { readonly contact: Contact<B>; readonly other: B; readonly face: PlacedFace }[]
  >();
  const add = (face: PlacedFace, contact: Contact<B>, other: B, otherFace: PlacedFace): void => {
    const known = found.get(face);
    if (known === undefined) found.set(face, [{ contact, other, face: otherFace }]);
    else known.push({ contact, other, face: otherFace });
  };
  for (const contact of contacts) {
    add(contact.face, contact, contact.other, contact.otherFace);
    add(contact.otherFace, contact, contact.one, contact.face);
  }
  return found;
};
