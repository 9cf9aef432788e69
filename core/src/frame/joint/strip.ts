import {
  SLACK_MM2,
  area2,
  clipConvex,
  edgesOf,
  partedByEdge,
  TOUCHING_MM,
  v2,
  type PolygonEdge,
  type HalfSpace,
  type TaggedPolygon,
  type Vec2,
  SAME_WAY_SINE,
} from '../../geom';
import { plumbKeep } from '../member/board';
import type { Kind } from '../../kinds';
import type { CutAt, CutName, EndCut } from '../member/member';

/** What an edge of a board's outline in plan is: a wide face, an end that runs on until something stops it, a saw cut. */
export type StripEdge = 'left' | 'right' | 'open top' | 'open bottom' | EndCut;

const isWide = (edge: StripEdge): edge is 'left' | 'right' => edge === 'left' || edge === 'right';

/**
 * A board with plumb faces, seen in plan. Plumb boards that do not overlap in plan share no wood, so that every
 * joint of a roof is settled here, in two dimensions:
 *
 *        left ─────────────┐ high
 *   low ┌──────────────────┘
 *        right               heading →
 */
export interface Strip {
  readonly id: string;
  readonly kind: Kind;
  readonly heading: Vec2;
  /** A point of the centre line that every cut must leave: the middle of its theory line. */
  readonly anchor: Vec2;
  readonly polygon: TaggedPolygon<StripEdge>;
  readonly box: readonly [x0: number, y0: number, x1: number, y1: number];
  /** Height of its top edge over a point of the plan, and how far its underside lies below. mm */
  readonly topAt: (p: Vec2) => number;
  readonly plumbMm: number;
}

type Outline = Strip['polygon'];

const boxOf = (points: readonly Vec2[]): Strip['box'] => {
  let x0 = Infinity;
  let y0 = Infinity;
  let x1 = -Infinity;
  let y1 = -Infinity;
  for (const p of points) {
    x0 = Math.min(x0, p[0]);
    y0 = Math.min(y0, p[1]);
    x1 = Math.max(x1, p[0]);
    y1 = Math.max(y1, p[1]);
  }
  return [x0, y0, x1, y1];
};

/** A board's strip with this outline. Field by field: thousands are made. */
export const withPolygon = (
  { id, kind, heading, anchor, topAt, plumbMm }: Omit<Strip, 'polygon' | 'box'>,
  polygon: Outline,
): Strip => ({
  id,
  kind,
  heading,
  anchor,
  polygon,
  box: boxOf(polygon.points),
  topAt,
  plumbMm,
});

/** A strip along `heading` from `low` to `high`, before its joints are cut; both ends open. */
export const openStrip = (
  low: Vec2,
  high: Vec2,
  thickness: number,
  board: Omit<Strip, 'polygon' | 'box'>,
): Strip => {
  const side = v2.scale(v2.left(board.heading), thickness / 2);
  const points = [v2.sub(low, side), v2.sub(high, side), v2.add(high, side), v2.add(low, side)];
  return withPolygon(board, { points, tags: ['right', 'open top', 'left', 'open bottom'] });
};

/** A saw cut with the plan line its plane stands on. */
export interface PlanCut {
  readonly point: Vec2;
  readonly outward: Vec2;
  readonly cut: EndCut;
}

const outlineCut = ({ polygon }: Strip, { point, outward, cut }: PlanCut): Outline | null => {
  const at = v2.dot(point, outward);
  return clipConvex<StripEdge>(polygon, (p) => v2.dot(p, outward) - at, cut);
};

const cutStrip = (strip: Strip, cut: PlanCut): Strip | null => {
  const outline = outlineCut(strip, cut);
  if (outline === strip.polygon) return strip;
  return outline === null ? null : withPolygon(strip, outline);
};

/** Cuts a strip by every one of the cuts; null when nothing is left. */
export const cutAll = (strip: Strip, cuts: readonly PlanCut[]): Strip | null =>
  cuts.reduce<Strip | null>((left, cut) => (left === null ? null : cutStrip(left, cut)), strip);

/** Where an open end was left standing, it is cut square across at the end of the theory line. */
export const closeEnds = (
  strip: Strip,
  { bottom, top }: { readonly bottom: Vec2; readonly top: Vec2 },
): Strip | null => {
  const { heading, polygon } = strip;
  const cuts: PlanCut[] = [];
  if (polygon.tags.includes('open top')) cuts.push(squareAcross(heading, 'top', top, 'plumb cut'));
  if (polygon.tags.includes('open bottom'))
    cuts.push(squareAcross(heading, 'bottom', bottom, 'plumb cut'));
  return cutAll(strip, cuts);
};

