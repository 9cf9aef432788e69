import { solve, type Job, type Solution } from '@ogee/core';
import { useSyncExternalStore } from 'react';

/** Stands in for the open job in component tests: edits kept in memory, the roof solved at once. */
let job: Job | null = null;
const listeners = new Set<() => void>();

const set = (next: Job): void => {
  job = next;
  for (const listener of listeners) listener();
};

const read = (): Job => {
  if (job === null) throw new Error('open a job first');
  return job;
};

export const openInMemory = (next: Job): void => set(next);
export const jobInMemory = read;

const solutionOf = (of: Job): Solution | null => {
  const result = solve(of);
  return result.ok ? result.value : null;
};

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

export const useOpenJob = () => {
  const now = useSyncExternalStore(subscribe, read);
  return {
    id: 'in-memory',
    job: now,
    solution: solutionOf(now),
    edit: (change: (before: Job) => Job) => set(change(read())),
    problemAt: () => undefined,
  };
};

export const useFault = () => () => undefined;
