import { v3 } from '../../../geom';
import type { JobInput } from '../../../job';
import { fit, type Solution } from '../../../solve';
import { buildingInput, entriesOf, refusalOf, solvedInput } from '../../../tests/building';
import { unseenSpoilings } from '../../../tests/spoil-houses';
import { pitchRad } from '../../../units';

const [ALONG, ACROSS, T, D] = [9000, 6000, 38, 184];

type OpeningInput = NonNullable<JobInput['openings']>[number];

const CHIMNEY: OpeningInput = {
  name: 'chimney',
  block: 'main',
  side: 0,
  along: [3000, 3900],
  up: [1000, 1800],
  clearance: 50,
};

const house = (
  openings: readonly OpeningInput[],
  pitch = '9/12',
  ends: readonly ['gable' | 'eave', 'gable' | 'eave'] = ['gable', 'gable'],
  turned = 0,
): JobInput => ({
  ...buildingInput({ along: ALONG, across: ACROSS, pitch, ends: [...ends], turned }),
  openings: [...openings],
});

const ofKind = ({ members }: Solution, kind: string) =>
  members.filter((member) => member.kind === kind);

describe.each([
  ['9/12', 0, {}],
  ['35°', 0.9, { along: [4100, 4700], up: [1500, 2100], clearance: 0 }],
  ['12/12', 2.2, { along: [2210, 4333], up: [700, 2000], clearance: 25, doubled: true }],
] as const)('an opening at %s, turned %s, %j', (pitch, turned, change) => {
  const opening = { ...CHIMNEY, ...change } as OpeningInput;
  const solution = solvedInput(house([opening], pitch, ['gable', 'gable'], turned));
  const theta = pitchRad(pitch);
  const ply = opening.doubled === true ? 2 : 1;
  const [a0, a1] = opening.along as [number, number];
  const [u0, u1] = opening.up as [number, number];
  const clear = opening.clearance as number;
  const { start, along } = solution.roof.blocks[0]!.sides[0]!;
  const at = ({ frame }: Solution['members'][number]): number =>
    v3.dot(v3.sub(frame.origin, [start[0], start[1], 0]), [along[0], along[1], 0]);

  it('stands between trimmers flush outside what it keeps clear', () => {
    const trimmers = ofKind(solution, 'trimmer').map(at);
    const wanted = Array.from({ length: ply }, (_, k) => [
      a0 - clear - (k + 0.5) * T,
      a1 + clear + (k + 0.5) * T,
    ]).flat();
    expect(trimmers.sort((p, q) => p - q)).toEqual(
      wanted.sort((p, q) => p - q).map((u): unknown => expect.closeTo(u, 6)),
    );
  });

  it('has headers as wide as it and its clearance, below and above', () => {
    const headers = entriesOf(solution, 'header');
    expect(headers.reduce((sum, { count }) => sum + count, 0)).toBe(2 * ply);
    for (const { length } of headers) {
      expect(length.body).toBeCloseTo(a1 - a0 + 2 * clear, 6);
      expect(length.theory).toBeCloseTo(a1 - a0 + 2 * clear + T, 6);
    }
  });

  it('leaves of the rafters it cuts what lies below its headers and above them', () => {
    const jacks = entriesOf(solution, 'opening-jack');
    const across = ply * T;
    const below = (u0 - clear - across) / Math.cos(theta);
    const above = (ACROSS / 2 - T / 2 - u1 - clear - across) / Math.cos(theta);
    const bodies = jacks.map(({ length }) => length.body).sort((p, q) => p - q);
    expect(bodies).toEqual(
      [below, above].sort((p, q) => p - q).map((mm): unknown => expect.closeTo(mm, 6)),
    );
    const cut = jacks.map(({ count }) => count);
    expect(cut[0]).toBe(cut[1]);
    // Between the trimmers no rafter of the layout is missing.
    const commons = ofKind(solution, 'common')
      .filter(({ side }) => side === 0)
      .map(at);
    const all = [
      ...commons,
      ...ofKind(solution, 'opening-jack').map(at),
      ...ofKind(solution, 'trimmer').map(at),
    ];
    const sorted = [...new Set(all.map((u) => Math.round(u)))].sort((p, q) => p - q);
    for (const [i, u] of sorted.slice(1).entries()) expect(u - sorted[i]!).toBeLessThan(401);
  });

  it('is proved, and every way of spoiling what stands round it is seen', () => {
    expect(fit(solution).problems).toEqual([]);
    const own = [
      ...ofKind(solution, 'header'),
      ...ofKind(solution, 'trimmer'),
      ...ofKind(solution, 'opening-jack').slice(0, 2),
    ];
    expect(unseenSpoilings(solution, own)).toEqual([]);
  });
});

it('a rafter that would stand in a trimmer stands flat beside it, away from the opening', () => {
  // The layout has a rafter at 2800; the trimmer would stand at 2812 less half its thickness.
  const solution = solvedInput(house([{ ...CHIMNEY, along: [2812, 3700], clearance: 0 }]));
  const xs = ofKind(solution, 'common')
    .filter(({ side }) => side === 0)
    .map(({ frame }) => frame.origin[0]);
  expect(xs.some((x) => Math.abs(x - (2812 - T - T / 2)) < 1e-6)).toBe(true);
  expect(xs.some((x) => Math.abs(x - 2800) < 1)).toBe(false);
  expect(fit(solution).problems).toEqual([]);
});

it('two of a size over each other stand between the same trimmers', () => {
  const solution = solvedInput(
    house([
      { ...CHIMNEY, up: [600, 1100] },
      { ...CHIMNEY, name: 'window', up: [1600, 2200] },
    ]),
  );
  expect(ofKind(solution, 'trimmer')).toHaveLength(2);
  expect(ofKind(solution, 'header')).toHaveLength(4);
  expect(fit(solution).problems).toEqual([]);
});

