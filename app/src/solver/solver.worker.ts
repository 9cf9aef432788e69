import type { Job } from '@ogee/core';
import { solve } from '@ogee/core/src/solve';
import { expose } from 'comlink';

/** Runs in its own thread: a checked job in, a solution or the problems out. */
const solver = { solve: (job: Job) => solve(job) };

export type Solver = typeof solver;

expose(solver);
