import { isUpper, type Member } from '../frame';
import { v2, v3 } from '../geom';
import { radians } from '../units';
import { upperSeatOf, type Seat } from './seat';
import { work, type Worked } from './working';

/** What a rafter over two walls has at the upper one. */
export interface Upper extends Seat {
  /** Along the slope, from the heel line of the lower notch to that of the upper. */
  readonly apart: Worked;
  /** Along the top edge, from over the upper wall's outside face to the tail's cut. */
  readonly tail: Worked;
}

/** Null for what is not seated on a high wall. Lengths in mm. */
export const upperOf = (member: Member, slope: Worked): Upper | null => {
  const seat = upperSeatOf(member);
  const notch = member.notches.find(isUpper);
  if (seat === null || notch === undefined) return null;
  const { frame, axis, ends } = member;
  const heading = v2.unit(v3.inPlan(frame.a));
  const run = v2.dot(v2.sub(notch.corner, v3.inPlan(frame.origin)), heading);
  // Where the top edge's middle meets the tail's cut, level from the theory line's upper end.
  const out = ends.reduce((least, { at, keep }) => {
    if (at !== 'top') return least;
    const rate = v3.dot(keep.normal, frame.a);
    const along = (keep.offset - v3.dot(keep.normal, frame.origin)) / rate;
    return Math.min(least, along * Math.cos(axis.slopeRad) - axis.runMm);
  }, Infinity);
  const upSlope = (name: string, what: string, level: number): Worked =>
    work(
      name,
      `${what} ÷ cos slope`,
      'mm',
      [
        [what, level, 'mm'],
        ['slope', slope, '°'],
      ],
      (mm, deg) => mm / Math.cos(radians(deg)),
    );
  return {
    ...seat,
    apart: upSlope('heel to heel', 'level distance between the heel lines', run),
    tail: upSlope(
      'upper tail',
      'level distance past the upper wall’s outside face',
      Math.max(0, out),
    ),
  };
};
