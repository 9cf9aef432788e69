import { newJob, withDormer, withOpening, withWing, type Job } from '../job';
import { problemLine } from '../problem';
import { solve } from '../solve';

const DISPLAY = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' } as const;

const house = (along: number, across: number, pitch: string, ends: 'hips' | 'gables'): Job => {
  const job = newJob('t', DISPLAY, along, across, pitch);
  return {
    ...job,
    timber: { ...job.timber, valley: job.timber.hip ?? job.timber.common },
    blocks: job.blocks.map((block) => ({
      ...block,
      sides: block.sides.map((side, i) =>
        ends === 'gables' && i % 2 === 1 ? { roof: 'gable' as const, overhang: 0 } : side,
      ),
    })),
  };
};

const opening = (job: Job): Job => withOpening(job, 0, `o${job.openings.length}`);
const dormer = (job: Job): Job => withDormer(job, 0, `d${job.dormers.length}`);
const wing = (job: Job): Job =>
  withWing(job, 0, 0, { width: 3500, projection: 2500, fromCorner: 1000 });

/** What is proposed one after the other. */
const STEPS: readonly (readonly [string, readonly ((job: Job) => Job)[]])[] = [
  ['two openings', [opening, opening]],
  ['two dormers', [dormer, dormer]],
  ['an opening and a dormer', [opening, dormer]],
  ['a dormer and an opening', [dormer, opening]],
  ['an opening and a dormer beside a wing', [wing, opening, dormer]],
];

it.each(STEPS)('%s fit where the app proposes them', (_, steps) => {
  const houses = [
    house(9000, 6000, '30°', 'hips'),
    house(7000, 5000, '45°', 'hips'),
    house(7000, 5000, '30°', 'gables'),
    house(12000, 8000, '45°', 'gables'),
  ];
  // Beside a wing a small house has no second place.
  for (const job of steps.includes(wing) ? [houses[0]!, houses[3]!] : houses) {
    const solution = solve(
      steps.reduce((now, step) => step(now), job),
      { waysOut: false },
    );
    if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('\n'));
    expect(solution.value.cuts.withheld.map(({ text }) => text)).toEqual([]);
    expect(solution.value.framed.openings.length + solution.value.framed.dormers.length).toBe(2);
  }
});
