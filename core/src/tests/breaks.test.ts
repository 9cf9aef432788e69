import { v2, v3 } from '../geom';
import { readJob } from '../job';
import { problemLine } from '../problem';
import { degrees, radians } from '../units';
import type { Job } from '../job';
import { fit, solve, type Solution } from '../solve';
import { entriesOf, entryOf } from './building';
import { broken, eave, gable, jobOf, open, rectangle, wide } from './houses';

const solvedJob = (job: Job): Solution => {
  const solution = solve(job);
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('\n'));
  expect(fit(solution.value).problems).toEqual([]);
  return solution.value;
};

const refusedAs = (job: Job): string[] => {
  const solution = solve(job);
  return solution.ok ? [] : solution.problems.map(problemLine);
};

const slopeLength = (run: number, m: number): number => run * Math.hypot(1, m);
const hipLength = (run: number, m: number): number => run * Math.sqrt(2 + m * m);

const STEEP = 20 / 12;
const LOW = 6 / 12;
/** The break's plan distance from the plate, and half the span. */
const AT = 1500;
const HALF = 4000;

const gambrel = broken('20/12', [AT, '6/12']);

describe('a gambrel', () => {
  const solution = solvedJob(wide([gambrel, gable, gambrel, gable]));
  const purlin = entryOf(solution, 'purlin');
  const rafters = entriesOf(solution, 'common');

  it('has two rafters to each side, each as long as its own run and pitch make it', () => {
    const theory = [...new Set(rafters.map(({ length }) => length.theory.toFixed(6)))].sort();
    const expected = [slopeLength(AT, STEEP), slopeLength(HALF - AT, LOW)];
    expect(theory).toEqual(expected.map((mm) => mm.toFixed(6)).sort());
    const seated = rafters.filter(({ seat }) => seat !== null);
    for (const { slope, length } of seated) {
      expect(slope).toBeCloseTo(degrees(Math.atan(STEEP)), 9);
      // Short by half the purlin's thickness, level.
      expect(length.theory - length.body).toBeCloseTo(slopeLength(63 / 2, STEEP), 6);
    }
    for (const { length } of rafters.filter(({ seat }) => seat === null)) {
      // By half the purlin's at the foot and half the ridge's at the top.
      expect(length.theory - length.body).toBeCloseTo(slopeLength((63 + 38) / 2, LOW), 6);
    }
  });

  it('carries each break by a timber from gable to gable, level with it', () => {
    expect([purlin.count, purlin.mark, purlin.length.theory]).toEqual([2, 'P1', 12000]);
    const hap = entriesOf(solution, 'common').find(({ seat }) => seat !== null)!.seat!.hap;
    const [member] = solution.members.filter(({ kind }) => kind === 'purlin');
    expect(member!.frame.origin[2]).toBeCloseTo(hap + AT * STEEP, 6);
    // Its outer corner is planed to the lower slope.
    expect(member!.bevels).toHaveLength(1);
  });

  it('puts the ridge where the two pitches bring it', () => {
    const hap = rafters.find(({ seat }) => seat !== null)!.seat!.hap;
    const { top } = entryOf(solution, 'ridge').heights![0]!;
    // The ridge is lowered until its corners touch the planes.
    expect(top).toBeCloseTo(hap + AT * STEEP + (HALF - AT) * LOW - (38 / 2) * LOW, 6);
  });

  it('stands its lower rafters under the upper ones', () => {
    const xs = (seated: boolean): string[] =>
      solution.members
        .filter(({ kind, notches }) => kind === 'common' && notches.length > 0 === seated)
        .map(({ frame }) => frame.origin[0].toFixed(3))
        .sort();
    expect(xs(true)).toEqual(xs(false));
  });

  it('says that what carries the break is for an engineer, and wants its size', () => {
    const cautions = solution.cuts.notes.filter(({ level }) => level === 'caution');
    expect(cautions.find(({ text }) => text.includes('break in pitch'))!.member).toBe('P1');
    const bare = jobOf([rectangle('main', [0, 0, 12000, 8000], [gambrel, gable, gambrel, gable])]);
    expect(refusedAs(bare)[0]).toMatch(/^timber\.purlin: missing/);
  });
});

