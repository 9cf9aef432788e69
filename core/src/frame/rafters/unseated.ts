import { SLACK_MM, v2, v3 } from '../../geom';
import type { Problem } from '../../problem';
import { inDegrees, inMm, leastMm, say } from '../../sentence';
import { degrees } from '../../units';
import type { Member } from '../member/member';
import type { SetLine } from '../lines/set-lines';
import type { SetRafter } from './set-rafters';
import type { Site } from '../site';

/** Level, along the timber: what makes a seat of a notch at all. A hip's comes to a point over its corner. mm */
const LEAST_SEAT_MM = { line: 12, rafter: 4 } as const;

/** Wood that a seat must take out of a timber at the least, plumb. mm */
const leastNotch = ({ axis }: Member, of: keyof typeof LEAST_SEAT_MM): number =>
  Math.max(SLACK_MM.nothing, LEAST_SEAT_MM[of] * Math.tan(axis.slopeRad));

const plumb = ({ stock, axis }: Member): number => stock.depth / Math.cos(axis.slopeRad);

/** Height of a timber's top over a point of the plan on its centre line. mm */
const topOver = ({ frame, topMm, axis }: Member, p: readonly [number, number]): number => {
  const run = v2.dot(v2.sub(p, v3.inPlan(frame.origin)), v2.unit(v3.inPlan(frame.a)));
  return frame.origin[2] + run * Math.tan(axis.slopeRad) + topMm / Math.cos(axis.slopeRad);
};

/** A hip or valley that does not reach down to the plate under its foot. */
export const unseatedLine = ({ place }: SetLine, member: Member): Problem[] => {
  if (place.foot === null) return [];
  const { point, plateMm } = place.foot;
  const least = leastNotch(member, 'line');
  const short = topOver(member, v3.inPlan(point)) - plateMm - plumb(member) + least;
  if (short <= 0) return [];
  const needed = (plumb(member) + short) * Math.cos(member.axis.slopeRad);
  return [
    {
      code: 'seat',
      path: ['timber', place.kind, 'depth'],
      text: say`${inMm(member.stock.depth, 1)} leaves a ${place.kind} of "${place.block}" no seat to speak of on its ‹plate›; accepted is at least ${leastMm(needed)}, or a lower ‹height above plate›`,
    },
  ];
};

/** A side whose rafters do not reach down to their plate: its pitch is lower than the one that the height is taken from. */
export const unseatedRafter = (
  { job }: Site,
  { span: { foot, slope } }: SetRafter,
  member: Member,
): Problem[] => {
  if (foot === null) return [];
  const [notch] = member.notches;
  if (notch === undefined) return [];
  const least = leastNotch(member, 'rafter');
  const short = topOver(member, notch.corner) - foot.side.plateMm - plumb(member) + least;
  if (short <= 0) return [];
  const block = job.blocks.findIndex(({ id }) => id === foot.block);
  return [
    {
      code: 'seat',
      path: ['blocks', block, 'sides', foot.side.index, 'pitch'],
      text: say`at ${inDegrees(degrees(slope.slopeRad))} the rafters of this side clear their ‹plate› by ${inMm(Math.max(0, short - least), 1)} and have no seat to speak of, for the ‹height above plate› is that of the block's first eave; accepted is a steeper pitch, deeper rafters, or a lower ‹height above plate›`,
    },
  ];
};