/** A free end, cut square across the plan at a point. */
export const squareAcross = (
  heading: Vec2,
  at: 'top' | 'bottom',
  point: Vec2,
  name: CutName,
): PlanCut => {
  const outward = at === 'top' ? heading : v2.scale(heading, -1);
  return { point, outward, cut: { at, name, keep: plumbKeep(point, outward), meets: null } };
};

/** Plan area that two boards may share before one is cut: rounding along a whole face. mm² */
const FACE_MM2 = SLACK_MM2.nothing;
/** A cut nearer than this to the board's own direction would rip it, as a sine: under 2°. */
export const RIPPED = 0.03;

/** Whether two strips' boxes lie apart, so that the strips do. */
export const boxesPart = (a: Strip['box'], b: Strip['box']): boolean =>
  a[0] >= b[2] || b[0] >= a[2] || a[1] >= b[3] || b[1] >= a[3];

/** The faces of `other` when the two share wood; null where they only touch, or one passes over the other. */
const facesInTheWay = (one: Strip, other: Strip): readonly PolygonEdge<StripEdge>[] | null => {
  const parted =
    partedByEdge(other.polygon, one.polygon, TOUCHING_MM) ||
    partedByEdge(one.polygon, other.polygon, TOUCHING_MM);
  if (parted) return null;
  const faces = edgesOf(other.polygon);
  let shared: Outline | null = one.polygon;
  for (const { point, inward } of faces) {
    if (shared === null) return null;
    const at = v2.dot(point, inward);
    shared = clipConvex<StripEdge>(shared, (p) => at - v2.dot(p, inward), 'left');
  }
  if (shared === null || area2(shared.points) < FACE_MM2) return null;
  const passes = (upper: Strip, lower: Strip): boolean =>
    shared.points.every((p) => upper.topAt(p) - upper.plumbMm > lower.topAt(p) - TOUCHING_MM);
  return passes(one, other) || passes(other, one) ? null : faces;
};

const endName = (strip: Strip, outward: Vec2): CutName =>
  Math.abs(v2.cross(strip.heading, outward)) < SAME_WAY_SINE ? 'plumb cut' : 'cheek cut';

/** What is left of a strip cut along one face of another, on the side of its own anchor; null where that cannot be sawn. */
const alongFace = (
  one: Strip,
  other: Strip,
  { point, inward, tag }: PolygonEdge<StripEdge>,
): Outline | null => {
  // A tail ends in the open and stops no timber but a fascia that comes to it.
  if (typeof tag !== 'string' && tag.at === 'tail' && one.kind !== 'fascia') return null;
  if (v2.dot(v2.sub(one.anchor, point), inward) >= 0) return null;
  const across = v2.dot(inward, one.heading);
  // A board is sawn off, never ripped.
  if (Math.abs(across) < RIPPED) return null;
  const at: CutAt = across > 0 ? 'top' : 'bottom';
  const keep: HalfSpace = plumbKeep(point, inward);
  const cut: EndCut = { at, name: endName(one, inward), keep, meets: other.id };
  return outlineCut(one, { point, outward: inward, cut });
};

const larger = (best: Outline | null, next: Outline | null): Outline | null => {
  if (best === null || next === null) return best ?? next;
  return area2(next.points) - area2(best.points) > FACE_MM2 ? next : best;
};

/** Where another board touches the line of an edge, in shares of its length; low lies over high where it nowhere does. */
const reachAlong = (from: Vec2, to: Vec2, { polygon }: Strip): { low: number; high: number } => {
  const length = v2.distance(from, to);
  const along = v2.scale(v2.sub(to, from), 1 / length);
  let [low, high] = [Infinity, -Infinity];
  for (const p of polygon.points) {
    const away = v2.sub(p, from);
    if (Math.abs(v2.cross(along, away)) > TOUCHING_MM) continue;
    low = Math.min(low, v2.dot(along, away));
    high = Math.max(high, v2.dot(along, away));
  }
  return { low: low / length, high: high / length };
};

/** Whether an edge of a strip, which lies along a face of another, touches it: with its end alone is enough. */
const comesAgainst = (from: Vec2, to: Vec2, other: Strip): boolean => {
  const { low, high } = reachAlong(from, to, other);
  const slack = TOUCHING_MM / v2.distance(from, to);
  return low < 1 + slack && high > -slack;
};