describe('a mansard', () => {
  const solution = solvedJob(wide([gambrel, gambrel, gambrel, gambrel]));

  it('has two hips to a corner that meet at the break, and purlins between the corners', () => {
    const theory = entriesOf(solution, 'hip').map(({ length, count }): [string, number] => [
      length.theory.toFixed(6),
      count,
    ]);
    expect(theory).toHaveLength(2);
    expect(new Map(theory)).toEqual(
      new Map([
        [hipLength(AT, STEEP).toFixed(6), 4],
        [hipLength(HALF - AT, LOW).toFixed(6), 4],
      ]),
    );
    const purlins = entriesOf(solution, 'purlin').map(({ length, count }) => [
      length.theory.toFixed(6),
      count,
    ]);
    expect(purlins).toEqual([
      ['9000.000000', 2],
      ['5000.000000', 2],
    ]);
    // Against the hips' sides at 45°.
    for (const { cuts } of entriesOf(solution, 'purlin'))
      for (const { faceTilt } of cuts) expect(faceTilt).toBeCloseTo(45, 6);
  });

  it('goes on with the layout of its upper slope down its lower one', () => {
    const jacks = solution.members.filter(
      ({ kind, side, notches }) => kind === 'hip-jack' && side === 0 && notches.length > 0,
    );
    // The first common stands at the ridge's end, 4000 in, and all the others at the spacing from it.
    const off = jacks.map(({ frame }) => Math.abs(((frame.origin[0] % 400) + 400) % 400));
    for (const mm of off) expect(Math.min(mm, 400 - mm)).toBeCloseTo(0, 6);
    expect(jacks.length).toBe(6);
  });
});

describe('an eave that kicks out', () => {
  const bell = broken('4/12', [900, '12/12']);

  it('all round, the lower hips lie flatter and meet the steep ones at the break', () => {
    const solution = solvedJob(wide([bell, bell, bell, bell]));
    const theory = entriesOf(solution, 'hip').map(({ length }) => length.theory.toFixed(6));
    expect(theory.sort()).toEqual(
      [hipLength(900, 4 / 12), hipLength(HALF - 900, 1)].map((mm) => mm.toFixed(6)).sort(),
    );
    const slopes = solution.roof.slopes.map(({ slopeRad }) => degrees(slopeRad).toFixed(4));
    expect(new Set(slopes)).toEqual(
      new Set([degrees(Math.atan(1 / 3)), 45].map((deg) => deg.toFixed(4))),
    );
  });

  it('on one side only, a catslide, and with a mansard above it', () => {
    solvedJob(wide([eave('9/12', 300), gable, broken('6/12', [2500, '9/12']), gable]));
    const three = broken('4/12', [800, '20/12'], [2000, '6/12']);
    const solution = solvedJob(wide([three, three, three, three]));
    expect(entriesOf(solution, 'hip').map(({ count }) => count)).toEqual([4, 4, 4]);
  });

  it('meets a plain wall’s roof in valleys that kink', () => {
    const solution = solvedJob(
      jobOf(
        [
          rectangle('main', [0, 0, 12000, 8000], [eave('9/12'), gable, eave('9/12'), gable]),
          rectangle('wing', [3000, -4000, 5000, 8000], [gable, bell, open, bell]),
        ],
        { seat: { hap: 110 } },
        { purlin: { thickness: 63, depth: 300 } },
      ),
    );
    expect(entriesOf(solution, 'valley').reduce((sum, { count }) => sum + count, 0)).toBe(4);
  });
});

describe('breaks that are no roof', () => {
  const rough = (breaks: unknown): string => {
    const job = wide([gambrel, gable, gambrel, gable]);
    const blocks = job.blocks.map((block) => ({
      ...block,
      sides: block.sides.map((side, i) => (i === 0 ? { ...side, breaks } : side)),
    }));
    const read = readJob({ ...job, blocks });
    return read.ok ? '' : problemLine(read.problems[0]!);
  };

  it.each([
    ['a break on the plate', [{ at: 100, pitch: '6/12' }], /breaks\.0\.at: .* at least 300 mm/],
    ['one pitch twice', [{ at: 900, pitch: '20/12' }], /breaks\.0\.pitch: .*another pitch/],
    [
      'a roof that steepens again',
      [
        { at: 900, pitch: '6/12' },
        { at: 1800, pitch: '12/12' },
      ],
      /breaks\.1\.pitch: .*steeper again/,
    ],
    ['no pitch', [{ at: 900 }], /breaks\.0\.pitch/],
    ['none', [], /breaks: too small/],
  ])('refuses %s', (_name, breaks, pattern) => {
    expect(rough(breaks)).toMatch(pattern);
  });

  it('refuses more of them than can be worked out while you wait', () => {
    const blocks = (sides: number) =>
      Array.from({ length: Math.ceil(sides / 4) }, (_, i) =>
        rectangle(
          `b${i}`,
          [i * 14000, 0, 12000, 8000],
          [
            broken('4/12', [900, '12/12']),
            broken('4/12', [900, '12/12']),
            broken('4/12', [900, '12/12']),
            broken('4/12', [900, '12/12']),
          ],
        ),
      );
    const read = (sides: number) => {
      const job = { ...wide([gambrel, gable, gambrel, gable]), blocks: blocks(sides) };
      return readJob(JSON.parse(JSON.stringify(job)));
    };
    expect(read(48).ok).toBe(true);
    const many = read(52);
    expect(many.ok ? '' : problemLine(many.problems[0]!)).toMatch(
      /^blocks\.0\.sides\.0\.breaks: 52 eaves that kick out in this job; accepted are at most 48/,
    );
  });

  it('refuses a break above the roof’s top', () => {
    const high = broken('12/12', [3900, '6/12']);
    expect(refusedAs(wide([high, gable, broken('12/12', [500, '3/12']), gable]))[0]).toMatch(
      /^blocks\.0\.sides\.0\.breaks\.0\.at: .*higher than the roof/,
    );
  });
});

