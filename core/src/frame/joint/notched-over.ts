import { v2, v3, type Vec2 } from '../../geom';
import type { CutName, EndCut, Member, NotchFor } from '../member/member';
import { clashing } from './in-space';
import { seatNotch } from './plate-notches';

/**
 * The rafters over a level timber whose top is square, each with a birdsmouth over it: seat on its top, heel against the
 * face that looks down the slope.
 */
export const notchedOver = (
  timber: Member,
  downhill: Vec2,
  what: Extract<NotchFor, 'purlin' | 'ledger'>,
  rafters: readonly Member[],
): Member[] => {
  const { frame, topMm, stock } = timber;
  const face = v2.add(v3.inPlan(frame.origin), v2.scale(downhill, stock.thickness / 2));
  return clashing(timber, rafters).map((rafter): Member => {
    // Where its centre line comes over the lower face.
    const heading = v2.unit(v3.inPlan(rafter.frame.a));
    const start = v3.inPlan(rafter.frame.origin);
    const t = v2.dot(v2.sub(face, start), downhill) / v2.dot(heading, downhill);
    const corner = v2.add(start, v2.scale(heading, t));
    const notch = seatNotch(corner, frame.origin[2] + topMm, downhill, true);
    const on = (name: CutName, end: EndCut): EndCut => ({ ...end, name, meets: timber.id });
    return {
      ...rafter,
      notches: [
        ...rafter.notches,
        {
          ...notch,
          for: what,
          seat: on(`${what} seat`, notch.seat),
          heels: notch.heels.map((heel) => on(`${what} heel`, heel)),
        },
      ],
    };
  });
};
