import { fit, solve, type Solution } from '../../solve';
import { problemLine } from '../../problem';
import { pitchRad } from '../../units';
import { v3 } from '../../geom';
import { eave, gable, jobOf, rectangle } from '../../tests/houses';
import {
  gutterOf,
  ridgeHeight,
  saddlesIn,
  withRidgeHeight,
  withSaddleBetween,
  withSaddlePitch,
  withSaddleRidge,
  type Job,
} from '..';

const solved = (job: Job): Solution => {
  const found = solve(job);
  if (!found.ok) throw new Error(found.problems.map(problemLine).join('; '));
  return found.value;
};

const LONG = 9000;
/** Two ranges side by side over one wall, the east one lower. */
const ranges = (east = '6/12'): Job =>
  jobOf(
    [
      rectangle('west', [0, 0, 6000, LONG], [gable, eave('9/12', 0), gable, eave('9/12', 300)]),
      rectangle('east', [6000, 0, 6000, LONG], [gable, eave(east, 300), gable, eave(east, 0)]),
    ],
    // Of one height over the wall that they share.
    { seat: { hap: 110 } },
  );

it('finds the gutter between two roofs, and refuses it undrained', () => {
  const job = ranges();
  expect(gutterOf(job, 0)).toEqual({
    one: { block: 'west', side: 1, along: [0, LONG] },
    other: { block: 'east', side: 3, along: [0, LONG] },
  });
  const bare = solve(job);
  expect(bare.ok).toBe(false);
  expect(
    gutterOf(
      jobOf([rectangle('west', [0, 0, 6000, LONG], [gable, eave('9/12'), gable, eave('9/12')])]),
      0,
    ),
  ).toBeNull();
});

it.each(['9/12', '6/12'])(
  'drains it with one ridge across both slopes, the east one %s',
  (east) => {
    const job = ranges(east);
    const gutter = gutterOf(job, 0)!;
    const with_ = withSaddleBetween(job, gutter, true);
    expect(saddlesIn(with_, gutter)).toHaveLength(2);
    const height = 900;
    const matched = withSaddleRidge(with_, saddlesIn(with_, gutter), height);
    const solution = solved(matched);
    expect(fit(solution).problems).toEqual([]);
    const ridges = solution.members.filter(
      ({ kind, block }) => kind === 'ridge' && block.startsWith('saddle'),
    );
    expect(ridges).toHaveLength(2);
    const [one, other] = ridges;
    // Each reaches as far over its slope as that takes to rise so high.
    expect(one?.axis.runMm).toBeCloseTo(height / 0.75, 6);
    expect(other?.axis.runMm).toBeCloseTo(height / Math.tan(pitchRad(east)), 6);
    if (east === '9/12') expect(one?.frame.origin[2]).toBeCloseTo(other?.frame.origin[2] ?? NaN, 6);
    const slope = solution.cuts.members.find(
      ({ kind, block }) => kind === 'valley-jack' && block.startsWith('saddle'),
    )?.slope;
    // The pitch that falls out: twice its height over the gutter's length.
    expect(slope).toBeCloseTo((Math.atan((2 * height) / LONG) * 180) / Math.PI, 6);
    expect(
      solution.cuts.notes.some(
        ({ code, text }) => code === 'under-least-pitch' && text.includes('saddle'),
      ),
    ).toBe(true);
    expect(withSaddleBetween(matched, gutter, false).saddles).toEqual([]);
  },
);

it('gives a saddle its own pitch, and its slope’s again', () => {
  const job = withSaddleBetween(ranges(), gutterOf(ranges(), 0)!, true);
  const own = withSaddlePitch(job, [0], '30°');
  expect(own.saddles.map(({ pitch }) => pitch)).toEqual(['30°', job.saddles[1]?.pitch]);
  expect(withSaddlePitch(own, [0], undefined).saddles[0]).not.toHaveProperty('pitch');
});

it.each([1800, 2600, 4100])('takes a part’s pitch from a measured ridge of %i mm', (height) => {
  const job = jobOf([
    rectangle('main', [0, 0, 10_000, 7000], [eave('9/12'), gable, eave('9/12'), gable]),
  ]);
  const measured = withRidgeHeight(job, 0, height);
  expect(ridgeHeight(measured, 0)).toBeCloseTo(height, 6);
  const { roof } = solved(measured);
  const ridge = roof.lines.find(({ kind }) => kind === 'ridge')!;
  expect(ridge.from[2]).toBeCloseTo(height, 6);
  expect(v3.distance(ridge.from, ridge.to)).toBeCloseTo(10_000, 6);
});

it('says what is shallower than the roofing is made for, by part', () => {
  const job = jobOf([
    rectangle('main', [0, 0, 10_000, 7000], [eave('6/12'), gable, eave('9/12'), gable]),
  ]);
  const said = (least?: string): string[] =>
    solved({ ...job, ...(least && { roofing: { overhang: 50, leastPitch: least } }) })
      .cuts.notes.filter(({ code }) => code === 'under-least-pitch')
      .map(({ text }) => text);
  expect(said()).toEqual([]);
  expect(said('25°')).toEqual([]);
  expect(said('30°')).toHaveLength(1);
  expect(said('30°')[0]).toMatch(/"main" falls by 26\.6° only; the roofing wants 30/);
});