describe('a gablet', () => {
  const withGablet = (at: number, end = eave('9/12', 300)): Job => {
    if (end.roof !== 'eave') throw new Error('an eave is wanted');
    return wide([eave('9/12', 300), gable, eave('9/12', 300), { ...end, gablet: { at } }]);
  };

  it('ends the hips at its face, runs the ridge out to it and carries the end by a header', () => {
    const solution = solvedJob(withGablet(2000));
    const hips = entryOf(solution, 'hip');
    expect([hips.count, hips.length.theory.toFixed(6)]).toEqual([
      2,
      hipLength(2000, 0.75).toFixed(6),
    ]);
    expect(entryOf(solution, 'ridge').length.theory).toBeCloseTo(10000, 6);
    const header = entryOf(solution, 'header');
    // From hip to hip, square to the walls beside it; its ends lie on the hips' sides at 45°.
    expect(header.length.theory).toBeCloseTo(8000 - 2 * 2000, 6);
    for (const { faceTilt } of header.cuts) expect(faceTilt).toBeCloseTo(45, 6);
    const [pair] = solution.members
      .filter(({ kind, side }) => kind === 'common' && side !== 3)
      .map(({ frame }) => frame.origin[0])
      .sort((p, q) => p - q);
    expect(pair).toBeCloseTo(2000 + 19, 6);
  });

  it('at an end of another pitch, and out of square, stands square to its walls', () => {
    solvedJob(withGablet(1500, eave('14/12', 300)));
    const skew = jobOf([
      {
        id: 'main',
        outline: [
          [0, 0],
          [12000, 0],
          [12000, 8000],
          [900, 8000],
        ],
        sides: [
          eave('9/12', 300),
          gable,
          eave('9/12', 300),
          { roof: 'eave', pitch: '9/12', overhang: 300, gablet: { at: 2000 } },
        ],
      },
    ]);
    const solution = solvedJob(skew);
    const header = solution.members.find(({ kind }) => kind === 'header')!;
    expect(v2.dot(v3.inPlan(header.frame.a), [1, 0])).toBeCloseTo(0, 9);
    // Level along the eave it is not, for the end runs out of square: it rises with the roof.
    expect(Math.abs(header.axis.slopeRad)).toBeGreaterThan(radians(1));
  });

  it.each([
    ['past the hip’s top', withGablet(4500), /^blocks\.0\.sides\.3\.gablet\.at: .*no gable stands/],
    [
      'on the long side',
      wide([
        { roof: 'eave', pitch: '9/12', overhang: 300, gablet: { at: 3600 } },
        eave('9/12', 300),
        eave('9/12', 300),
        eave('9/12', 300),
      ]),
      /^blocks\.0\.sides\.0\.gablet\.at: no ridge runs out/,
    ],
    [
      'beside a gable',
      wide([
        gable,
        { roof: 'eave', pitch: '9/12', overhang: 300, gablet: { at: 1000 } },
        eave('9/12'),
        gable,
      ]),
      /^blocks\.0\.sides\.1\.gablet\.at: .*between two hips/,
    ],
  ])('refuses one %s', (_name, job, pattern) => {
    expect(refusedAs(job)[0]).toMatch(pattern);
  });
});

describe('a wing higher than its house', () => {
  const high = (reach: number, beside = '9/12'): Solution =>
    solvedJob(
      jobOf([
        rectangle('main', [0, 0, 12000, 6000], [eave('9/12'), gable, eave('9/12'), gable]),
        rectangle(
          'wing',
          [2000, -3000, 8000, 3000 + reach],
          [gable, eave(beside), open, eave(beside)],
        ),
      ]),
    );

  it('runs on over the ridge and comes down in the far slope, however far in it was drawn', () => {
    for (const reach of [600, 3000, 4500]) {
      const solution = high(reach);
      const hips = entriesOf(solution, 'hip');
      // From the house's ridge, 3000 in, to the wing's, 4000 in.
      expect(hips.map(({ count, length }) => [count, length.theory.toFixed(6)])).toEqual([
        [2, hipLength(1000, 0.75).toFixed(6)],
      ]);
      const far = solution.roof.slopes.filter(({ uphill }) => uphill[1] < -0.5);
      expect(far).toHaveLength(1);
      const note = solution.cuts.notes.find(({ text }) => text.includes('runs on over'));
      expect(note!.text).toContain('"wing"');
    }
  });

  it('also where it is steeper than the house', () => {
    const solution = high(3000, '12/12');
    expect(entriesOf(solution, 'hip').length).toBeGreaterThan(0);
  });
});
