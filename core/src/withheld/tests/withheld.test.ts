import type { Vec2 } from '../../geom';
import { juniors, placeOfPiece, sifted, spotsOf, withValue, type Dropped } from '..';
import { extrasOf, readJob, withoutExtras, type Job, type JobInput } from '../../job';
import { plainly, spoken } from '../../sentence';
import { pathFrom, pathText, problemLine } from '../../problem';
import { isExtra } from '../../kinds';
import { CELLS, drawn } from '../../tests/asked';
import { buildingInput, problemsOf, solvedInput } from '../../tests/building';
import { acceptedAt, fit, solve, withheldOf, workOut, type Solution } from '../../solve';

const read = (input: JobInput): Job => {
  const job = readJob(input);
  if (!job.ok) throw new Error(job.problems.map(problemLine).join('; '));
  return job.value;
};

/** A house with a wing so narrow that the collar ties of the house are too high for it. */
const narrowWing = (bottom = 1400): JobInput => {
  const main = buildingInput({
    along: 10_000,
    across: 7000,
    pitch: '8/12',
    ends: ['gable', 'gable'],
  });
  return {
    ...main,
    timber: {
      ...main.timber,
      valley: { thickness: 38, depth: 235 },
      collarTie: { thickness: 38, depth: 140 },
    },
    blocks: [
      ...main.blocks,
      {
        id: 'wing',
        outline: [
          [3000, -2000],
          [5400, -2000],
          [5400, 3500],
          [3000, 3500],
        ],
        sides: [
          { roof: 'gable' },
          { roof: 'eave', pitch: '8/12', overhang: 450 },
          { roof: 'open' },
          { roof: 'eave', pitch: '8/12', overhang: 450 },
        ],
      },
    ],
    collarTies: { bottom, every: 1 },
  };
};

const linesOf = ({ cuts }: Solution, but: readonly string[] = []): object[] =>
  cuts.members
    .filter(({ kind }) => !but.includes(kind))
    .map(({ mark, ...line }) => ({ mark, line }));

describe('what cannot stand', () => {
  const solution = solvedInput(narrowWing());

  it('is withheld as small as can be, with its reason and its place; the rest is as without it', () => {
    expect(solution.cuts.withheld).toHaveLength(1);
    expect(solution.cuts.withheld[0]).toMatchObject({ code: 'size', path: 'collarTies.bottom' });
    expect(solution.cuts.withheld[0]!.text).toContain('of "wing"');
    const ties = solution.members.filter(({ kind }) => kind === 'collar-tie');
    expect(ties.length).toBeGreaterThan(10);
    expect(new Set(ties.map(({ block }) => block))).toEqual(new Set(['main']));
    expect(fit(solution).problems).toEqual([]);
    const { collarTies: _, ...plain } = narrowWing();
    expect(linesOf(solution, ['collar-tie'])).toEqual(linesOf(solvedInput(plain)));
  });

  it('is forgiven by the proof where it is withheld, and nowhere else', () => {
    const tie = solution.members.find(
      ({ kind, block }) => kind === 'collar-tie' && block === 'main',
    )!;
    const members = solution.members.filter((one) => one !== tie);
    const cuts = {
      ...solution.cuts,
      members: solution.cuts.members.map((line) => ({
        ...line,
        members: line.members.filter((id) => id !== tie.id),
      })),
    };
    expect(fit({ ...solution, members, cuts }).problems.map(({ kind }) => kind)).toEqual([
      'missing',
    ]);
  });

  it('has what would do, each of it tried: near to where it begins to do', () => {
    const [value, ...others] = acceptedAt(solution, 'collarTies.bottom');
    expect(others).toEqual([]);
    const most = Number(/at most (\d+) mm/u.exec(solution.cuts.withheld[0]!.text)![1]);
    expect(value!.value).toBeGreaterThan(most - 10);
    expect(problemsOf(narrowWing(value!.value as number))).toEqual([]);
    expect(acceptedAt(solution, 'collarTies.every')).toEqual([]);
  });
});

