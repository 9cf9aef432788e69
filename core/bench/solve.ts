import { buildingInput, buildingJob } from '../src/tests/building';
import { readJob } from '../src/job';
import { problemLine } from '../src/problem';
import { fit, solve, type Solution } from '../src/solve';
import { cuttingDay } from '../src/cutting-day';
import { allTicked } from '../src/cutting-day/tests/day';
import { likelyCauses } from '../src/test-fit';
import Kernel from 'manifold-3d';
import { againstKernel } from './kernel';
import { proofFigures } from './proof';
import { timed } from './timed';
import { village } from './village';

/** Runs timed, and runs before them that are not: a first solve is compiled as it goes, and is told by itself. */
const RUNS = 15;
const WARMING = 15;

const solved = (along: number): Solution => {
  const solution = solve(
    buildingJob({ along, across: along * 0.55, pitch: '8/12', framing: { spacing: 400 } }),
  );
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('; '));
  return solution.value;
};

/** Half hipped, half gabled, with every timber that can be asked for. */
const furnished = (along: number): Solution => {
  const input = buildingInput({
    along,
    across: 7000,
    pitch: '8/12',
    ends: ['gable', 'eave'],
    framing: { spacing: 400, lookouts: 'laid-in', seat: { width: 60 } },
    timber: {
      purlin: { thickness: 75, depth: 150, longest: 6000 },
      strut: { thickness: 75, depth: 100 },
      collarTie: { thickness: 38, depth: 120 },
      rafterTie: { thickness: 38, depth: 140 },
      backing: { thickness: 38, depth: 90 },
      fascia: { thickness: 22, depth: 170 },
      blocking: { thickness: 38, depth: 400 },
      barge: { thickness: 38, depth: 170 },
      lookout: { thickness: 38, depth: 89 },
      gableStud: { thickness: 38, depth: 89 },
      plateWidth: 140,
    },
  });
  const blocks = input.blocks.map((block) => ({
    ...block,
    sides: block.sides.map((side) => (side.roof === 'gable' ? { ...side, overhang: 300 } : side)),
  }));
  const main = blocks[0]?.id ?? '';
  const job = readJob({
    ...input,
    blocks,
    purlins: [0, 2].map((side) => ({
      block: main,
      side,
      at: 0.5,
      struts: { foot: 2600, spacing: 2400 },
    })),
    roofPurlins: [
      {
        block: main,
        stock: { thickness: 75, depth: 50 },
        spacing: 900,
        first: 100,
        last: 150,
      },
    ],
    collarTies: { bottom: 'upper-third', every: 2, hold: 12 },
    rafterTies: { every: 1, atHips: 'short' },
    sheathing: {},
  });
  const solution = job.ok ? solve(job.value) : job;
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('; '));
  return solution.value;
};

/** Boards remember their solids; these are new ones, as after an edit. */
const dryFitAnew = (solution: Solution): unknown =>
  fit({ ...solution, members: solution.members.map((member) => ({ ...member })) });

const sizeFor = (boards: number): number => {
  let along = 1000;
  while (solved(along).members.length < boards) along += 250;
  return along;
};

/** Close enough for some 400 boards on 4 blocks. mm */
const SPACING_MM = 220;

/** @returns the median of the warm runs, ms */
const measure = (name: string, boards: number, act: () => unknown): number => {
  for (let i = 0; i < WARMING; i += 1) act();
  const times = Array.from({ length: RUNS }, () => timed(act)).sort((a, b) => a - b);
  const at = (share: number): number => times[Math.round(share * (RUNS - 1))] ?? NaN;
  const [least, median, most] = [0, 0.5, 1].map((share) => at(share).toFixed(2));
  process.stdout.write(
    `${name} ${boards} boards: median ${median} ms (least ${least}, most ${most}; ${RUNS} runs)\n`,
  );
  return at(0.5);
};

const first = timed(() => solve(village(1, SPACING_MM)));
process.stdout.write(`first solve of 4 blocks, nothing compiled yet: ${first.toFixed(0)} ms\n`);

