/**
 * What holds the frame together: fixings counted by place.
 *
 * Takes the job, its roof and the members; promises, for each sort of place that occurs, how many there are, what fixes
 * it by the crew's rules, and how many of that are needed; totals by fixing; and the hangers that take each other's
 * room. Kinds and numbers are the crew's own choice: what suffices is for the local code and licensed practice.
 */
import type { Member } from '../frame';
import { intervals } from '../geom';
import type { Job } from '../job';
import { FIXINGS, isAlong, PLACES_IN_ORDER, type Fixing } from '../places';
import type { Roof } from '../roof';
import { jointsOf, runsOf, type Run } from './joints';
import { plateRuns } from './plates';
import { ruleOf, type Rule } from './rules';

export { clashesOf, FLANGE_MM, type Clash } from './clashes';
export { ruleOf, type Rule } from './rules';

/** One sort of place in a frame. */
export interface FixedPlace extends Rule {
  /** How many such places there are; how many lengths, where it is fixed all along. */
  readonly places: number;
  /** How long those are together; null for what is fixed place by place. mm */
  readonly lengthMm: number | null;
  readonly count: number;
}

export interface Fixings {
  readonly places: readonly FixedPlace[];
  readonly totals: readonly { readonly fixing: Fixing; readonly count: number }[];
}

/** Fixings along a length: one at each end, and no two further apart than the centres. */
const alongCount = (lengthMm: number, centresMm: number): number =>
  intervals.evenly(0, lengthMm, centresMm).length;

/** @returns the fixings of a frame, in the order in which places are met as it goes up */
export const fixingsOf = ({
  job,
  roof,
  members,
}: {
  readonly job: Job;
  readonly roof: Roof;
  readonly members: readonly Member[];
}): Fixings => {
  const joints = jointsOf(job, members);
  const runs = [...plateRuns(job, roof), ...runsOf(members)];
  const fixed = PLACES_IN_ORDER.flatMap((place): FixedPlace[] => {
    const rule = ruleOf(job, place);
    if (isAlong(place))
      return alongOf(
        rule,
        runs.filter((run) => run.place === place),
      );
    const places = joints.filter((joint) => joint.place === place).length;
    return places === 0 ? [] : [{ ...rule, places, lengthMm: null, count: places * rule.each }];
  });
  return {
    places: fixed,
    totals: FIXINGS.flatMap((fixing) => {
      const count = fixed
        .filter((one) => one.fixing === fixing)
        .reduce((sum, one) => sum + one.count, 0);
      return count === 0 ? [] : [{ fixing, count }];
    }),
  };
};

const alongOf = (rule: Rule, runs: readonly Run[]): FixedPlace[] => {
  const { centresMm } = rule;
  if (runs.length === 0 || centresMm === null) return [];
  return [
    {
      ...rule,
      places: runs.length,
      lengthMm: runs.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
      count: runs.reduce((sum, { lengthMm }) => sum + alongCount(lengthMm, centresMm), 0),
    },
  ];
};
