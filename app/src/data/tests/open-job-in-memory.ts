import { readJob, type Job, type Side } from '@ogee/core/src/job';
import { spoken } from '@ogee/core/src/sentence';
import { solve, type Solution } from '@ogee/core/src/solve';
import { useSyncExternalStore } from 'react';
import { roofAnswer } from '../../solver/answers';
import type { ShownRoof } from '../../solver/solving';
import { JobInHand } from '../job-in-hand';
import type { Outbox } from '../outbox';

/** Stands in for the open job in component tests: the real job in hand over an outbox whose server never answers. */
let hand: JobInHand | null = null;
const typed = new Map<string, string>();
const eavesBefore = new Map<string, Side>();

export const handInMemory = (): JobInHand => {
  if (hand === null) throw new Error('open a job first');
  return hand;
};

export const openInMemory = (job: Job): void => {
  typed.clear();
  eavesBefore.clear();
  const copy = {
    id: 'in-memory',
    name: job.name,
    revision: 1,
    sample: false,
    updatedAt: '2026-01-01T00:00:00Z',
    deletedAt: null,
    job,
  };
  const outbox: Pick<Outbox, 'append' | 'subscribe' | 'state' | 'away'> = {
    away: false,
    append: (_id, make) => {
      const entry = make(latest);
      if (entry !== null) latest = entry.job;
      return Promise.resolve();
    },
    subscribe: () => () => undefined,
    // Nobody answers.
    state: () => new Promise(() => undefined),
  };
  let latest: Job | null = job;
  hand = new JobInHand('in-memory', outbox as Outbox, {
    copy,
    waiting: [],
    stop: null,
  });
};
export const jobInMemory = (): Job => handInMemory().read().job;

/** Each job is solved once, however many components ask. */
const solutions = new WeakMap<Job, Solution | null>();

const solutionOf = (of: Job): Solution | null => {
  const known = solutions.get(of);
  if (known !== undefined) return known;
  const result = solve(of);
  const found = result.ok ? result.value : null;
  solutions.set(of, found);
  return found;
};

const useSnapshot = () => {
  const own = handInMemory();
  return useSyncExternalStore(own.subscribe, own.read);
};

export const useJob = () => useSnapshot().job;
export const useDisplay = () => useSnapshot().job.display;
export const useStanding = useSnapshot;

export const useProblems = () => {
  const { job, inHand } = useSnapshot();
  const checked = readJob(job);
  return {
    problems: checked.ok ? [] : checked.problems,
    problemAt: (path: string): string | undefined =>
      inHand?.path === path && inHand.problem !== null
        ? spoken(inHand.problem.text, job.display)
        : undefined,
  };
};

export const useHandling = () => {
  const own = handInMemory();
  return {
    id: 'in-memory',
    edit: own.edit,
    hand: own,
    doUndo: own.undo,
    doRedo: own.redo,
    typedBefore: typed,
    eavesBefore,
    keepTyped: (path: string, text: string | null): void => {
      if (text === null) typed.delete(path);
      else typed.set(path, text);
    },
    keepReading: (): void => undefined,
  };
};

export const useFault = () => () => undefined;

/** The roof of the job in hand, at once. */
const roofInMemory = (): ShownRoof | null => {
  const { job } = handInMemory().read();
  const solution = solutionOf(job);
  return solution === null ? null : { job, serial: 1, proved: true, ...roofAnswer(solution) };
};

/** Stands in for the open roof: worked out here, without a thread. */
export const useRoof = () => {
  useSnapshot();
  return { roof: roofInMemory(), stale: false };
};

/** The drawings that are asked for are tried in Chromium. */
export const useOfRoof = () => undefined;