describe('an opening that is asked for where none can be', () => {
  const roofWindow = (along: [number, number], up: [number, number]): JobInput => ({
    ...buildingInput({ along: 9000, across: 6000, pitch: '9/12', ends: ['gable', 'gable'] }),
    openings: [
      { name: 'first', block: 'main', side: 0, along: [2000, 2780], up: [900, 1700] },
      { name: 'second', block: 'main', side: 0, along, up },
    ],
  });
  /** Over the ridge; past the gable; on the first. */
  const PLACES: readonly (readonly [[number, number], [number, number]])[] = [
    [
      [5000, 5780],
      [2500, 3300],
    ],
    [
      [8600, 9400],
      [900, 1700],
    ],
    [
      [2400, 3200],
      [900, 1700],
    ],
  ];

  it.each(PLACES)(
    'along %j, up %j: the roof is that of the others, and what would do is framed',
    (along, up) => {
      const input = roofWindow(along, up);
      const solution = solvedInput(input);
      const withheld = withheldOf(solution);
      expect(withheld.map(({ path }) => path)).toEqual(['openings.1']);
      const [first] = input.openings!;
      expect(linesOf(solution)).toEqual(linesOf(solvedInput({ ...input, openings: [first!] })));
      expect(withheld[0]!.accepted.length).toBeGreaterThan(0);
      for (const { path, value } of withheld[0]!.accepted) {
        const mended = solve(withValue(solution.job, pathFrom(path), value));
        expect(mended.ok && mended.value.withheld).toEqual([]);
      }
    },
  );
});

describe('a joist in the way of an opening', () => {
  it('gives way, and is told by the opening', () => {
    const base = buildingInput({
      along: 9000,
      across: 6000,
      pitch: '9/12',
      ends: ['gable', 'gable'],
    });
    const input: JobInput = {
      ...base,
      timber: { ...base.timber, rafterTie: { thickness: 38, depth: 140 } },
      framing: { ...base.framing, spacing: 800 },
      openings: [{ name: 'low window', block: 'main', side: 0, along: [3500, 4500], up: [0, 950] }],
      rafterTies: { spacing: 400, spacers: true },
    };
    const ties = ({ members }: Solution) => members.filter(({ kind }) => kind === 'rafter-tie');
    const solution = solvedInput(input);
    expect(solution.cuts.withheld.map(({ path }) => path)).toEqual(['openings.0']);
    const pieces = solution.withheld.flatMap((one) => one.pieces);
    expect(pieces.length).toBeGreaterThan(0);
    for (const { frame } of pieces) {
      expect(frame.origin[0]).toBeGreaterThan(3500);
      expect(frame.origin[0]).toBeLessThan(4500);
    }
    expect(ties(solution).length).toBeGreaterThan(10);
    // Put back, the proof finds it.
    const back = { ...solution, members: [...solution.members, pieces[0]!] };
    expect(
      fit(back)
        .problems.map(({ text }) => spoken(text))
        .join(),
    ).toContain('keeps clear');
  });
});

it('of two that share wood the junior goes; of two of one rank the later; a finding on the base has none', () => {
  const { members } = solvedInput(narrowWing());
  const of = (kind: string, block = 'main') =>
    members.filter((one) => one.kind === kind && one.block === block);
  const [tie, other] = of('collar-tie');
  const [common] = of('common');
  const finding = (...ids: string[]) =>
    ({
      members: ['', ''],
      ids,
      kind: 'overlap',
      at: [0, 0, 0],
      text: { words: [''], values: [] },
    }) as const;
  const gone = (...all: ReturnType<typeof finding>[]) =>
    juniors(all, members).map(({ member }) => member.id);
  expect(gone(finding(tie!.id, common!.id))).toEqual([tie!.id]);
  expect(gone(finding(other!.id, tie!.id))).toEqual([other!.id]);
  expect(gone(finding(common!.id))).toEqual([]);
  // Once one has gone, what it shared with others is free again.
  expect(gone(finding(tie!.id, common!.id), finding(tie!.id, other!.id))).toEqual([tie!.id]);
});

