import { pathText, problemLine } from '../problem';
import {
  newJob,
  resized,
  standingOn,
  wallLengths,
  withBlock,
  withStanding,
  withWing,
  type Job,
  type JobInput,
} from '../job';
import { spoken } from '../sentence';
import { solve } from '../solve';
import { withValue } from '../withheld';
import { jobOf } from './houses';

type BlockInput = JobInput['blocks'][number];

const DISPLAY = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' } as const;

interface WayOut {
  readonly mm: number;
  readonly orMore: boolean;
  readonly taken: (mm: number) => Job;
}

/** What a refusal tells would do, read as a framer reads it. */
const waysOut = (job: Job): WayOut[] => {
  const solution = solve(job);
  if (solution.ok) throw new Error('framed');
  return solution.problems.flatMap(({ path, text }) => {
    const index = Number(path[1]);
    const block = job.blocks[index];
    if (block === undefined) throw new Error(pathText(path));
    const [along = 0, across = 0] = wallLengths(block);
    const [, near = ''] = spoken(text).split('. Near this: ');
    return [...near.matchAll(/(a width of|wall 1|wall 2) ([\d.]+) mm(?: long)?( or more)?/g)].map(
      ([, size, mm, more]) => ({
        mm: Number(mm),
        orMore: more !== undefined,
        taken: (to: number): Job => {
          const standing = standingOn(job, index);
          if (size === 'a width of' && standing !== null)
            return withStanding(job, index, { ...standing.on, width: to });
          return resized(job, index, size === 'wall 1' ? [to, across] : [along, to]);
        },
      }),
    );
  });
};

const house = newJob('t', DISPLAY, 12000, 6000, '35°');
const wing = (width: number, fromCorner: number): Job =>
  withWing(house, 0, 0, { width, projection: 3000, fromCorner });

describe('a house measured a little off the one that was meant', () => {
  it.each([
    ['a pyramid 2 mm longer one way', newJob('t', DISPLAY, 6002, 6000, '35°')],
    ['a pyramid 30 mm longer the other way', newJob('t', DISPLAY, 6000, 6030, '40°')],
    ['a wing 4 mm wider than its house', wing(6004, 2000)],
    ['a wing 100 mm wider than its house', wing(6100, 2500)],
    ['a wing as much wider, flush with the end of its wall', wing(6012.5, 0)],
  ])(
    '%s is told sizes near it that can be framed, and no more is asked than is needed',
    (_, job) => {
      const found = waysOut(job);
      expect(found.length).toBeGreaterThan(0);
      expect(found.some(({ orMore }) => !orMore)).toBe(true);
      for (const { mm, orMore, taken } of found) {
        expect(solve(taken(mm)).ok).toBe(true);
        if (!orMore) continue;
        expect(solve(taken(mm + 41)).ok).toBe(true);
        expect(solve(taken(mm - 1.5)).ok).toBe(false);
      }
    },
  );

  it('a part of no simple size is told how its lines meet', () => {
    const skew = withBlock(newJob('t', DISPLAY, 6002, 6000, '35°'), 0, (block) => ({
      ...block,
      outline: [
        [0, 0],
        [6002, 0],
        [6002, 6000],
        [20, 6004],
      ],
    }));
    const solution = solve(skew);
    if (solution.ok) throw new Error('framed');
    expect(spoken(solution.problems[0]!.text)).toMatch(
      /meet in one point with walls 1 and 3 of "main" each 5 mm further in/,
    );
  });
});

describe('lines that nearly meet', () => {
  const eave = { roof: 'eave', pitch: '8/12', overhang: 300 } as const;
  const main: BlockInput = {
    id: 'main',
    outline: [
      [0, 0],
      [10000, 0],
      [10000, 7000],
      [0, 7000],
    ],
    sides: [eave, { roof: 'gable' }, eave, { roof: 'gable' }],
  };
  /** 3 m wide and splayed at 45°: half an octagon where it stands out by 878.68 mm, and off it its hips pass each other. */
  const bay = (out: number): Job =>
    jobOf([
      main,
      {
        id: 'bay',
        outline: [
          [3500 + out, -out],
          [6500 - out, -out],
          [6500, 0],
          [6500, 3500],
          [3500, 3500],
          [3500, 0],
        ],
        sides: [eave, eave, eave, { roof: 'open' }, eave, eave],
      },
    ]);
  const hexagon = (round: (mm: number) => number): Job =>
    jobOf([
      {
        id: 'main',
        outline: [0, 1, 2, 3, 4, 5].map((k): [number, number] => [
          round(4000 * Math.cos((k * Math.PI) / 3)),
          round(4000 * Math.sin((k * Math.PI) / 3)),
        ]),
        sides: Array.from({ length: 6 }, () => eave),
      },
    ]);

  it('a bay off its half octagon is told the smallest moves with which it meets, each framed at a touch', () => {
    const job = bay(900);
    const solution = solve(job);
    if (solution.ok) throw new Error('framed');
    const [problem] = solution.problems;
    expect(problem!.code).toBe('line-too-short');
    const [first, ...others] = problem!.accepted!;
    // The regular octagon: half of it stands out by its width ÷ (2 + √2).
    const moved = 900 - 3000 / (2 + Math.SQRT2);
    expect(spoken(first!.text)).toBe(`wall 1 of "bay" ${moved.toFixed(1)} mm further in`);
    expect(spoken(problem!.text)).toContain(`meet in one point with ${spoken(first!.text)}`);
    for (const { path, value } of [first!, ...others]) {
      const taken = solve(withValue(job, path, value));
      if (!taken.ok) throw new Error(taken.problems.map(problemLine).join());
      const tops = taken.value.roof.lines
        .filter(({ kind, slopes }) => kind === 'hip' && slopes.every((i) => i > 1))
        .map(({ to }) => to[2].toFixed(2));
      expect(new Set(tops).size).toBe(1);
    }
  });

  it('corners rounded to whole millimetres meet by themselves, as the exact ones do, and it is said', () => {
    const exact = solve(hexagon((mm) => mm));
    const rounded = solve(hexagon(Math.round));
    if (!exact.ok || !rounded.ok) throw new Error('refused');
    expect(exact.value.cuts.notes.map(({ code }) => code)).not.toContain('lines-met');
    expect(rounded.value.cuts.notes.map(({ code }) => code)).toContain('lines-met');
    expect(rounded.value.roof.lines.map(({ kind }) => kind)).toEqual(
      exact.value.roof.lines.map(({ kind }) => kind),
    );
    // What was asked for stands in the job as it was measured.
    expect(rounded.value.job.blocks[0]!.outline[1]).toEqual([2000, 3464]);
  });

  it('a change that a tape shows is never made unasked', () => {
    const solution = solve(bay(878.68 + 2.1));
    if (solution.ok) throw new Error('framed');
    expect(spoken(solution.problems[0]!.accepted![0]!.text)).toBe(
      'wall 1 of "bay" 2.1 mm further in',
    );
  });
});
