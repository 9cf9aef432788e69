import type { Job } from '@ogee/core/src/job';
import { startTransition, useEffect, useState } from 'react';
import { Solving, type Solved } from './solving';
import { SolverThread } from './thread';

/**
 * The roof of a job, worked out anew on every change of it; null leaves the last roof standing. A roof is drawn in
 * slices, between which the field in hand answers.
 */
export const useSolving = (job: Job | null): Solved & Pick<Solving, 'ask' | 'stop' | 'again'> => {
  const [solving] = useState(() => new Solving(new SolverThread()));
  const [solved, setSolved] = useState(solving.read);
  useEffect(() => {
    let before = solving.read();
    return solving.subscribe(() => {
      const now = solving.read();
      // That a roof is late or failed is said at once.
      if (now.roof === before.roof) setSolved(now);
      else startTransition(() => setSolved(now));
      before = now;
    });
  }, [solving]);
  useEffect(() => () => solving.dispose(), [solving]);
  useEffect(() => solving.solve(job), [solving, job]);
  return { ...solved, ask: solving.ask, stop: solving.stop, again: solving.again };
};
