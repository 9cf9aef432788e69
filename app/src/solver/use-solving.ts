import type { Job } from '@ogee/core/src/job';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { Solving, type Solved } from './solving';
import { SolverThread } from './thread';

/** The roof of a job, worked out anew on every change of it; null leaves the last roof standing. */
export const useSolving = (job: Job | null): Solved & Pick<Solving, 'ask' | 'stop' | 'again'> => {
  const [solving] = useState(() => new Solving(new SolverThread()));
  useEffect(() => () => solving.dispose(), [solving]);
  useEffect(() => solving.solve(job), [solving, job]);
  const solved = useSyncExternalStore(solving.subscribe, solving.read);
  return { ...solved, ask: solving.ask, stop: solving.stop, again: solving.again };
};