it('on a hipped roof the rafters it cuts may end on a hip', () => {
  const solution = solvedInput(
    house([{ ...CHIMNEY, along: [1500, 2300], up: [500, 900] }], '9/12', ['eave', 'eave']),
  );
  expect(fit(solution).problems).toEqual([]);
  const tops = ofKind(solution, 'opening-jack').flatMap(({ ends }) =>
    ends.map(({ meets }) => meets),
  );
  expect(tops.some((id) => /hip/u.test(id ?? ''))).toBe(true);
});

it.each([
  ['the ridge', { up: [1800, 2900] }, /^openings\.0: .*up from the .*plate/u],
  ['the gable', { along: [10, 800] }, /^openings\.0: .*from 88 mm to 8912 mm along/u],
  ['the plate', { up: [100, 800] }, /^openings\.0: .*at least 238 mm/u],
  ['no slope', { along: [20_000, 21_000] }, /^openings\.0: .*outside the slope/u],
  ['no side', { side: 7 }, /^openings\.0\.side: /u],
  ['no block', { block: 'barn' }, /^openings\.0\.block: /u],
] as const)('one that hits %s is refused with what would fit', (_, change, told) => {
  expect(refusalOf(house([{ ...CHIMNEY, ...change } as OpeningInput]))).toMatch(told);
});

it('one that hits a hip is refused with what would fit, and that is accepted', () => {
  const hipped = (opening: Partial<OpeningInput>) =>
    house([{ ...CHIMNEY, ...opening }], '9/12', ['eave', 'eave']);
  const told = refusalOf(hipped({ along: [1200, 2000], clearance: 0 }));
  const found = /from (\d+) mm to (\d+) mm along/u.exec(told);
  expect(found).not.toBeNull();
  const least = Number(found![1]);
  expect(fit(solvedInput(hipped({ along: [least, least + 800], clearance: 0 }))).problems).toEqual(
    [],
  );
  expect(refusalOf(hipped({ along: [least - 2, least + 798], clearance: 0 }))).toMatch(/openings/u);
});

it('a purlin through one is refused, and two that share a place', () => {
  const input = house([CHIMNEY]);
  const purlins = [{ block: 'main', side: 0, at: 0.45 }];
  const timber = { ...input.timber, purlin: { thickness: 75, depth: 150 } };
  expect(fit(solvedInput({ ...input, timber, purlins })).problems).toEqual([]);
  const near = { ...CHIMNEY, name: 'window', along: [3980, 4500] } as OpeningInput;
  expect(refusalOf(house([CHIMNEY, near]))).toMatch(/^openings\.1: .*so near each other/u);
  expect(D).toBeGreaterThan(T);
});

describe.each(['over', 'between'] as const)(
  'purlins %s the rafters of a slope with an opening',
  (set) => {
    const input = buildingInput({
      along: 10_000,
      across: 9000,
      pitch: '8/12',
      ends: ['gable', 'gable'],
    });
    const roofPurlins = [
      {
        block: 'main',
        stock: { thickness: 75, depth: 50 },
        spacing: 450,
        first: 100,
        last: 100,
        set,
      },
    ];
    const openings = [
      {
        name: 'Hatch',
        block: 'main',
        side: 0,
        along: [3000, 4100],
        up: [1400, 2300],
        clearance: 20,
      },
    ] as NonNullable<JobInput['openings']>;
    const solution = solvedInput({ ...input, roofPurlins, openings });
    const whole = solvedInput({ ...input, roofPurlins });
    const purlins = ({ members }: Solution) =>
      members.filter(
        ({ kind, side }) => (kind === 'roof-purlin' || kind === 'purlin-between') && side === 0,
      );

    it('leave what is kept clear open, cut flush with the trimmers', () => {
      expect(fit(solution).problems).toEqual([]);
      if (set === 'over') {
        // Rows whose line lies within the hole are in two.
        const rows = new Set(purlins(whole).map(({ frame }) => frame.origin[1].toFixed(3)));
        const half = (75 / 2) * Math.cos(Math.atan(8 / 12));
        const cut = [...rows].filter((y) => Number(y) + half > 1380 && Number(y) - half < 2320);
        expect(cut.length).toBeGreaterThan(1);
        expect(purlins(solution)).toHaveLength(rows.size + cut.length);
        for (const y of cut) {
          const [one, other] = purlins(solution)
            .filter(({ frame }) => frame.origin[1].toFixed(3) === y)
            .sort((p, q) => p.frame.origin[0] - q.frame.origin[0]);
          expect(one!.frame.origin[0] + one!.axis.runMm).toBeCloseTo(2980, 6);
          expect(other!.frame.origin[0]).toBeCloseTo(4120, 6);
        }
      } else
        for (const { frame, axis } of purlins(solution)) {
          const [x, y] = frame.origin;
          const inHole =
            y > 1400 && y < 2300 && x + axis.runMm / 2 > 2980 && x + axis.runMm / 2 < 4120;
          expect(inHole).toBe(false);
        }
    });

    it('are missed where one beside the hole is gone or spoiled', () => {
      const beside = purlins(solution)
        .filter(({ frame }) => frame.origin[1] > 1380 && frame.origin[1] < 2320)
        .slice(0, 3);
      expect(unseenSpoilings(solution, beside)).toEqual([]);
      for (const gone of beside) {
        const members = solution.members.filter((member) => member !== gone);
        const said = fit({ ...solution, members }).problems.filter(
          ({ kind }) => kind === 'missing',
        );
        expect(said.length).toBeGreaterThan(1);
      }
    });
  },
);
