import type { Job } from '../job';
import { solve, type Solution } from '../solve';
import { CELLS, drawn } from './asked';
import { jobOf } from './houses';

/** A line of a list, but for the places it is of: what is said in words and counts, and the lengths. mm */
interface Line {
  readonly words: string;
  readonly lengths: readonly number[];
}

const said = ({ cuts }: Solution): Line[] => [
  ...cuts.members.map(({ mark, kind, count, hands, length, cuts: own }) => ({
    words: [mark, kind, count, ...Object.values(hands), own.length].join(' '),
    lengths: [length.theory, length.longPoint, length.shortPoint, length.tail],
  })),
  ...cuts.withheld.map(({ path }) => ({ words: path, lengths: [] })),
];

const movedBy = (job: Job, move: (x: number, y: number) => [number, number]): Job => ({
  ...job,
  blocks: job.blocks.map((block) => ({
    ...block,
    outline: block.outline.map(([x, y]) => move(x, y)),
  })),
});

const listOf = (job: Job): Line[] => {
  const solution = solve(job, { waysOut: false });
  return solution.ok ? said(solution.value) : [];
};

/** Cells whose houses have had lists that hung on where they stood, and some of every sort. */
const SORTS = [
  'gablet + rows over',
  'gablet + eave blocks',
  'out of square',
  'bay',
  'wing',
  'half-hip',
];

const sharp = (cell: (typeof CELLS)[number]): boolean => SORTS.includes(cell.name);

it.each([
  ['moved', (x: number, y: number): [number, number] => [x + 1000.5, y + 777]],
  [
    'turned by 30°',
    (x: number, y: number): [number, number] => {
      const [c, s] = [Math.cos(Math.PI / 6), Math.sin(Math.PI / 6)];
      return [x * c - y * s, x * s + y * c];
    },
  ],
])('a house that is %s has the same list', (_, move) => {
  const eave = { roof: 'eave', pitch: '12/12', overhang: 600 } as const;
  const hexagon = jobOf(
    [
      {
        id: 'main',
        outline: Array.from({ length: 6 }, (__, k): [number, number] => [
          2950 * Math.sin((k * Math.PI) / 3),
          -2950 * Math.cos((k * Math.PI) / 3),
        ]),
        sides: Array.from({ length: 6 }, () => eave),
      },
    ],
    { spacing: 600 },
  );
  const houses = CELLS.filter(sharp).flatMap((cell) => drawn(cell, 1, 700));
  expect(houses).toHaveLength(SORTS.length);
  for (const job of [hexagon, ...houses]) {
    const [stood, now] = [listOf(job), listOf(movedBy(job, move))];
    expect(now.map(({ words }) => words)).toEqual(stood.map(({ words }) => words));
    expect(stood.length).toBeGreaterThan(0);
    for (const [k, { lengths }] of now.entries())
      for (const [n, mm] of lengths.entries()) expect(mm).toBeCloseTo(stood[k]!.lengths[n]!, 2);
  }
});
