import { isUpper, type Member, type Notch } from '../frame';
import { SLACK_MM } from '../geom';
import { degrees, radians } from '../units';
import { cutOffSeat, cutOffUpperSeat, heightOverSeat, notchPlumbDepth } from './local-cut';
import { work, type Worked } from './working';

export interface Seat {
  readonly hap: Worked;
  readonly width: Worked;
  readonly plumbDepth: Worked;
  readonly depthFraction: Worked;
}

/** A seat this narrow is none: what is sawn there keeps the wood clear of the plate's corner, and bears nothing. mm */
const NO_SEAT_MM = SLACK_MM.nothing;

/**
 * The birdsmouth's sizes; null where there is none (a lip is none), where the underside clears the plate, or where a cheek
 * takes the seat away on the centre line, beside a valley that carries the piece.
 */
export const seatOf = (member: Member): Seat | null =>
  sizesOf(
    member,
    member.notches.find(
      (one) => one.for === 'plate' && !isUpper(one) && notchPlumbDepth(member, one) > 0,
    ),
  );

/** The same of the birdsmouth over a high wall; null where there is none. */
export const upperSeatOf = (member: Member): Seat | null =>
  sizesOf(member, member.notches.find(isUpper));

const sizesOf = (member: Member, notch: Notch | undefined): Seat | null => {
  if (notch === undefined) return null;
  const end = isUpper(notch) ? 'upper' : 'lower';
  const slope = degrees(member.axis.slopeRad);
  const { depth } = member.stock;
  const { loweredMm } = member;
  const drop = (member.dropMm ?? 0) + loweredMm;
  const whole = heightOverSeat(member, notch) + drop;
  const hap = work(
    '‹height above plate›',
    drop === 0
      ? 'plumb, ‹plate› to the top edge'
      : loweredMm === 0
        ? 'plumb, ‹plate› to the planes’ line, less the drop'
        : 'plumb, ‹plate› to the planes’ line, less the drop and what it is lowered further',
    'mm',
    [
      ['‹plate› to the planes’ line', whole, 'mm'],
      ['drop', drop, 'mm'],
    ],
    (height, less) => height - less,
  );
  const plumbDepth = work(
    'notch, plumb',
    'depth ÷ cos slope − ‹height above plate›',
    'mm',
    [
      ['depth', depth, 'mm'],
      ['slope', slope, '°'],
      ['‹height above plate›', hap, 'mm'],
    ],
    (d, deg, h) => d / Math.cos(radians(deg)) - h,
  );
  const width = work(
    'seat width',
    `notch, plumb ÷ tan slope − what the ${end} end cuts off it`,
    'mm',
    [
      ['notch, plumb', plumbDepth, 'mm'],
      ['slope', slope, '°'],
      [
        `cut off by the ${end} end`,
        isUpper(notch)
          ? cutOffUpperSeat(member, notch, plumbDepth.value / Math.tan(member.axis.slopeRad))
          : cutOffSeat(member, notch),
        'mm',
      ],
    ],
    (depthMm, deg, off) => Math.max(0, depthMm / Math.tan(radians(deg)) - off),
  );
  if (width.value < NO_SEAT_MM) return null;
  return {
    hap,
    plumbDepth,
    width,
    depthFraction: work(
      'notch as a share of the depth',
      'notch, plumb × cos slope ÷ depth',
      '',
      [
        ['notch, plumb', plumbDepth, 'mm'],
        ['slope', slope, '°'],
        ['depth', depth, 'mm'],
      ],
      (depthMm, deg, d) => (depthMm * Math.cos(radians(deg))) / d,
    ),
  };
};
