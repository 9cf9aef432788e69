import { boardOf } from '../cuts';
import { solidOf, type Member } from '../frame';
import { toWorld, type Vec3 } from '../geom';
import { highPlateOf, withHighPlate, withPitchOfPlates, type Job, type JobInput } from '../job';
import { problemLine } from '../problem';
import { fit, solve, type Solution } from '../solve';
import { pitchRad } from '../units';
import { entriesOf, entryOf, problemsOf } from './building';
import { eave, gable, jobOf, rectangle } from './houses';
import { sawHouse } from './saw-house';
import { spoilByKind } from './spoil-houses';
import type { Spoiling } from './spoil';

type Side = JobInput['blocks'][number]['sides'][number];

const RUN = 4000;
const PLATE = 140;
const DEPTH = 184;

interface Shed {
  readonly pitch?: string;
  readonly low?: number;
  readonly high?: number;
  readonly raise?: number;
  readonly rake?: number;
  readonly framing?: Partial<JobInput['framing']>;
}

/** A shed 5.6 m long, from its low wall in the south up over its high one. */
const shed = ({ pitch = '4/12', low = 400, high = 300, raise, rake = 0, framing }: Shed): Job => {
  const end: Side = { roof: 'gable', overhang: rake };
  const over: Side = { roof: 'high', overhang: high, ...(raise === undefined ? {} : { raise }) };
  const block = rectangle('main', [0, 0, 5600, RUN], [eave(pitch, low), end, over, end]);
  return jobOf([block], framing, {
    gableStud: { thickness: 38, depth: 89 },
    barge: { thickness: 19, depth: 184 },
    lookout: { thickness: 38, depth: 89 },
  });
};

const framed = (one: Shed): Solution => {
  const solution = solve(shed(one));
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('\n'));
  expect(fit(solution.value).problems.map(({ text }) => text)).toEqual([]);
  expect(solution.value.withheld).toEqual([]);
  return solution.value;
};

/** The same shed, its high wall so much further out at its eastern end. */
const askew = (job: Job, out: number): Job => {
  const [block] = job.blocks;
  const outline = block!.outline.map(([x, y]): [number, number] => [
    x,
    x > 0 && y > 0 ? y + out : y,
  ]);
  return { ...job, blocks: [{ ...block!, outline }] };
};

const refusal = (job: Job): string => {
  const solution = solve(job, { waysOut: false });
  return solution.ok ? '' : solution.problems.map(problemLine).join('; ');
};

const commonOf = ({ members }: Solution): Member => members.find(({ kind }) => kind === 'common')!;

/** The corners of a rafter's sawn face. mm */
const faceOf = (member: Member, name: string): Vec3[] =>
  solidOf(member).flatMap((piece) =>
    piece.flatMap(({ tag, points }) =>
      typeof tag === 'object' && 'name' in tag && tag.name === name
        ? points.map((p) => toWorld(member.frame, p))
        : [],
    ),
  );

const span = (values: readonly number[]): [number, number] => [
  Math.min(...values),
  Math.max(...values),
];

describe.each([
  ['2/12', {}],
  ['4/12', { tail: 'square' }],
  ['30°', { seat: { width: 80 } }],
  ['45°', { tail: 'square', seat: { hap: 150 } }],
] as const)('one slope over two walls at %s, %o', (pitch, framing) => {
  const theta = pitchRad(pitch);
  const [cos, tan] = [Math.cos(theta), Math.tan(theta)];
  const solution = framed({ pitch, framing });
  const common = entryOf(solution, 'common');

  it('has both notches alike, so far apart as the heel lines are', () => {
    const { seat, upper, length } = common;
    expect(length.theory).toBeCloseTo(RUN / cos, 6);
    expect(upper!.hap).toBeCloseTo(seat!.hap, 6);
    expect(upper!.plumbDepth).toBeCloseTo(seat!.plumbDepth, 6);
    expect(upper!.width).toBeCloseTo(seat!.width, 6);
    expect(upper!.apart).toBeCloseTo((RUN - PLATE) / cos, 6);
    expect(upper!.tail).toBeCloseTo(300 / cos, 6);
    expect(length.tail).toBeCloseTo(400 / cos, 6);
  });

  it('is marked for both heels on the top edge, so far apart', () => {
    const { marks } = boardOf(commonOf(solution));
    const at = common.cuts.flatMap((cut, i) => (cut.at === 'heel' ? [marks[i]!.topEdge[0]!] : []));
    expect(at).toHaveLength(2);
    expect(at[1]! - at[0]!).toBeCloseTo(common.upper!.apart, 6);
  });

  it('stands its upper seat on the plate’s top, its heel on that plate’s inside face', () => {
    const raise = tan * (RUN - PLATE);
    const seat = faceOf(commonOf(solution), 'upper seat cut');
    for (const [, , z] of seat) expect(z).toBeCloseTo(raise, 6);
    const [, outside] = span(seat.map(([, y]) => y));
    expect(outside - (RUN - PLATE)).toBeCloseTo(common.upper!.width, 6);
    for (const [, y] of faceOf(commonOf(solution), 'upper heel cut'))
      expect(y).toBeCloseTo(RUN - PLATE, 6);
    expect(highPlateOf(solution.job, 0, 2)!.raise).toBeCloseTo(raise, 6);
  });

  it('ends all its tails in one line, with a fascia before them', () => {
    const square = 'tail' in framing;
    const top = Math.max(...faceOf(commonOf(solution), 'tail cut').map(([, y]) => y));
    // Square to the slope, the lower corner reaches out under the upper.
    expect(top).toBeCloseTo(RUN + 300 + (square ? DEPTH * Math.sin(theta) : 0), 6);
    const high = solution.members.find(({ kind, side }) => kind === 'fascia' && side === 2)!;
    const [from] = span(
      solidOf(high).flatMap((piece) =>
        piece.flatMap(({ points }) => points.map((p) => toWorld(high.frame, p)[1])),
      ),
    );
    expect(from).toBeCloseTo(RUN + 300, 6);
    expect(entriesOf(solution, 'fascia').reduce((sum, { count }) => sum + count, 0)).toBe(2);
  });

  it('carries studs under the slope at both ends', () => {
    const studs = solution.members.filter(({ kind }) => kind === 'gable-stud');
    expect(studs.length).toBeGreaterThan(10);
    // Common difference: spacing × rise.
    const tops = [...new Set(studs.map(({ axis }) => axis.riseMm.toFixed(4)))]
      .map(Number)
      .sort((p, q) => p - q);
    for (const [i, z] of tops.slice(1).entries()) expect(z - tops[i]!).toBeCloseTo(400 * tan, 3);
  });
});

