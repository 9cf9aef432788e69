import { box, clipSolid, flip, halfSpaceToLocal } from '../geom';
import type { ConvexSolid } from '../geom';
import type { EndCut, Member } from './member';

/** What a face of the sawn board is: one of its own six, a saw cut, or the bevel of a backed edge. */
export type BoardFace = 'low' | 'high' | 'right' | 'left' | 'under' | 'upper' | 'backing' | EndCut;

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
  for (const end of member.ends) solid = clipSolid(solid, halfSpaceToLocal(frame, end.keep), end);
  for (const bevel of member.bevels)
    solid = clipSolid<BoardFace>(solid, halfSpaceToLocal(frame, bevel), 'backing');
  if (member.notch === null) return [solid];
  const { seat, heel } = member.notch;
  const seatKeep = halfSpaceToLocal(frame, seat.keep);
  const above = clipSolid<BoardFace>(solid, seatKeep, seat);
  if (heel === null) return [above];
  const below = clipSolid<BoardFace>(solid, flip(seatKeep), seat);
  return [above, clipSolid<BoardFace>(below, halfSpaceToLocal(frame, heel.keep), heel)];
};
