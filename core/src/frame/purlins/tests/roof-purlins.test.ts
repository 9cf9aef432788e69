import { v3 } from '../../../geom';
import { seatDeepenedBy, withSeatKept, type JobInput } from '../../../job';
import { fit, solve, type Solution } from '../../../solve';
import { buildingInput, refusalOf, solvedInput } from '../../../tests/building';
import { pitchRad } from '../../../units';

const STOCK = { thickness: 75, depth: 50 };
const DEG = 180 / Math.PI;
const [ALONG, ACROSS, OVERHANG, HAP] = [9000, 6000, 450, 150];

type Way = Partial<NonNullable<JobInput['roofPurlins']>[number]>;

const inputOf = (pitch: string, way: Way | null, ends: 'hips' | 'gables' = 'hips'): JobInput => {
  const input = buildingInput({ along: ALONG, across: ACROSS, pitch });
  const gable = { roof: 'gable' as const, overhang: 260 };
  return {
    ...input,
    framing: { ...input.framing, spacing: 600, seat: { hap: HAP } },
    blocks: input.blocks.map((block) => ({
      ...block,
      sides: block.sides.map((side, i) => (ends === 'gables' && i % 2 === 1 ? gable : side)),
    })),
    roofPurlins:
      way === null
        ? []
        : [
            {
              block: 'main',
              stock: STOCK,
              spacing: 900,
              first: 60,
              last: 120,
              set: 'over',
              planes: 'rafters',
              ...way,
            },
          ],
  };
};

const common = ({ cuts }: Solution) => cuts.members.find(({ kind }) => kind === 'common')!;
const purlins = ({ cuts }: Solution) => cuts.members.filter(({ kind }) => kind === 'purlin');

/** Along a slope so long: the first, on centres, the last where it must be. */
const places = (slope: number, spacing = 900, first = 60, last = 120): number[] => {
  const found: number[] = [];
  for (let at = first; at < slope - last - STOCK.thickness; at += spacing) found.push(at);
  return [...found, slope - last];
};

describe.each(['4/12', '35°', '9/12', '12/12'])('purlins on a roof of %s', (pitch) => {
  const theta = pitchRad(pitch);
  const [cos, m] = [Math.cos(theta), Math.tan(theta)];
  const slope = (ACROSS / 2 + OVERHANG) / cos;

  it('keeps the seat that was typed, where the plates or the roof move instead', () => {
    const tops = solvedInput(inputOf(pitch, { planes: 'tops' }));
    const by = STOCK.depth / cos;
    expect(seatDeepenedBy(tops.job, 0)).toBeCloseTo(by, 9);
    const top = ({ members }: Solution): number =>
      Math.max(
        ...members
          .filter(({ kind }) => kind === 'roof-purlin')
          .map(({ frame, topMm }) => frame.origin[2] + topMm * frame.e[2]),
      );
    for (const [moves, rise] of [
      ['plates', 0],
      ['roof', by],
    ] as const) {
      const job = withSeatKept(tops.job, 0, moves);
      const solution = solve(job);
      if (!solution.ok) throw new Error('refused');
      expect(common(solution.value).seat!.hap).toBeCloseTo(HAP, 6);
      expect(top(solution.value) - top(tops)).toBeCloseTo(rise, 6);
      expect(job.blocks[0]!.plate).toBeCloseTo(moves === 'plates' ? -by : 0, 9);
      expect(seatDeepenedBy(job, 0)).toBe(0);
    }
  });

  it('over the rafters, their tops the roof: rafters lower by depth ÷ cos θ, as long as before', () => {
    const plain = common(solvedInput(inputOf(pitch, null)));
    const low = common(solvedInput(inputOf(pitch, { planes: 'tops' })));
    expect(plain.seat!.hap).toBeCloseTo(HAP, 6);
    expect(low.seat!.hap).toBeCloseTo(HAP - STOCK.depth / cos, 6);
    expect(low.length.theory).toBeCloseTo(plain.length.theory, 6);
    const ridge = (solution: Solution) =>
      solution.cuts.members.find(({ kind }) => kind === 'ridge')!.heights![0]!.top;
    const fall =
      ridge(solvedInput(inputOf(pitch, null))) -
      ridge(solvedInput(inputOf(pitch, { planes: 'tops' })));
    expect(fall).toBeCloseTo(STOCK.depth / cos, 6);
    const on = solvedInput(inputOf(pitch, { planes: 'rafters' }));
    expect(common(on).seat!.hap).toBeCloseTo(HAP, 6);
  });

  it('round hips: a row is the eave’s own length less twice its way in; mitred at atan(sin θ), atan(cos θ)', () => {
    const solution = solvedInput(inputOf(pitch, {}));
    const rows = places(slope).map((at) => at * cos);
    const wanted = [ALONG, ACROSS].flatMap((long) =>
      rows.flatMap((run) => [long + 2 * OVERHANG - 2 * run, long + 2 * OVERHANG - 2 * run]),
    );
    const found = purlins(solution).flatMap(({ length, count }) =>
      Array.from({ length: count }, () => length.theory),
    );
    const up = (p: number, q: number): number => p - q;
    const kept = wanted.filter((mm) => mm > 300).sort(up);
    expect(found.sort(up).map((mm) => mm.toFixed(4))).toEqual(kept.map((mm) => mm.toFixed(4)));
    for (const { cuts } of purlins(solution))
      for (const { faceAngle, edgeAngle } of cuts) {
        expect(faceAngle).toBeCloseTo(DEG * Math.atan(Math.sin(theta)), 6);
        expect(edgeAngle).toBeCloseTo(DEG * Math.atan(cos), 6);
      }
    expect(fit(solution).problems).toEqual([]);
  });

  it('over gables they run to the roof’s edge, and lie on the rafters’ tops at their rows', () => {
    const solution = solvedInput(inputOf(pitch, {}, 'gables'));
    const rows = places(slope);
    expect(purlins(solution).map(({ count }) => count)).toEqual([2 * rows.length]);
    expect(purlins(solution)[0]!.length).toMatchObject({
      theory: ALONG + 520,
      body: ALONG + 520,
      blank: ALONG + 520,
    });
    const own = solution.members.filter(({ kind, side }) => kind === 'roof-purlin' && side === 0);
    const tail = [0, -OVERHANG, HAP - m * OVERHANG] as const;
    const found = own.map(({ frame }) => {
      const [, y, z] = v3.sub(frame.origin, [0, tail[1], tail[2]]);
      return Math.hypot(y, z);
    });
    expect(found.map((mm) => mm.toFixed(4))).toEqual(rows.map((mm) => mm.toFixed(4)));
  });

  it('between the rafters: a bay less a thickness, square, tops flush, none where a rafter stands', () => {
    const last = 75 / 2 + (19 + 50 * Math.sin(theta)) / cos + 60;
    const solution = solvedInput(
      inputOf(pitch, { set: 'between', last, planes: 'tops' }, 'gables'),
    );
    expect(common(solution).seat!.hap).toBeCloseTo(HAP, 6);
    const { thickness } = solution.job.timber.common;
    const bays = Math.floor(ALONG / 600);
    const rows = places(slope, 900, 60, last);
    const [most] = [...purlins(solution)].sort((p, q) => q.count - p.count);
    expect(most!.length.body).toBeCloseTo(600 - thickness, 6);
    for (const { cuts } of purlins(solution))
      for (const { faceAngle, edgeAngle } of cuts) expect([faceAngle, edgeAngle]).toEqual([0, 0]);
    const count = purlins(solution).reduce((sum, one) => sum + one.count, 0);
    expect(count).toBe(2 * rows.length * bays);
    expect(fit(solution).problems).toEqual([]);
  });
});

