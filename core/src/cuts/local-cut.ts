import { halfSpaceToLocal, planeAt, type HalfSpace } from '../geom';
import type { EndCut, Member } from '../frame';

/** A saw cut in the board's own `[a, s, e]` coordinates: keeps normal · p ≤ offset. */
export interface LocalCut extends HalfSpace {
  readonly end: EndCut;
}

const localCut = (member: Member, end: EndCut): LocalCut => {
  const { normal, offset } = halfSpaceToLocal(member.frame, end.keep);
  return { end, normal, offset };
};

/** Where the cut crosses the line at (s, e) along the board: its a, mm. A saw cut is never parallel to the board. */
export const crossesAt = ({ normal, offset }: LocalCut, s: number, e: number): number =>
  (offset - normal[1] * s - normal[2] * e) / normal[0];

const ORDER = ['top', 'seat', 'heel', 'tail', 'bottom'];

/** Every saw cut of the member, from the upper end down. A notch with no wood in it is no cut. */
export const localCuts = (member: Member): LocalCut[] => {
  const { notch } = member;
  const notched = notch !== null && seatPlumbDepth(member) > 0;
  const cuts = member.ends.map((end) => localCut(member, end));
  if (notched) cuts.push(localCut(member, notch.seat));
  if (notched && notch.heel !== null) cuts.push(localCut(member, notch.heel));
  return cuts.sort(
    (p, q) => ORDER.indexOf(p.end.at) - ORDER.indexOf(q.end.at) || p.normal[1] - q.normal[1],
  );
};

/** Plumb, from the seat's level to the top edge above the heel. mm */
export const heightOverSeat = (member: Member): number => {
  if (member.notch === null) return 0;
  const above = planeAt(member.notch.seat.keep, member.frame.origin);
  return -above + member.topMm / Math.cos(member.plan.slopeRad);
};

/** Plumb depth of the notch at the heel; 0 or less where the board's underside clears the plate. mm */
export const seatPlumbDepth = (member: Member): number =>
  member.stock.depth / Math.cos(member.plan.slopeRad) - heightOverSeat(member);
