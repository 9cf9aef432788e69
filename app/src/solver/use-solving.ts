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
  useEffect(
    () => solving.subscribe(() => startTransition(() => setSolved(solving.read()))),
    [solving],
  );
  useEffect(() => () => solving.dispose(), [solving]);
  useEffect(() => solving.solve(job), [solving, job]);
  return { ...solved, ask: solving.ask, stop: solving.stop, again: solving.again };
};
