import { workingOf, type CutListEntry, type Step } from '..';
import { memberOf } from '../../solve';
import { entryOf, solved } from '../../tests/building';

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
  expect(names(working['length.body']!)).toEqual(['slope', 'theory length', 'body']);
  expect(names(working['length.longPoint']!)).toEqual([
    'slope',
    'theory length',
    'body',
    'long point',
  ]);
});