describe('a job with less asked for', () => {
  const job = read({
    ...narrowWing(),
    openings: [0, 1, 2].map((i) => ({
      name: `window ${i}`,
      block: 'main',
      side: 2,
      along: [1000 + 2000 * i, 1800 + 2000 * i] as [number, number],
      up: [900, 1700] as [number, number],
    })),
  });

  it('has all of it but that, and tells places as they are in the whole', () => {
    const less = withoutExtras(job, [['openings', 0], ['openings', 2], ['collarTies']]);
    expect(less.job.openings.map(({ name }) => name)).toEqual(['window 1']);
    expect(less.job.collarTies).toBeUndefined();
    expect(less.inWhole(['openings', 0, 'along'])).toEqual(['openings', 1, 'along']);
    expect(less.inWhole(['blocks', 1])).toEqual(['blocks', 1]);
    expect(extrasOf(less.job).map(pathText)).toEqual(['openings.0']);
  });
});

describe('what is sifted', () => {
  const house = read({
    ...buildingInput({ along: 9000, across: 6000, pitch: '9/12', ends: ['gable', 'gable'] }),
    collarTies: { bottom: 1400, every: 1 },
    rafterTies: { every: 1, spacers: true },
  });

  it('loses what does not stand, each told once, with its reason; what is part of that is not told', () => {
    const problem = { code: 'size', path: ['blocks', 0], text: plainly('they push') } as const;
    const framed = sifted<readonly Dropped[]>(house, (dropped) =>
      dropped.some(({ place }) => pathText(place) === 'rafterTies')
        ? { ok: true, value: dropped }
        : { ok: false, problems: [problem] },
    );
    expect(framed.ok && framed.value).toEqual([
      { place: ['rafterTies'], problem: { ...problem, path: ['rafterTies'] } },
    ]);
  });
});

describe('houses as they are asked for', () => {
  const given = (name: string, count: number): Solution[] =>
    drawn(
      CELLS.find((cell) => cell.name === name)!,
      count,
      77,
    ).flatMap((job) => {
      const solution = solve(job, { waysOut: false });
      return solution.ok ? [solution.value] : [];
    });

  it('every piece beyond the base frame has its place in the job', () => {
    for (const name of [
      'collar ties',
      'gable studs',
      'rows over',
      'barges on ladders',
      'hip braces',
    ])
      for (const { framed, roof, members } of given(name, 2)) {
        const extras = members.filter(isExtra);
        expect(extras.length).toBeGreaterThan(0);
        for (const member of extras) expect(placeOfPiece(framed, roof, member)).not.toBeNull();
      }
  });

  it('a proof that takes pieces away renames nothing of what stands', () => {
    const disproved = [
      'gablet + gable studs',
      'half-hip + canted purlins',
      'wing + rows over',
      'bay + rows over',
    ]
      .flatMap((name) => given(name, 3))
      .filter(({ leftOut }) => leftOut.disproved.length > 0);
    expect(disproved.length).toBeGreaterThan(0);
    for (const solution of disproved) {
      expect(fit(solution).problems).toEqual([]);
      const before = workOut(solution.job);
      if (!before.ok) throw new Error('not framed');
      const was = new Map(
        before.value.cuts.members.flatMap(({ mark, members }) => members.map((id) => [id, mark])),
      );
      for (const { mark, members } of solution.cuts.members)
        expect(members.map((id) => was.get(id))).toContain(mark);
    }
  });
});

describe('where in plan what is withheld would stand', () => {
  const base = buildingInput({
    along: 9000,
    across: 6000,
    pitch: '9/12',
    ends: ['gable', 'gable'],
  });
  const spots = (input: JobInput): Vec2[] => {
    const { job, roof, withheld } = solvedInput(input);
    expect(withheld.length).toBeGreaterThan(0);
    return spotsOf(job, roof, withheld);
  };

  it('an opening: its own middle, in from its wall', () => {
    const at = { along: [8600, 9400] as [number, number], up: [900, 1700] as [number, number] };
    const opening = { name: 'w', block: 'main', ...at };
    expect(spots({ ...base, openings: [{ ...opening, side: 0 }] })).toEqual([[9000, 1300]]);
    expect(spots({ ...base, openings: [{ ...opening, side: 2 }] })).toEqual([[0, 4700]]);
  });

  it('a piece: where it would lie', () => {
    const [spot] = spots({
      ...base,
      timber: { ...base.timber, collarTie: { thickness: 38, depth: 140 } },
      collarTies: { bottom: 2200 },
    });
    // On the ridge's line in plan.
    expect(spot![1]).toBeCloseTo(3000, 6);
  });
});