it('rows on a roof whose pitch breaks lie on the slope that each is on, above the break and below it', () => {
  const input = inputOf('60°', { first: 100, last: 150, spacing: 600 }, 'gables');
  const solution = solvedInput({
    ...input,
    timber: { ...input.timber, purlin: { thickness: 63, depth: 200 } },
    blocks: input.blocks.map((block) => ({
      ...block,
      sides: block.sides.map((side) =>
        side.roof === 'eave' ? { ...side, breaks: [{ at: 1000, pitch: '25°' }] } : side,
      ),
    })),
  });
  expect(solution.withheld).toEqual([]);
  expect(fit(solution).problems).toEqual([]);
  const slopes = solution.members
    .filter(({ kind }) => kind === 'roof-purlin')
    .map(({ frame }) => Math.round(Math.acos(frame.e[2]) * DEG));
  expect(new Set(slopes)).toEqual(new Set([25, 60]));
});

it('between rafters and hips, none is told shorter than it is', () => {
  const solution = solvedInput(inputOf('35°', { set: 'between' }));
  const atHips = purlins(solution).filter(({ cuts }) => cuts.some(({ faceTilt }) => faceTilt > 1));
  expect(atHips.length).toBeGreaterThan(0);
  for (const { length } of purlins(solution)) expect(length.theory).toBeCloseTo(length.body, 6);
});

describe('purlins over rafters that cannot be', () => {
  it.each<readonly [string, Way, string]>([
    [
      'deeper than the rafters stand above the plate',
      { planes: 'tops', stock: { thickness: 75, depth: 150 } },
      'roofPurlins.0.stock.depth',
    ],
    ['no room between first and last', { first: 4000, last: 1000 }, 'roofPurlins.0.first'],
    ['highest ones that reach into each other', { last: 10 }, 'roofPurlins.0.last'],
    ['rows that touch', { spacing: 60 }, 'roofPurlins.0.spacing'],
    ['a side that is none', { side: 7 }, 'roofPurlins.0.side'],
    ['a part that is none', { block: 'barn' }, 'roofPurlins.0.block'],
    ['a row in the ridge', { set: 'between', last: 40 }, 'roofPurlins.0.last'],
  ])('%s', (_, way, path) => {
    expect(refusalOf(inputOf('35°', way))).toContain(`${path}: `);
  });

  it('two sets on one side', () => {
    const input = inputOf('35°', {});
    const [set] = input.roofPurlins!;
    expect(refusalOf({ ...input, roofPurlins: [set!, { ...set!, side: 2 }] })).toContain(
      'roofPurlins.1.side: ',
    );
  });
});