/** A hip keeps to a ridge's side where at least this share of its cheek bears there: at 45° it is half. */
const ALONG_SHARE = 0.4;

/** Of the edge along which an outline was cut against another board, the share that comes against it. */
const shareAgainst = ({ points, tags }: Outline, other: Strip): number =>
  Math.max(
    0,
    ...tags.map((tag, i) => {
      const [from, to] = [points[i], points[(i + 1) % points.length]];
      if (typeof tag === 'string' || tag.meets !== other.id || !from || !to) return 0;
      const { low, high } = reachAlong(from, to, other);
      return Math.min(high, 1) - Math.max(low, 0);
    }),
  );

/** Those it was cut along and does not come against: later cuts took that part of it away. */
const missed = ({ points, tags }: Outline, others: readonly Strip[]): Strip[] =>
  tags.flatMap((tag, i): Strip[] => {
    const [from, to] = [points[i], points[(i + 1) % points.length]];
    if (typeof tag === 'string' || tag.meets === null || !from || !to) return [];
    const other = others.find(({ id }) => id === tag.meets);
    return other === undefined || comesAgainst(from, to, other) ? [] : [other];
  });

/**
 * Cuts `one` clear of `other`, which keeps its wood: along that face of the other which leaves most of the first, on
 * the side of its anchor; a hip always along a ridge's wide face, and a wide face before an end where both leave as
 * much. Null when nothing would be left.
 */
const clearOf = (one: Strip, other: Strip): Strip | null => {
  const faces = facesInTheWay(one, other);
  if (faces === null) return one;
  const among = (
    wide: boolean,
    best: Outline | null,
    fits: (outline: Outline) => boolean,
  ): Outline | null =>
    faces.reduce<Outline | null>((found, face) => {
      if (isWide(face.tag) !== wide) return found;
      const outline = alongFace(one, other, face);
      return outline !== null && fits(outline) ? larger(found, outline) : found;
    }, best);
  const most = (fits: (outline: Outline) => boolean): Outline | null => {
    const wide = among(true, null, fits);
    const alongRidge =
      wide !== null &&
      one.kind === 'hip' &&
      other.kind === 'ridge' &&
      shareAgainst(wide, other) > ALONG_SHARE;
    return alongRidge ? wide : among(false, wide, fits);
  };
  const left = most(() => true);
  if (left === null) return null;
  // A face's line runs on past the face: where nothing would bear there, a face that the cut does come against.
  const bears = (outline: Outline): boolean => missed(outline, [other]).length === 0;
  return withPolygon(one, bears(left) ? left : (most(bears) ?? left));
};

/** Whether an end has two cuts: a single one cannot have been shortened by another. */
const isCutTwice = (strip: Strip): boolean => {
  const cuts = cutsOf(strip);
  return cuts.some(({ at }, i) => cuts.findIndex((other) => other.at === at) !== i);
};

/**
 * Cuts a strip clear of every one of `others`, in their order. One that it would not come against once it is cut comes
 * last, when it may need no cut any more.
 */
export const clearOfAll = (strip: Strip, others: readonly Strip[]): Strip | null => {
  const first = clearInOrder(strip, others);
  const last = first === null || !isCutTwice(first) ? [] : missed(first.polygon, others);
  return last.length === 0
    ? first
    : clearInOrder(strip, [...others.filter((other) => !last.includes(other)), ...last]);
};

const clearInOrder = (strip: Strip, others: readonly Strip[]): Strip | null => {
  let left: Strip | null = strip;
  for (const other of others) {
    if (left === null) return null;
    if (other.id !== left.id && !boxesPart(left.box, other.box)) left = clearOf(left, other);
  }
  return left;
};

/** The saw cuts at a strip's two ends. */
export const cutsOf = ({ polygon }: Strip): EndCut[] => {
  const cuts = polygon.tags.filter((tag): tag is EndCut => typeof tag !== 'string');
  return cuts.filter((cut, i) => cuts.indexOf(cut) === i);
};

/** How long each wide face is between the cuts; 0 where a cut takes it away. mm */
export const faceLengths = (strip: Strip): { left: number; right: number } => {
  const found = { left: 0, right: 0 };
  for (const [i, tag] of strip.polygon.tags.entries()) {
    const a = strip.polygon.points[i];
    const b = strip.polygon.points[(i + 1) % strip.polygon.points.length];
    if (isWide(tag) && a !== undefined && b !== undefined)
      found[tag] = Math.max(found[tag], v2.distance(a, b));
  }
  return found;
};
