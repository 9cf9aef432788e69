import type { FitReport } from '@ogee/core/src/fit';
import type { Job } from '@ogee/core/src/job';
import { fit, solve } from '@ogee/core/src/solve';
import { expose } from 'comlink';

/** Runs in its own thread: a checked job in, a solution or the problems out; its dry fit only when asked for. */
const solver = {
  solve: (job: Job) => solve(job),
  fit: (job: Job): FitReport | null => {
    const solution = solve(job);
    return solution.ok ? fit(solution.value) : null;
  },
};

export type Solver = typeof solver;

expose(solver);
