import fc from 'fast-check';
import { memberOf, workingOf, type CutListEntry, type Step } from '..';
import { solve } from '../../solve';
import { readJob } from '../../job';
import { runs, seeded } from '../../tests/effort';
import { anyBroken, anyFourSided, anyWinged } from '../../tests/any-house';
import { entryOf, solved } from '../../tests/building';
import { degrees } from '../../units';

const solution = solved({
  along: 9144,
  across: 6096,
  pitch: '8/12',
  framing: { hipTop: 'drop' },
});

const workingOfLine = (entry: CutListEntry) => workingOf(memberOf(solution, entry)!);

/** Every number of a line by its path; `cuts` by their four angles. */
const numbersOf = (entry: CutListEntry): [path: string, value: number][] =>
  [
    ['slope', entry.slope],
    ['drop', entry.drop],
    ...Object.entries(entry.length).map(([name, value]) => [`length.${name}`, value]),
    ...Object.entries(entry.seat ?? {}).map(([name, value]) => [`seat.${name}`, value]),
    ...(entry.backing ?? []).map((value, i) => [`backing.${i}`, value]),
    ...(entry.plan ?? []).map((value, i) => [`plan.${i}`, value]),
    ...entry.cuts.flatMap((cut, i) =>
      (['faceAngle', 'faceTilt', 'edgeAngle', 'edgeTilt'] as const).map((name) => [
        `cuts.${i}.${name}`,
        cut[name],
      ]),
    ),
  ].filter((one): one is [string, number] => one[1] !== null);

it('ends, for every number of the list, in the number itself', () => {
  for (const entry of solution.cuts.members) {
    const working = workingOfLine(entry);
    const numbers = numbersOf(entry);
    expect(Object.keys(working).sort()).toEqual(numbers.map(([path]) => path).sort());
    for (const [path, value] of numbers)
      expect([entry.mark, path, working[path]?.at(-1)?.value]).toEqual([entry.mark, path, value]);
  }
});

it('reproduces a theory length from the inputs it names', () => {
  for (const entry of solution.cuts.members) {
    const [run, slope] = workingOfLine(entry)['length.theory']!.at(-1)!.inputs;
    expect(run!.value / Math.cos((slope!.value * Math.PI) / 180)).toBeCloseTo(
      entry.length.theory,
      9,
    );
  }
});

it('carries the chain before it, each link once: a long point shows slope, theory and body first', () => {
  const names = (steps: readonly Step[]) => steps.map(({ name }) => name);
  const working = workingOfLine(entryOf(solution, 'common'));
  expect(names(working['length.body']!)).toEqual([
    'slope',
    'theory length',
    'shortening at the upper end, level',
    'body',
  ]);
  expect(names(working['length.longPoint']!)).toEqual([
    'slope',
    'theory length',
    'shortening at the upper end, level',
    'body',
    'long point',
  ]);
});

/** How a figure worked out from pitches, corner and thickness compares with the timber as it lies in space. */
it('agrees, from what was given, with the planes themselves on any house', () => {
  const near = (value: number | undefined, wanted: number): void =>
    expect(Math.abs((value ?? NaN) - wanted)).toBeLessThan(1e-6);
  let folds = 0;
  fc.assert(
    fc.property(fc.oneof(anyWinged, anyFourSided, anyBroken), (input) => {
      const job = readJob(JSON.parse(JSON.stringify(input)));
      const solution = job.ok ? solve(job.value, { waysOut: false }) : job;
      if (!solution.ok) return;
      for (const entry of solution.value.cuts.members) {
        const { axis, fold, dropMm } = memberOf(solution.value, entry)!;
        near(entry.slope, degrees(axis.slopeRad));
        if (fold === null) continue;
        folds += 1;
        for (const k of [0, 1] as const) {
          near(entry.plan?.[k], degrees(fold.eaveAngleRad[k]));
          near(entry.backing?.[k], degrees(fold.backingRad[k]));
        }
        if (dropMm !== null) near(entry.drop ?? undefined, dropMm);
      }
    }),
    { seed: seeded(5), numRuns: runs(60) },
  );
  expect(folds).toBeGreaterThan(60);
});
