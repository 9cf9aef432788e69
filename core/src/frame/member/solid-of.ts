import {
  box,
  clipByAll,
  clipSolid,
  flip,
  GrowingBox,
  halfSpaceToLocal,
  planeAt,
  SAME_POINT_MM,
  toWorld,
  volume,
} from '../../geom';
import type { BoardFrame, Box, ConvexSolid, HalfSpace, Vec3 } from '../../geom';
import type { Bevel, EndCut, Member, Notch } from './member';

/**
 * What a face of the sawn board is: one of its own six, a saw cut, a flat planed off its top, or a seam where the
 * convex pieces of one board part.
 */
export type BoardFace =
  | 'low'
  | 'high'
  | 'right'
  | 'left'
  | 'under'
  | 'upper'
  | 'seam'
  | EndCut
  | Bevel;

const REACH = 4;

/**
 * The member as sawn, in its own `[a, s, e]` coordinates, mm: one convex piece, or more where a birdsmouth parts it
 * along the seat's level or a bevel begins part way. Face `left` is s = +thickness/2, the one on the left looking up the slope.
 */
export const solidOf = (member: Member): readonly ConvexSolid<BoardFace>[] => {
  const before = sawn.get(member);
  if (before !== undefined) return before;
  const pieces = saw(member);
  sawn.set(member, pieces);
  return pieces;
};

/** A member never changes, so that it is sawn once. */
const sawn = new WeakMap<Member, readonly ConvexSolid<BoardFace>[]>();

const saw = (member: Member): readonly ConvexSolid<BoardFace>[] => {
  const { stock, topMm, frame } = member;
  // Longer than any cut can reach: the theory line and as much again, and the depth's shear at the steepest pitch.
  const { runMm, riseMm } = member.axis;
  const reach = REACH * (Math.hypot(runMm, riseMm) + 10 * stock.depth);
  const half = stock.thickness / 2;
  let solid: ConvexSolid<BoardFace> = box<BoardFace>(
    [-reach, -half, topMm - stock.depth],
    [reach, half, topMm],
    ['low', 'high', 'right', 'left', 'under', 'upper'],
  );
  for (const end of member.ends) solid = clipSolid(solid, halfSpaceToLocal(frame, end.keep), end);
  let pieces = [solid];
  for (const bevel of member.bevels) {
    const keep = halfSpaceToLocal(frame, bevel.keep);
    pieces = pieces.flatMap((piece): ConvexSolid<BoardFace>[] => {
      if (bevel.beyond === null) return [clipSolid<BoardFace>(piece, keep, bevel)];
      const square = halfSpaceToLocal(frame, bevel.beyond);
      return [
        clipSolid<BoardFace>(piece, square, 'seam'),
        clipSolid<BoardFace>(clipSolid<BoardFace>(piece, flip(square), 'seam'), keep, bevel),
      ];
    });
  }
  for (const notch of member.notches)
    pieces = pieces.flatMap((piece) => notched(frame, notch, piece)).filter(isWood);
  return pieces.filter(isWood);
};

const isWood = (piece: ConvexSolid<BoardFace>): boolean => piece.length > 0;

const notched = (
  frame: BoardFrame,
  { for: what, seat, heels }: Notch,
  solid: ConvexSolid<BoardFace>,
): ConvexSolid<BoardFace>[] => {
  const seatKeep = halfSpaceToLocal(frame, seat.keep);
  const above = clipSolid<BoardFace>(solid, seatKeep, seat);
  if (heels.length === 0) return [above];
  const beyond = clipSolid<BoardFace>(solid, flip(seatKeep), seat);
  const kept = (from: ConvexSolid<BoardFace>, heel: EndCut): ConvexSolid<BoardFace> =>
    clipSolid(from, halfSpaceToLocal(frame, heel.keep), heel);
  return what === 'housing' || what === 'slot'
    ? [above, ...heels.map((heel) => kept(beyond, heel))]
    : [above, heels.reduce(kept, beyond)];
};

/** Every corner of the sawn board in the world, once a face it stands in. */
export const cornersOf = (member: Member): Vec3[] =>
  solidOf(member).flatMap((piece) =>
    piece.flatMap(({ points }) => points.map((p) => toWorld(member.frame, p))),
  );

/** The box round the sawn board, along the axes of the world. mm */
export const boxOf = (member: Member): Box => {
  const known = boxes.get(member);
  if (known !== undefined) return known;
  const box = new GrowingBox();
  for (const piece of solidOf(member))
    for (const { points } of piece) for (const p of points) box.take(toWorld(member.frame, p));
  boxes.set(member, box);
  return box;
};

/** A member never changes, nor does its box. */
const boxes = new WeakMap<Member, Box>();

/** Whether all of a piece lies before one of the half-spaces: nothing of it is kept. */
const liesOutside = (piece: ConvexSolid<unknown>, keeps: readonly HalfSpace[]): boolean =>
  keeps.some((keep) =>
    piece.every(({ points }) => points.every((p) => planeAt(keep, p) > SAME_POINT_MM)),
  );

/** How much of a member's wood lies within bounds in the world. mm³ */
export const woodWithin = (member: Member, bounds: readonly HalfSpace[]): number => {
  const local = bounds.map((keep) => halfSpaceToLocal(member.frame, keep));
  let sum = 0;
  for (const piece of solidOf(member))
    if (!liesOutside(piece, local)) sum += volume(clipByAll<unknown>(piece, local, null));
  return sum;
};