it('a plate that stands as it was built has its own upper notch, and the pitch for two alike', () => {
  const theta = pitchRad('4/12');
  const alike = (RUN - PLATE) * Math.tan(theta);
  const solution = framed({ raise: alike + 20 });
  const { seat, upper } = entryOf(solution, 'common');
  expect(upper!.hap).toBeCloseTo(seat!.hap - 20, 6);
  expect(upper!.plumbDepth).toBeCloseTo(seat!.plumbDepth + 20, 6);
  expect(solution.cuts.notes.map(({ text }) => text).join()).toContain('the upper birdsmouth');
  const turned = withPitchOfPlates(solution.job, 0, 2);
  expect(highPlateOf(turned, 0, 2)).toEqual({
    raise: alike + 20,
    typed: true,
    alike: true,
  });
  const other = solve(turned);
  if (!other.ok) throw new Error('refused');
  const common = entryOf(other.value, 'common');
  expect(common.upper!.hap).toBeCloseTo(common.seat!.hap, 3);
  expect(withHighPlate(turned, 0, 2, 'alike').blocks[0]!.sides[2]).toEqual({
    roof: 'high',
    overhang: 300,
  });
});

it('rafters with no overhang end at the walls’ faces, their seats no wider than the plates', () => {
  const solution = framed({ low: 0, high: 0, pitch: '2/12', framing: { seat: { hap: 130 } } });
  const { seat, upper } = entryOf(solution, 'common');
  expect(seat!.width).toBeGreaterThan(PLATE);
  expect(upper!.width).toBeCloseTo(PLATE, 6);
  expect(span(faceOf(commonOf(solution), 'tail cut').map(([, y]) => y))[1]).toBeCloseTo(RUN, 6);
});

it('a list of the same shed turned round is the same', () => {
  const here = framed({ rake: 300 });
  const turned = shed({ rake: 300 });
  const [block] = turned.blocks;
  const away: Job = {
    ...turned,
    blocks: [{ ...block!, outline: block!.outline.map(([x, y]) => [3000 - y, x - 700]) }],
  };
  const there = solve(away);
  if (!there.ok) throw new Error(there.problems.map(problemLine).join());
  const linesOf = ({ cuts }: Solution) =>
    cuts.members.map(({ mark, count, length, upper }) =>
      [mark, count, length.blank.toFixed(4), upper?.apart.toFixed(4)].join(' '),
    );
  expect(linesOf(there.value)).toEqual(linesOf(here));
});

it('has blocks between the rafters over both plates, each bevelled to the slope', () => {
  const theta = pitchRad('4/12');
  const job = shed({});
  const solution = solve({
    ...job,
    timber: { ...job.timber, blocking: { thickness: 38, depth: 300 } },
  });
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join());
  expect(solution.value.cuts.withheld).toEqual([]);
  expect(fit(solution.value).problems).toEqual([]);
  const blocks = solution.value.members.filter(({ kind }) => kind === 'blocking');
  const [low, high] = [0, 2].map((wall) => blocks.filter(({ side }) => side === wall));
  expect(low!.length).toBe(high!.length);
  const { hap } = entryOf(solution.value, 'common').seat!;
  // The higher face is the inner one over the low wall, the outer one over the high wall.
  expect(low![0]!.stock.depth).toBeCloseTo(hap + 38 * Math.tan(theta), 6);
  expect(high![0]!.stock.depth).toBeCloseTo(hap + PLATE * Math.tan(theta), 6);
  const without = solution.value.members.filter((one) => one !== high![3]);
  expect(fit({ ...solution.value, members: without }).problems.length).toBeGreaterThan(0);
});

