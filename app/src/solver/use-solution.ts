import type { FitReport, Job, Problem, Solution } from '@ogee/core';
import { wrap, type Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Solver } from './solver.worker';

interface Solved {
  /** The last good roof, kept while a job cannot be solved. */
  readonly solution: Solution | null;
  readonly problems: readonly Problem[];
}

type FitRoof = (job: Job) => Promise<FitReport | null>;

/** Solves in a worker on every change of the job; null leaves the last roof standing. */
export const useSolution = (job: Job | null): Solved & { readonly fitRoof: FitRoof } => {
  const [solved, setSolved] = useState<Solved>({ solution: null, problems: [] });
  const worker = useRef<{ thread: Worker; solver: Remote<Solver> } | null>(null);
  const turn = useRef(0);

  useEffect(() => {
    const thread = new Worker('/solver.worker.js');
    worker.current = { thread, solver: wrap<Solver>(thread) };
    return () => {
      thread.terminate();
      worker.current = null;
    };
  }, []);

  useEffect(() => {
    turn.current += 1;
    const mine = turn.current;
    if (job === null || worker.current === null) return;
    void worker.current.solver.solve(job).then((result) => {
      // A newer edit has overtaken this answer.
      if (mine !== turn.current) return;
      setSolved((before) =>
        result.ok
          ? { solution: result.value, problems: [] }
          : { solution: before.solution, problems: result.problems },
      );
    });
  }, [job]);

  const fitRoof = useCallback<FitRoof>(
    async (of) => (worker.current === null ? null : worker.current.solver.fit(of)),
    [],
  );
  return { ...solved, fitRoof };
};
