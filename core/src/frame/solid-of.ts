import { box, clipSolid, directionToLocal, flip, planeAt } from '../geom';
import type { BoardFrame, ConvexSolid, HalfSpace } from '../geom';
import type { EndCut, Member } from './member';

/** What a face of the sawn board is: one of its own six, a saw cut, or the bevel of a backed edge. */
export type BoardFace = 'low' | 'high' | 'right' | 'left' | 'under' | 'upper' | 'backing' | EndCut;

/** A world half-space in the board's own `[a, s, e]` coordinates. */
const localKeep = (frame: BoardFrame, keep: HalfSpace): HalfSpace => ({
  normal: directionToLocal(frame, keep.normal),
  offset: -planeAt(keep, frame.origin),
});

const REACH = 4;

/**
 * The member as sawn, in its own `[a, s, e]` coordinates, mm: one convex piece, or two where a birdsmouth parts it
 * along the seat's level. Face `left` is s = +thickness/2, the one on the left looking up the slope.
 */
export const solidOf = (member: Member): ConvexSolid<BoardFace>[] => {
  const { stock, topMm, frame } = member;
  // Longer than any cut can reach: the theory line and as much again, and the depth's shear at the steepest pitch.
  const reach = REACH * (member.plan.runMm / Math.cos(member.plan.slopeRad) + 10 * stock.depth);
  const half = stock.thickness / 2;
  let solid: ConvexSolid<BoardFace> = box<BoardFace>(
    [-reach, -half, topMm - stock.depth],
    [reach, half, topMm],
    ['low', 'high', 'right', 'left', 'under', 'upper'],
  );
  for (const end of member.ends) solid = clipSolid(solid, localKeep(frame, end.keep), end);
  for (const bevel of member.bevels)
    solid = clipSolid<BoardFace>(solid, localKeep(frame, bevel), 'backing');
  if (member.notch === null) return [solid];
  const { seat, heel } = member.notch;
  const seatKeep = localKeep(frame, seat.keep);
  const above = clipSolid<BoardFace>(solid, seatKeep, seat);
  if (heel === null) return [above];
  const below = clipSolid<BoardFace>(solid, flip(seatKeep), seat);
  return [above, clipSolid<BoardFace>(below, localKeep(frame, heel.keep), heel)];
};
