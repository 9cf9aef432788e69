import {
  flip,
  halfSpaceToLocal,
  PARALLEL_SINE,
  planeAt,
  SAME_POINT_MM,
  v2,
  v3,
  type HalfSpace,
} from '../geom';
import type { EndCut, Member, Notch } from '../frame';

/** A saw cut in the board's own `[a, s, e]` coordinates: keeps normal · p ≤ offset. */
export interface LocalCut extends HalfSpace {
  readonly end: EndCut;
}

const localCut = (member: Member, end: EndCut): LocalCut => {
  const { normal, offset } = halfSpaceToLocal(member.frame, end.keep);
  return { end, normal, offset };
};

/** Where the cut crosses the line at (s, e) along the board: its a, mm; null where it runs along the board. */
export const crossesAt = ({ normal, offset }: LocalCut, s: number, e: number): number | null =>
  Math.abs(normal[0]) < PARALLEL_SINE ? null : (offset - normal[1] * s - normal[2] * e) / normal[0];

const ORDER = ['top', 'upper seat cut', 'upper heel cut', 'seat', 'heel', 'tail', 'bottom'];

const rankOf = ({ end: { at, name } }: LocalCut): number =>
  ORDER.indexOf(ORDER.includes(name) ? name : at);

/** Every saw cut of the member, from the upper end down. */
export const localCuts = (member: Member): LocalCut[] => {
  const cuts = member.ends.map((end) => localCut(member, end));
  for (const notch of member.notches) {
    cuts.push(localCut(member, notch.seat));
    for (const heel of notch.heels) cuts.push(localCut(member, heel));
  }
  return cuts.sort((p, q) => rankOf(p) - rankOf(q) || p.normal[1] - q.normal[1]);
};

/** How far inside a notch's corner the theory line starts, along the timber in plan. mm */
const cornerRun = ({ frame }: Member, { corner }: Notch): number =>
  v2.dot(v2.sub(corner, v3.inPlan(frame.origin)), v2.unit(v3.inPlan(frame.a)));

/** Plumb, from a notch's seat to the top edge above its corner. mm */
export const heightOverSeat = (member: Member, notch: Notch): number => {
  const { frame, axis, topMm } = member;
  const rise = cornerRun(member, notch) * Math.tan(axis.slopeRad);
  const above = frame.origin[2] + rise + topMm / Math.cos(axis.slopeRad);
  return planeAt(flip(notch.seat.keep), [notch.corner[0], notch.corner[1], above]);
};

/** Plumb depth of a notch at its corner; 0 or less where the board's underside clears the plate. mm */
export const notchPlumbDepth = (member: Member, notch: Notch): number =>
  member.stock.depth / Math.cos(member.axis.slopeRad) - heightOverSeat(member, notch);

/** How much of an upper seat so wide the timber's upper end cuts off, past the outside of the wall below it. mm */
export const cutOffUpperSeat = (
  { frame, ends }: Member,
  { corner, seat }: Notch,
  wideMm: number,
): number => {
  const along = v2.unit(v3.inPlan(frame.a));
  const z = -seat.keep.offset;
  return Math.max(
    0,
    ...ends.map(({ keep }) => {
      const rate = v3.dot(keep.normal, [along[0], along[1], 0]);
      return rate < SAME_POINT_MM ? 0 : wideMm + planeAt(keep, [corner[0], corner[1], z]) / rate;
    }),
  );
};

/** How far inside a notch's corner, level and on the centre line, the timber's lower end cuts its seat. mm */
export const cutOffSeat = (member: Member, notch: Notch): number => {
  const { corner, seat } = notch;
  const along = v2.unit(v3.inPlan(member.frame.a));
  const z = -seat.keep.offset;
  return Math.max(
    0,
    ...member.ends.map(({ keep }) => {
      const rate = v3.dot(keep.normal, [along[0], along[1], 0]);
      return rate > -SAME_POINT_MM ? 0 : -planeAt(keep, [corner[0], corner[1], z]) / rate;
    }),
  );
};
