import { performance } from 'node:perf_hooks';
import { buildingJob } from '../src/tests/building';
import { fit, solve, type Solution } from '../src/solve';
import { village } from './village';

/** Median, least and most time to solve and dry-fit a roof of about so many boards, ms, over whole runs. */
const RUNS = 15;

const solved = (along: number): Solution => {
  const solution = solve(
    buildingJob({ along, across: along * 0.55, pitch: '8/12', framing: { spacing: 400 } }),
  );
  if (!solution.ok) throw new Error(solution.problems.map((problem) => problem.text).join('; '));
  return solution.value;
};

const sizeFor = (boards: number): number => {
  let along = 1000;
  while (solved(along).members.length < boards) along += 250;
  return along;
};

const measure = (name: string, boards: number, act: () => unknown): void => {
  const times = Array.from({ length: RUNS }, () => {
    const start = performance.now();
    act();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  const at = (share: number): string => (times[Math.round(share * (RUNS - 1))] ?? NaN).toFixed(2);
  process.stdout.write(
    `${name} ${boards} boards: median ${at(0.5)} ms (least ${at(0)}, most ${at(1)}; ${RUNS} runs)\n`,
  );
};

for (const wanted of [10, 100, 400]) {
  const along = sizeFor(wanted);
  const solution = solved(along);
  const boards = solution.members.length;
  measure('solve', boards, () => solved(along));
  measure('dry fit', boards, () => fit(solution));
}

/** Cost against board count: one building of 4 blocks and 400 boards, then ever more of them in one job. */
for (const bays of [1, 2, 4, 7, 10]) {
  const job = village(bays, 290);
  const solution = solve(job);
  if (!solution.ok) throw new Error(solution.problems.map(({ text }) => text).join('; '));
  const boards = solution.value.members.length;
  measure(`${job.blocks.length} blocks solve`, boards, () => solve(job));
  measure(`${job.blocks.length} blocks dry fit`, boards, () => fit(solution.value));
}
