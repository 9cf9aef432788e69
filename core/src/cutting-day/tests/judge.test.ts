import fc from 'fast-check';
import { readJob } from '../../job';
import { logEntrySchema } from '../../log';
import { solve, type Solution } from '../../solve';
import { anyBuilding } from '../../tests/any-building';
import { buildingInput, solvedInput, type Building } from '../../tests/building';
import { framedHouses } from '../../tests/asked';
import { cuttingDay, cuttingOrder } from '..';
import { allTicked, ticked } from './day';

const house = (more: Partial<Building> = {}): Solution =>
  solvedInput(buildingInput({ along: 9000, across: 6000, pitch: '9/12', ...more }));

const line = ({ cuts }: Solution, mark: string) => cuts.members.find((one) => one.mark === mark)!;

/** The commons that reach the ridge: the longest of the list's commons. */
const common = ({ cuts }: Solution) => cuts.members.find(({ kind }) => kind === 'common')!;

const houses = framedHouses(28, 611);

it('counts every piece of every house for its own line, by hand', () => {
  for (const solution of houses) {
    const { lines, misfits } = cuttingDay(solution, allTicked(solution));
    expect(misfits).toEqual([]);
    expect(lines.map(({ mark, done }) => [mark, done])).toEqual(
      solution.cuts.members.map(({ mark, hands }) => [mark, hands]),
    );
  }
});

it('writes ticks that the schema takes as they are', () => {
  for (const tick of allTicked(house())) expect(logEntrySchema.parse(tick)).toEqual(tick);
});

it('knows a piece by what it was cut to, whatever its mark is now', () => {
  const before = house();
  const ticks = allTicked(before);
  const renamed: Solution = {
    ...before,
    cuts: {
      ...before.cuts,
      members: before.cuts.members.map((entry) => ({ ...entry, mark: `X${entry.mark}` })),
    },
  };
  const { lines, misfits } = cuttingDay(renamed, ticks);
  expect(misfits).toEqual([]);
  expect(lines.map(({ done }) => done)).toEqual(before.cuts.members.map(({ hands }) => hands));
});

it('says what is too many', () => {
  const solution = house();
  const { mark, count } = common(solution);
  const { lines, misfits } = cuttingDay(solution, [ticked(solution, mark, { count: count + 3 })]);
  expect(lines.find((one) => one.mark === mark)?.done.plain).toBe(count);
  expect(misfits).toMatchObject([{ verdict: 'spare', count: 3, heir: mark }]);
});

it('does not take a left jack for a right one', () => {
  const solution = house();
  const jack = solution.cuts.members.find(({ kind }) => kind === 'hip-jack')!;
  const { left } = jack.hands;
  const { lines, misfits } = cuttingDay(solution, [
    ticked(solution, jack.mark, { hand: 'left', count: left + 1 }),
  ]);
  expect(lines.find((one) => one.mark === jack.mark)?.done).toEqual({ left, right: 0, plain: 0 });
  expect(misfits).toMatchObject([{ verdict: 'spare', count: 1 }]);
});

it('a narrower house: every common is too long, by the run times the slope', () => {
  const [before, after] = [house({ across: 6020 }), house({ across: 6000 })];
  const { mark } = common(before);
  const { misfits } = cuttingDay(after, [ticked(before, mark, { count: 2 })]);
  expect(misfits).toMatchObject([{ verdict: 'long', heir: common(after).mark, count: 2 }]);
  expect(misfits[0]?.byMm).toBeCloseTo(10 * 1.25, 6);
});

it('a wider house: every common is too short, and serves as something shorter', () => {
  const [before, after] = [house({ across: 6000 }), house({ across: 6020 })];
  const { misfits } = cuttingDay(after, [ticked(before, common(before).mark)]);
  expect(misfits).toMatchObject([{ verdict: 'short', heir: common(after).mark }]);
  expect(misfits[0]?.byMm).toBeCloseTo(-12.5, 6);
  const down = line(after, misfits[0]!.elsewhere!);
  expect(down.length.longPoint).toBeLessThan(common(before).length.longPoint);
});

it('a flatter pitch: the seat is another, so a common of the same length is no common', () => {
  const before = house();
  // As long to the long point, by a steeper roof over a narrower house.
  const after = house({ pitch: '12/12', across: 6000 * (1.25 / Math.SQRT2) });
  const { misfits } = cuttingDay(after, [ticked(before, common(before).mark)]);
  expect(misfits).toHaveLength(1);
  expect(['cuts', 'short']).toContain(misfits[0]?.verdict);
});

it('a saw’s slack is no misfit', () => {
  const [before, after] = [house({ across: 6001 }), house()];
  expect(cuttingDay(after, [ticked(before, common(before).mark)]).misfits).toEqual([]);
});

it('the order of cutting names every line once, ridge before what leans on it', () => {
  for (const solution of [house(), ...houses]) {
    const marks = cuttingOrder(solution).flatMap((stage) => stage.marks);
    expect([...marks].sort()).toEqual(solution.cuts.members.map(({ mark }) => mark).sort());
    expect(new Set(marks).size).toBe(marks.length);
  }
});

it('of any house made narrower what was sawn is too long, and of one made wider too short', () => {
  fc.assert(
    fc.property(anyBuilding, fc.integer({ min: 8, max: 60 }), (building, by) => {
      const before = solvedInput(buildingInput(building));
      for (const way of [1, -1]) {
        const read = readJob(buildingInput({ ...building, across: building.across + way * by }));
        const after = read.ok ? solve(read.value) : read;
        if (!after.ok) continue;
        const commons = before.cuts.members.filter(
          ({ kind, cuts }) => kind === 'common' && cuts.every(({ faceTilt }) => faceTilt < 0.01),
        );
        const ticks = commons.map(({ mark }) => ticked(before, mark));
        const { lines, misfits } = cuttingDay(after.value, ticks);
        const used = lines.reduce((sum, { done }) => sum + done.left + done.right + done.plain, 0);
        // None is lost: each serves somewhere, or is told.
        expect(used + misfits.reduce((sum, { count }) => sum + count, 0)).toBe(ticks.length);
        for (const { verdict, byMm } of misfits) {
          if (verdict === 'long') expect(byMm).toBeGreaterThan(0);
          if (verdict === 'short') expect(byMm).toBeLessThan(0);
          if (way === 1) expect(verdict).not.toBe('long');
        }
      }
    }),
    { seed: 33, numRuns: 12 },
  );
});
