import { pathText } from '../problem';
import {
  newJob,
  resized,
  standingOn,
  wallLengths,
  withBlock,
  withStanding,
  withWing,
  type Job,
} from '../job';
import { spoken } from '../sentence';
import { solve } from '../solve';

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

  it('a part of no simple size keeps its message', () => {
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
    expect(spoken(solution.problems[0]!.text)).toMatch(/meet in one point$/);
  });
});
