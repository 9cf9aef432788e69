import { crossingOf, type Member } from '../frame';
import { SLACK_SINE, SLACK_MM, v2, v3 } from '../geom';
import type { Job } from '../job';
import { cutJoints, type Joint } from './joints';
import { ruleOf } from './rules';

/** Two hangers of which each takes the other's room. */
export interface Clash {
  readonly one: Member;
  readonly other: Member;
  readonly carrier: Member;
  /** How far apart the two timbers' faces stand. mm */
  readonly gapMm: number;
}

/** How wide one flange of a hanger is, with what its fixing wants. mm */
export const FLANGE_MM = 40;

/** Where a timber comes up against its carrier: along it, from which side, and how wide it is there. mm */
interface Hung {
  readonly member: Member;
  readonly at: number;
  readonly side: number;
  readonly half: number;
}

/** Where a timber hangs on its carrier; null where it runs beside it. */
const hungOn = (carrier: Member, { member, at }: Joint): Hung | null => {
  const along = v2.unit(v3.inPlan(carrier.frame.a));
  const found = crossingOf(member, v3.inPlan(carrier.frame.origin), along, ALONG);
  if (found === null) return null;
  const { sine, wide } = found;
  return {
    member,
    at: found.at,
    side: Math.sign(sine) * (at === 'top' ? -1 : 1),
    half: wide / 2,
  };
};

/** A timber nearer to its carrier's own direction than this, as a sine, is none that hangs on it. */
const ALONG = SLACK_SINE.across;

/**
 * Hangers that cannot both be fixed: on one face of a carrier, the two timbers nearer than their flanges are wide.
 * Timbers side by side that touch, doubled ones, hang in one.
 */
export const clashesOf = (job: Job, members: readonly Member[]): Clash[] => {
  const hangs = cutJoints(members).filter(({ place }) =>
    ruleOf(job, place).fixing.endsWith('hanger'),
  );
  const byCarrier = new Map<Member, Joint[]>();
  for (const joint of hangs)
    if (joint.to !== null) byCarrier.set(joint.to, [...(byCarrier.get(joint.to) ?? []), joint]);
  return [...byCarrier].flatMap(([carrier, joints]) => {
    const hung = joints.flatMap((joint) => hungOn(carrier, joint) ?? []);
    return [1, -1].flatMap((side) => {
      const own = hung.filter((one) => one.side === side).sort((p, q) => p.at - q.at);
      return own.flatMap((one, i): Clash[] => {
        const next = own[i + 1];
        if (next === undefined) return [];
        const gapMm = next.at - next.half - (one.at + one.half);
        return gapMm > SIDE_BY_SIDE_MM && gapMm < 2 * FLANGE_MM
          ? [{ one: one.member, other: next.member, carrier, gapMm }]
          : [];
      });
    });
  });
};

/** Nearer than this two timbers lie side by side and hang in one hanger. mm */
const SIDE_BY_SIDE_MM = SLACK_MM.nothing;