/** Faults of one of two notches, which the common spoilings of both at once would not tell apart. */
const ONE_NOTCH: readonly Spoiling[] = [0, 1].flatMap((which) => {
  const changed =
    (change: (notch: Member['notches'][number]) => Member['notches'][number]) =>
    (member: Member): Member | null =>
      member.notches.length < 2
        ? null
        : { ...member, notches: member.notches.map((one, i) => (i === which ? change(one) : one)) };
  const seat = (mm: number) =>
    changed(({ seat: own, ...notch }) => ({
      ...notch,
      seat: { ...own, keep: { ...own.keep, offset: own.keep.offset + mm } },
    }));
  const heel = (mm: number) =>
    changed(({ heels, ...notch }) => ({
      ...notch,
      heels: heels.map((own) => ({
        ...own,
        keep: { ...own.keep, offset: own.keep.offset + mm },
      })),
    }));
  return [
    { name: `notch ${which} too deep`, spoil: seat(-4) },
    { name: `notch ${which} too shallow`, spoil: seat(4) },
    { name: `heel ${which} past its plate`, spoil: heel(6) },
    {
      name: `notch ${which} left out`,
      spoil: (member: Member) =>
        member.notches.length < 2
          ? null
          : { ...member, notches: member.notches.filter((_, i) => i !== which) },
    },
  ];
});

it('every spoiled board of a shed is found', () => {
  const houses = [framed({ rake: 300 }), framed({ pitch: '30°', framing: { tail: 'square' } })];
  const common = spoilByKind(houses, 4);
  expect(common.missed).toEqual([]);
  expect(common.tried).toBeGreaterThan(150);
  for (const { name, spoil } of ONE_NOTCH)
    for (const house of houses) {
      const own = commonOf(house);
      const next = spoil(own);
      expect({ name, next }).not.toEqual({ name, next: null });
      const members = house.members.map((member) => (member === own ? (next as Member) : member));
      const found = fit({ ...house, members }).problems.map(({ text }) => text);
      expect({ name, found: found.length > 0 }).toEqual({ name, found: true });
    }
});

it('boards sawn by their steps are those of the frame', () => {
  let most = 0;
  for (const tail of ['plumb', 'square'] as const)
    sawHouse(framed({ rake: 300, raise: 1330, framing: { tail } }), (_, mm) => {
      most = Math.max(most, mm);
    });
  expect(most).toBeLessThan(1);
  expect(most).toBeGreaterThan(0);
});

it('what cannot be seated is refused beside its cause', () => {
  expect(refusal(shed({ raise: 1200 }))).toMatch(
    /^blocks\.0\.sides\.2\.raise: a plate 1200 mm above the low one is 40\.2 mm too low: .* accepted is at least \d+\.\d mm and under \d+\.\d mm/u,
  );
  expect(refusal(shed({ raise: 1600 }))).toContain("stands above the rafters' tops");
  // No level plate gives a seat to rafters that come to it 233 mm higher at one end.
  expect(refusal(askew(shed({}), 700))).toMatch(
    /^blocks\.0\.sides\.2\.roof: the rafters come to this wall 233\.3 mm higher at one end.*: no height of it/u,
  );
});

it.each(['plumb', 'square'] as const)(
  'a high wall out of line with the low one gives each rafter its own upper notch, tails %s',
  (tail) => {
    const out = 60;
    const { job } = framed({ framing: { tail } });
    const solution = solve(askew(job, out));
    if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('\n'));
    expect(solution.value.cuts.withheld).toEqual([]);
    const commons = entriesOf(solution.value, 'common');
    const haps = commons.map(({ upper }) => upper!.hap).sort((p, q) => p - q);
    // Along the wall the tops rise by the pitch times how far it runs out, over whole the wall.
    const run = 5600 - 38;
    expect(haps.at(-1)! - haps[0]!).toBeCloseTo(((out / 3) * run) / 5600, 1);
    const [fascia] = solution.value.members.filter(
      ({ kind, side }) => kind === 'fascia' && side === 2,
    );
    expect(fascia!.axis.riseMm).toBeCloseTo(out / 3, 1);
  },
);

it.each([
  [[eave('4/12'), eave('4/12'), { roof: 'high' }, gable], 'sides.1.roof: an eave beside the high'],
  [[eave('4/12'), { roof: 'high' }, { roof: 'high' }, gable], 'sides.2.roof: wall 2 of this part'],
] as const)('a high wall that no one slope comes to is refused: %#', (sides, text) => {
  const input = { ...shed({}), blocks: [rectangle('main', [0, 0, 5600, RUN], [...sides])] };
  expect(
    problemsOf(input as unknown as JobInput)
      .map(problemLine)
      .join('; '),
  ).toContain(text);
});
