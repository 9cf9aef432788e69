import { performance } from 'node:perf_hooks';

/** How long something takes, by the clock. ms */
export const timed = (act: () => unknown): number => {
  const start = performance.now();
  act();
  return performance.now() - start;
};
