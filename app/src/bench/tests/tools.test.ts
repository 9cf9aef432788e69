import * as fc from 'fast-check';
import { outcomeOf } from '../tool';
import { TOOLS } from '../tools';

/** What a person may leave in a field of a sort. */
const typed = (sort: string): fc.Arbitrary<number | undefined> =>
  fc.option(
    sort === 'length'
      ? fc.double({ min: -500, max: 20_000, noNaN: true })
      : sort === 'count'
        ? fc.integer({ min: 1, max: 40 })
        : fc.double({ min: 0, max: 90, noNaN: true }),
    { nil: undefined },
  );

it.each(TOOLS.map((tool) => [tool.name, tool] as const))(
  '%s: whatever stands in its fields, it gives figures or says why not',
  (_name, tool) => {
    fc.assert(
      fc.property(
        fc.record(Object.fromEntries(tool.fields.map(({ id, sort }) => [id, typed(sort)]))),
        (values) => {
          const outcome = outcomeOf(tool, values);
          if (outcome.ok) {
            expect(outcome.figures.length).toBeGreaterThan(0);
            expect(outcome.figures.some(({ main }) => main === true)).toBe(true);
            for (const { label, value } of outcome.figures) {
              expect(label).not.toBe('');
              expect([label, Number.isFinite(value)]).toEqual([label, true]);
            }
          } else expect(outcome.text.length).toBeGreaterThan(10);
        },
      ),
      { seed: 21, numRuns: 200 },
    );
  },
);

const work = (id: string, values: Record<string, number>) => {
  const outcome = TOOLS.find((tool) => tool.id === id)?.work(values);
  if (outcome?.ok !== true) throw new Error(`${id} gives nothing`);
  return outcome;
};

it('nothing written asks for what is wanted', () => {
  for (const tool of TOOLS) expect(tool.work({}).ok).toBe(false);
});

it('a triangle begins a job of twice its run and its own slope', () => {
  const { job, figures } = work('triangle', { rise: 3000, run: 4000 });
  expect(figures[0]).toMatchObject({ label: 'Length', value: expect.closeTo(5000, 6) as number });
  expect(job?.span).toBeCloseTo(8000, 6);
  expect(job?.pitch).toBeCloseTo((Math.atan2(3, 4) * 180) / Math.PI, 9);
});

it('a hip takes the pitch round the corner for its own where none is written', () => {
  const [one] = work('hip', { one: 35 }).figures;
  expect(one?.value).toBeCloseTo(
    work('hip', { one: 35, other: 35, corner: 90 }).figures[0]!.value,
    9,
  );
});

it('steps by the foot where nothing is written', () => {
  const { figures } = work('stepping', { run: 10 * 304.8, slope: 30 });
  expect(figures[0]).toMatchObject({ label: 'Steps', value: 10 });
});
