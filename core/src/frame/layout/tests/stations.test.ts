import { problemLine } from '../../../problem';
import { solve } from '../../../solve';
import { solved, type Building } from '../../../tests/building';
import { ell, halfHip, leanTo, oneBlock } from '../../../tests/houses';
import type { Job } from '../../../job';
import { planLine, type Member } from '../..';

const rafters = (members: readonly Member[], side: number, block = 'main'): Member[] =>
  members.filter(
    (member) => member.block === block && member.side === side && member.kind !== 'fascia',
  );

/** Where the rafters of wall 1 stand along it, to a tenth of a millimetre. */
const along = (members: readonly Member[], side = 0, block = 'main'): number[] =>
  rafters(members, side, block)
    .map((member) => Math.round(planLine(member)[0][0] * 10) / 10)
    .sort((a, b) => a - b);

const stations = (building: Building): number[] => along(solved(building).members);

const membersOf = (job: Job): readonly Member[] => {
  const solution = solve(job);
  if (!solution.ok) throw new Error(problemLine(solution.problems[0]!));
  return solution.value.members;
};

describe('where rafters stand', () => {
  const gables: Building = {
    along: 2000,
    across: 2400,
    pitch: '9/12',
    ends: ['gable', 'gable'],
    framing: { spacing: 600 },
  };

  it('gables: flush at both walls, the rest on multiples of the spacing from the first face', () => {
    expect(stations(gables)).toEqual([19, 600, 1200, 1800, 1981]);
  });

  it('a station nearer the last rafter than a thickness is left out, and said', () => {
    const tight = solved({ ...gables, along: 1830 });
    expect(along(tight.members)).toEqual([19, 600, 1200, 1505.5, 1811]);
    expect(tight.cuts.notes.some(({ text }) => text.includes('same place'))).toBe(true);
  });

  it('hips, from the ridge: on both points, stepping from the first; jacks from the points out', () => {
    const hips = { along: 4200, across: 2400, pitch: '9/12', framing: { spacing: 500 } };
    expect(stations(hips)).toEqual([200, 700, 1200, 1700, 2200, 2700, 3000, 3500, 4000]);
  });

  it('hips, from the corner: every jack from its own corner, and both points', () => {
    const hips: Building = {
      along: 4200,
      across: 2400,
      pitch: '9/12',
      framing: { spacing: 500, layout: 'corner' },
    };
    expect(stations(hips)).toEqual([500, 1000, 1200, 1500, 2000, 2500, 3000, 3200, 3700]);
  });

  it('a lean-to: flush at both ends, on multiples between', () => {
    expect(along(membersOf(leanTo()), 0, 'porch')).toEqual([
      3019, 3400, 3800, 4200, 4600, 5000, 5400, 5800, 5981,
    ]);
  });

  it('an L: no rafter stands twice along the wall that two blocks share', () => {
    const east = membersOf(ell()).filter(
      ({ kind, frame }) =>
        kind !== 'fascia' && Math.abs(frame.a[0] + Math.cos(Math.atan(0.75))) < 1e-9,
    );
    const ys = east.map((member) => planLine(member)[0][1]).sort((a, b) => a - b);
    for (const [i, y] of ys.slice(1).entries()) expect(y - ys[i]!).toBeGreaterThanOrEqual(38);
    expect(Math.min(...ys)).toBeCloseTo(-3000 + 19, 6);
  });

  it('a half-hip: the last rafter under the small hip is flush inside its wall', () => {
    expect(Math.max(...along(membersOf(halfHip())))).toBe(9981);
  });

  it('an oblique gable: whole rafters clear the wall, shorter ones end at it', () => {
    const job = oneBlock(
      [
        [0, 0],
        [9000, 0],
        [8000, 6000],
        [0, 6000],
      ],
      ['9/12', '9/12', '9/12', '9/12'],
    );
    const members = membersOf({
      ...job,
      blocks: job.blocks.map((block) => ({
        ...block,
        sides: block.sides.map((side, i) =>
          i === 1 ? { roof: 'gable' as const, overhang: 0 } : side,
        ),
      })),
    });
    const ridge = members.find(({ kind }) => kind === 'ridge')!;
    expect(planLine(ridge)[1][0]).toBeCloseTo(8500, 6);
    const atWall = rafters(members, 0).filter(({ ends }) =>
      ends.some(({ at, meets }) => at === 'top' && meets === null),
    );
    expect(atWall.length).toBeGreaterThan(0);
    for (const member of atWall) expect(planLine(member)[0][0]).toBeGreaterThan(8500);
  });
});
