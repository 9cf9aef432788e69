import { FIT_GAP_MM, v3 } from '../geom';
import { inMm, say } from '../sentence';
import type { Touching } from './contacts';
import { findingOn } from './finding';
import type { FrameOnSite } from './frame-on-site';
import { isMember, type Placed } from './placed';
import type { FitProblem } from './report';

/** How far a barge's lookouts may stand off their even places: rounding. mm */
const EVEN_MM = FIT_GAP_MM;
/** Lookouts this little further apart than the rafters are not. mm */
const SLACK_MM = 0.2;

/** Where along a barge the middles of what is butted against its inner face stand. mm */
const rungsOn = (barge: Placed, touching: Touching): number[] => {
  const { a } = barge.member.frame;
  const found = touching(barge).flatMap((contact): Placed[] => {
    const other = contact.one === barge ? contact.other : contact.one;
    return isMember(other) && other.member.kind === 'lookout' ? [other] : [];
  });
  return [...new Set(found)]
    .map(({ member }) => v3.dot(member.frame.origin, a))
    .sort((p, q) => p - q);
};

/**
 * Whether each barge has its ladder: rungs evenly, from the tail up to where the next would come into the peak, no
 * further apart than the rafters.
 */
export const gableEndsAmiss = ({ job, members }: FrameOnSite, touching: Touching): FitProblem[] => {
  const { barge: stock, lookout } = job.timber;
  if (stock === undefined || lookout === undefined) return [];
  return members.flatMap((barge): FitProblem[] => {
    if (barge.member.kind !== 'barge') return [];
    const beside = members.some(
      ({ member }) =>
        member.kind === 'common' &&
        Math.abs(
          Math.abs(
            v3.dot(v3.sub(member.frame.origin, barge.member.frame.origin), barge.member.frame.s),
          ) -
            (stock.thickness + member.stock.thickness) / 2,
        ) < 1,
    );
    if (beside) return [];
    const { a } = barge.member.frame;
    const tops = barge.tops.flatMap(({ points }) => points.map((p) => v3.dot(p, a)));
    const [low, high] = [Math.min(...tops), Math.max(...tops)];
    const first = low + lookout.thickness / 2;
    const last =
      high - lookout.thickness / 2 - lookout.depth * Math.tan(barge.member.axis.slopeRad);
    if (last < first) return [];
    const rungs = rungsOn(barge, touching);
    if (rungs.length < 2)
      return [
        findingOn(barge, 'missing', high - low, say`${barge.mark} has no ‹lookouts› to stand on`),
      ];
    const step = (last - first) / (rungs.length - 1);
    const off = Math.max(...rungs.map((at, i) => Math.abs(at - (first + i * step))));
    if (off <= EVEN_MM && step <= job.framing.spacing + SLACK_MM) return [];
    return [
      findingOn(
        barge,
        'missing',
        off,
        say`a ‹lookout› of ${barge.mark} is missing, or stands ${inMm(off, 1)} off its place`,
      ),
    ];
  });
};