for (const wanted of [10, 100, 400]) {
  const along = sizeFor(wanted);
  const solution = solved(along);
  const boards = solution.members.length;
  measure('solve', boards, () => solved(along));
  measure('dry fit', boards, () => dryFitAnew(solution));
  // As another solution: of one and the same the report is known.
  measure('dry fit of solids that stand', boards, () => fit({ ...solution }));
}

/** As long as it has to be for 400 boards. mm */
const FURNISHED_MM = 18_000;
{
  const solution = furnished(FURNISHED_MM);
  const boards = solution.members.length;
  measure('everything asked for: solve', boards, () => furnished(FURNISHED_MM));
  measure('everything asked for: dry fit', boards, () => dryFitAnew(solution));
}

/** A day at the saw: every piece ticked, held against the list it was sawn by, and against another. */
{
  const before = solved(sizeFor(100));
  const changed = readJob({
    ...before.job,
    timber: { ...before.job.timber, common: { thickness: 38, depth: 190 } },
  });
  const after = changed.ok ? solve(changed.value) : changed;
  if (!after.ok) throw new Error(after.problems.map(problemLine).join('; '));
  const ticks = allTicked(before);
  const boards = before.members.length;
  measure('all sawn, held against its own list', boards, () => cuttingDay(before, ticks));
  measure('and against a list of other cuts', boards, () => cuttingDay(after.value, ticks));
  const common = before.members.find(({ kind }) => kind === 'common');
  if (common !== undefined)
    measure('likely causes of what one piece shows', boards, () =>
      likelyCauses(before.members, common, {
        held: 'seated',
        others: null,
        seen: { 'top-gap': 8, 'bottom-gap': 8, 'top-step': -6 },
      }),
    );
}

/** Cost against board count: one building of 4 blocks and some 400 boards, then up to the 40 blocks a job may have. */
const BAYS = [1, 2, 4, 7, 10];
const costs = BAYS.map((bays) => {
  const job = village(bays, SPACING_MM);
  const solution = solve(job);
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('; '));
  const boards = solution.value.members.length;
  const blocks = `${job.blocks.length} blocks`;
  return {
    boards,
    solveMs: measure(`${blocks}, solve`, boards, () => solve(job)),
    fitMs: measure(`${blocks}, dry fit`, boards, () => dryFitAnew(solution.value)),
  };
});

const WIDTH = 60;
const plot = (name: string, of: (cost: (typeof costs)[number]) => number): void => {
  const most = Math.max(...costs.map(of));
  process.stdout.write(`\n${name}, ms\n`);
  for (const cost of costs) {
    const ms = of(cost);
    const bar = '▇'.repeat(Math.max(1, Math.round((WIDTH * ms) / most)));
    const each = ((1000 * ms) / cost.boards).toFixed(0);
    process.stdout.write(
      `${String(cost.boards).padStart(6)} boards ${bar} ${ms.toFixed(0)} (${each} µs a board)\n`,
    );
  }
};
plot('solve', ({ solveMs }) => solveMs);
plot('dry fit', ({ fitMs }) => fitMs);

/** The power of the boards that a cost grows with, by least squares over all sizes. */
const exponentOf = (of: (cost: (typeof costs)[number]) => number): number => {
  const xs = costs.map(({ boards }) => Math.log(boards));
  const ys = costs.map((cost) => Math.log(of(cost)));
  const mean = (all: readonly number[]): number => all.reduce((p, q) => p + q) / all.length;
  const [x0, y0] = [mean(xs), mean(ys)];
  const sum = (of: (i: number) => number): number => xs.reduce((total, _, i) => total + of(i), 0);
  return (
    sum((i) => ((xs[i] ?? 0) - x0) * ((ys[i] ?? 0) - y0)) / sum((i) => ((xs[i] ?? 0) - x0) ** 2)
  );
};
process.stdout.write(
  `cost grows as boards to the power of: solve ${exponentOf(({ solveMs }) => solveMs).toFixed(2)}, proof ${exponentOf(({ fitMs }) => fitMs).toFixed(2)} (wanted 1.15)\n`,
);

{
  const kernel = await Kernel();
  kernel.setup();
  const solution = solve(village(1, SPACING_MM));
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('; '));
  againstKernel(kernel, solution.value);
}
proofFigures();
