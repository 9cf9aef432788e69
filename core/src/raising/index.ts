/**
 * The frame in the order in which it goes up.
 *
 * Takes a solved job's roof and members; promises steps that name every member once, none before what it is cut
 * against, each with what is done, what holds it meanwhile, and what is checked before the next. What is laid on
 * another roof comes after that one is sheathed. Braces and fixings are for licensed practice to size.
 */
import type { Member } from '../frame';
import type { Job } from '../job';
import type { Roof } from '../roof';
import { say, spoken } from '../sentence';
import { capital } from '../terms';
import { liftsOf, type Lift, type Stages } from './order';
import { saidOf, type Said } from './said';

export type { Stages } from './order';

/** One step, told in the crew's own words. */
export interface RaisingStep {
  /** Stable while the job's shape stands. */
  readonly id: string;
  /** Which half of the roof it belongs to, from 1, where that is raised in two. */
  readonly stage: number;
  readonly title: string;
  /** Ids of what goes up in it: none where the roof is covered. */
  readonly members: readonly string[];
  readonly does: readonly string[];
  readonly braces: readonly string[];
  readonly checks: readonly string[];
}

const COVERED: Said = {
  title: say`Sheathing`,
  does: [
    say`sheathe the slopes from the ‹eaves› up, joints staggered, and take the braces away as the sheets hold the frame`,
  ],
  braces: [],
  checks: [
    say`edges of the sheets on the middle of a rafter, and nothing bare left where weather can lift it`,
  ],
};

const HALF_COVERED: Said = {
  ...COVERED,
  title: say`Sheathing of the first half`,
  braces: [
    say`the last pair stays braced along the building until the second half stands: half a roof is not held at its open end`,
  ],
};

const BELOW_COVERED: Said = {
  ...COVERED,
  does: [
    ...COVERED.does,
    say`strike the chalk lines of what is laid on: the centre of its ‹ridge›, and where its slopes come down`,
  ],
};

/** @throws nothing: whatever can be framed can be raised */
export const raisingOf = (
  {
    job,
    roof,
    members,
  }: { readonly job: Job; readonly roof: Roof; readonly members: readonly Member[] },
  stages: Stages,
): RaisingStep[] => {
  const words = (said: Said, stage: number, id: string, own: readonly Member[]): RaisingStep => {
    const told = (list: Said['does']): string[] =>
      list.map((one) => capital(spoken(one, job.display)));
    return {
      id,
      stage,
      title: spoken(said.title, job.display),
      members: own.map((member) => member.id),
      does: told(said.does),
      braces: told(said.braces),
      checks: told(said.checks),
    };
  };
  const lifts = liftsOf(roof, members, stages);
  // What stands already is covered; there is nothing to raise but what is laid on it.
  const isLast = (i: number, of: (lift: Lift) => unknown): boolean => {
    const [lift, next] = [lifts[i], lifts[i + 1]];
    return lift !== undefined && (next === undefined || of(lift) !== of(next));
  };
  return lifts.flatMap((lift, i): RaisingStep[] => {
    const { phase, stage, laid } = lift;
    const name = [laid ?? 'roof', stage, i, phase].join('.');
    const step = words(saidOf(job, roof, lift), stage, name, lift.members);
    if (!isLast(i, (one) => `${one.stage} ${one.laid ?? ''}`)) return [step];
    const last = laid === null && stage === stages;
    const half = laid === null && stage < stages;
    const said = half ? HALF_COVERED : last && roof.laid.length > 0 ? BELOW_COVERED : COVERED;
    return [step, words(said, stage, `${name}.sheathed`, [])];
  });
};
