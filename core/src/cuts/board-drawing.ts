import { SAME_POINT_MM, type ConvexSolid, type Vec3 } from '../geom';
import { solidOf, type BoardFace, type Member } from '../frame';
import { handOf, pieceOf } from './group';
import { span } from './lengths';
import { crossesAt, type LocalCut } from './local-cut';

export type BoardPoint = readonly [x: number, y: number];

/** A saw line, as drawn on the two wide faces; null where the cut does not come out on that face. */
export interface BoardMark {
  /** Index into the `cuts` of the line that the member is cut to. */
  readonly cut: number;
  /**
   * Where the line, carried on, crosses the top edge, mm from the hooked end: at the left face and at the right. Null
   * where another cut takes that corner first, where it crosses off the board, and for a seat, which is measured down
   * the heel.
   */
  readonly topEdge: readonly [left: number | null, right: number | null];
  readonly left: readonly [BoardPoint, BoardPoint] | null;
  readonly right: readonly [BoardPoint, BoardPoint] | null;
}

/**
 * The board as it lies on the trestles: upper end on the left, top edge up, left face towards you.
 *
 *   x = 0 at the blank's upper end, where the tape hooks; y = 0 on the top edge, down. mm
 */
export interface BoardDrawing {
  /** Which hand is drawn; the other is its mirror image, left and right face changed about. */
  readonly hand: 'left' | 'right' | 'plain';
  readonly lengthMm: number;
  readonly depthMm: number;
  readonly thicknessMm: number;
  /** What is kept of the left and of the right face: convex loops. */
  readonly left: readonly (readonly BoardPoint[])[];
  readonly right: readonly (readonly BoardPoint[])[];
  /** What is kept of the top edge, y across the thickness from the left face. */
  readonly edge: readonly (readonly BoardPoint[])[];
  readonly marks: readonly BoardMark[];
}

type Onto = (point: Vec3) => BoardPoint;

const loops = (
  solids: readonly ConvexSolid<BoardFace>[],
  tags: readonly BoardFace[],
  onto: Onto,
): BoardPoint[][] =>
  solids.flatMap((solid) =>
    solid.filter((face) => tags.includes(face.tag)).map((face) => face.points.map(onto)),
  );

/** The cut's line on the wide face at `s`, from the sawn solid itself. */
const endLine = (
  solids: readonly ConvexSolid<BoardFace>[],
  cut: LocalCut,
  s: number,
  onto: Onto,
): readonly [BoardPoint, BoardPoint] | null => {
  let first: Vec3 | null = null;
  let last: Vec3 | null = null;
  for (const solid of solids) {
    for (const face of solid) {
      if (face.tag !== cut.end) continue;
      for (const p of face.points) {
        if (Math.abs(p[1] - s) >= SAME_POINT_MM) continue;
        if (first === null || p[2] > first[2]) first = p;
        if (last === null || p[2] < last[2]) last = p;
      }
    }
  }
  return first === null || last === null || first === last ? null : [onto(first), onto(last)];
};

/** Seat and heel meet in the notch's corner and run out at the edge it opens to; a seat without a heel runs out at the end. */
const notchLine = (
  { notches, topMm, stock }: Member,
  cuts: readonly LocalCut[],
  cut: LocalCut,
  s: number,
  onto: Onto,
): readonly [BoardPoint, BoardPoint] | null => {
  const notch = notches.find(({ seat, heels }) => seat === cut.end || heels.includes(cut.end));
  const seat = cuts.find((one) => one.end === notch?.seat);
  const ends = cuts.filter(({ end }) => end.at === 'tail' || end.at === 'bottom');
  const heels = cuts.filter(({ end }) => notch?.heels.includes(end));
  const heel = cut.end.at === 'heel' ? cut : (heels[0] ?? ends[0]);
  if (seat === undefined || heel === undefined) return null;
  const [sa, , se] = seat.normal;
  const [ha, , he] = heel.normal;
  const seatOff = seat.offset - seat.normal[1] * s;
  const heelOff = heel.offset - heel.normal[1] * s;
  const det = sa * he - se * ha;
  const a = (seatOff * he - se * heelOff) / det;
  const e = (sa * heelOff - seatOff * ha) / det;
  const edge = notch?.opens === 'top' ? topMm : topMm - stock.depth;
  const out = crossesAt(cut, s, edge);
  return out === null ? null : [onto([a, s, e]), onto([out, s, edge])];
};

/** Lays the sawn member out as a marked board; its mirror image serves the other hand. */
export const boardOf = (member: Member): BoardDrawing => {
  const piece = pieceOf(member);
  const { cuts } = piece;
  const solids = solidOf(member);
  const [low, high] = span(member);
  const { topMm, stock } = member;
  const half = stock.thickness / 2;
  const onFace: Onto = ([a, , e]) => [high - a, topMm - e];
  const onEdge: Onto = ([a, s]) => [high - a, half - s];
  const line = (cut: LocalCut, s: number) =>
    cut.end.at === 'seat' || cut.end.at === 'heel'
      ? notchLine(member, cuts, cut, s, onFace)
      : endLine(solids, cut, s, onFace);
  const topEdge = (cut: LocalCut, s: number): number | null => {
    if (cut.end.at === 'seat') return null;
    const at = crossesAt(cut, s, topMm);
    if (at === null) return null;
    // Heels of one notch are: the other notches of a board have their own.
    const own = member.notches.find(({ heels }) => heels.includes(cut.end));
    const rivals = cuts.filter(
      ({ end }) => end.at === cut.end.at && (own === undefined || own.heels.includes(end)),
    );
    const upper = cut.end.at === 'top';
    const taken = rivals.some((other) => {
      const rival = crossesAt(other, s, topMm);
      if (rival === null) return false;
      return upper ? rival < at - SAME_POINT_MM : rival > at + SAME_POINT_MM;
    });
    const reading = high - at;
    const onBoard = reading > -SAME_POINT_MM && reading < high - low + SAME_POINT_MM;
    return taken || !onBoard ? null : reading;
  };
  return {
    hand: handOf(piece),
    lengthMm: high - low,
    depthMm: stock.depth,
    thicknessMm: stock.thickness,
    left: loops(solids, ['left'], onFace),
    right: loops(solids, ['right'], onFace),
    edge: loops(solids, ['upper', ...member.bevels], onEdge),
    marks: cuts.map((cut, index) => ({
      cut: index,
      topEdge: [topEdge(cut, half), topEdge(cut, -half)],
      left: line(cut, half),
      right: line(cut, -half),
    })),
  };
};
