import type { Member } from '../frame';
import type { Job } from '../job';
import { framedHere, type Roof } from '../roof';
import { dryFit, checkOverlaps, unlisted } from './dry-fit';
import type { FitReport } from './report';

/** Two reports in one: what was proved of both, the worst of either. */
const together = (one: FitReport, other: FitReport): FitReport => {
  const bearing = [one.leastBearing, other.leastBearing].filter((mm) => mm !== null);
  return {
    ...one,
    joints: one.joints + other.joints,
    worstGap: Math.max(one.worstGap, other.worstGap),
    worstOverlap: Math.max(one.worstOverlap, other.worstOverlap),
    carried: one.carried + other.carried,
    boards: one.boards + other.boards,
    widestStrip: Math.max(one.widestStrip, other.widestStrip),
    seats: [...one.seats, ...other.seats],
    leastBearing: bearing.length === 0 ? null : Math.min(...bearing),
    shortJacks: [...one.shortJacks, ...other.shortJacks],
    problems: [...one.problems, ...other.problems],
  };
};

/** What stands already is not framed, and nothing of it is proved. */
const proveHere = (
  job: Job,
  roof: Roof,
  members: readonly Member[],
  markOf: (id: string) => string,
  listed: readonly string[],
): FitReport => {
  const here = framedHere(job, roof);
  return here === null
    ? dryFit(job, roof, members, markOf, listed)
    : dryFit(here.part.job, here.roof, members, markOf, listed);
};

/**
 * Proves or disproves a whole frame: as one, or, where roofs are laid on another, that one first, each of them on its
 * sheathing, and that none shares wood with the others.
 *
 * @param markOf the mark a member's id is known by
 * @param listed the ids that the cut list names, where there is one: each must stand in the frame
 */
export const prove = (
  job: Job,
  roof: Roof,
  members: readonly Member[],
  markOf: (id: string) => string,
  listed: readonly string[] = [],
): FitReport => {
  const { under, laid } = roof;
  if (under === null) return proveHere(job, roof, members, markOf, listed);
  const upper = new Set(laid.map(({ block }) => block));
  const below = members.filter(({ block }) => !upper.has(block));
  const here = framedHere(under.part.job, under.roof);
  const reports = [
    ...(here === null ? [] : [dryFit(here.part.job, here.roof, below, markOf)]),
    ...laid.map((on) => {
      const own = members.filter(({ block }) => block === on.block);
      return dryFit(on.part.job, on.shown, own, markOf, [], { on, below: under.roof });
    }),
  ];
  const all = reports.reduce(together);
  const crossed = checkOverlaps(members, markOf, (one, other) => one.block !== other.block);
  return {
    ...all,
    worstOverlap: Math.max(all.worstOverlap, crossed.worstMm3),
    problems: [...all.problems, ...crossed.problems, ...unlisted(members, listed, markOf)],
  };
};
