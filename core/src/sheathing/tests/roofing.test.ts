import type { JobInput } from '../../job';
import { sheetDrawings } from '../../drawing';
import { buildingInput, solvedInput } from '../../tests/building';

const house = (ends: readonly ['eave' | 'gable', 'eave' | 'gable'], more: Partial<JobInput> = {}) =>
  solvedInput({
    ...buildingInput({ along: 9000, across: 6000, pitch: '9/12', ends, overhang: 450 }),
    ...more,
  });

const drawn = (solution: ReturnType<typeof house>) =>
  sheetDrawings(solution.job, solution.roof, solution.members);

const roofing = { cover: 1000, overhang: 60 };

it('covers a gable’s slope with sheets alike, both ends standing out as far', () => {
  const [slope] = drawn(house(['gable', 'gable'], { roofing: { ...roofing, cover: 950 } }));
  // 9 m by 950 mm: ten sheets, half a metre over, a quarter at each end.
  expect(slope?.roofing?.sheets).toBe(10);
  expect(slope?.roofing?.offset).toBeCloseTo(250, 6);
  const long = (3000 + 450) * 1.25 + 60;
  for (const mm of slope?.roofing?.lengths ?? []) expect(mm).toBeCloseTo(long, 6);
});

it('saws sheets at a hip by the strip that each covers', () => {
  const [slope] = drawn(house(['eave', 'eave'], { roofing }));
  const lengths = slope?.roofing?.lengths ?? [];
  // 9.9 m: ten sheets, a hundred over. The corner rises as far as it goes in, so that the first covers up to 950 mm in.
  expect(lengths).toHaveLength(10);
  expect(lengths[0]).toBeCloseTo(950 * 1.25 + 60, 6);
  expect(lengths[1]).toBeCloseTo(1950 * 1.25 + 60, 6);
  expect(lengths.at(-1)).toBeCloseTo(lengths[0] ?? NaN, 6);
  expect(Math.max(...lengths)).toBeCloseTo(3450 * 1.25 + 60, 6);
});

it('lays no roofing sheets where none are given', () => {
  expect(drawn(house(['gable', 'gable']))[0]?.roofing).toBeNull();
});

it('marks each sheet where the rafters’ centres come, and no two sheets of a joint differ', () => {
  const solution = house(['gable', 'gable']);
  for (const { sheets, marks, block, side } of drawn(solution)) {
    const commons = solution.members.filter(
      (one) => one.kind === 'common' && one.block === block && one.side === side,
    );
    const centres = commons
      .map(({ frame }) => (side === 0 ? frame.origin[0] : 9000 - frame.origin[0]))
      .sort((p, q) => p - q);
    for (const [i, { u }] of sheets.entries()) {
      const left = u[0];
      const found = (marks[i] ?? []).map((mm) => mm + left);
      for (const mm of found)
        expect(
          Math.min(
            ...centres.map((one) => Math.abs(Math.abs(mm) - one)),
            ...centres.map((one) => Math.abs(9000 - Math.abs(mm) - one)),
          ),
        ).toBeLessThan(1e-6);
      expect(found.length).toBeGreaterThan(0);
    }
    // Every rafter is found on the sheets of the first row, once.
    const first = sheets.flatMap(({ v }, i) =>
      v[0] === Math.min(...sheets.map((one) => one.v[0])) ? marks[i]! : [],
    );
    expect(first).toHaveLength(commons.length);
  }
});
