import { readJob, type JobInput } from '../../../job';
import { pitchRad } from '../../../units';
import { pathText, problemLine } from '../../../problem';
import { fit, solve, type Solution } from '../../../solve';
import { problemsOf, refusalOf } from '../../../tests/building';

const COMMON = { thickness: 45, depth: 170 };
const COLLAR = { thickness: 38, depth: 140 };
const JOIST = { thickness: 38, depth: 195 };

interface House {
  readonly across: number;
  readonly pitches: readonly [string, string];
  readonly hap: number;
}

const input = (
  { across, pitches, hap }: House,
  ties: Pick<JobInput, 'collarTies' | 'rafterTies'>,
): JobInput => ({
  format: 'ogee-job',
  version: 1,
  name: 'ties',
  timber: {
    common: COMMON,
    ridge: { thickness: 45, depth: 245 },
    collarTie: COLLAR,
    rafterTie: JOIST,
    plateWidth: 100,
  },
  framing: { spacing: 450, seat: { hap } },
  blocks: [
    {
      id: 'main',
      outline: [
        [0, 0],
        [6300, 0],
        [6300, across],
        [0, across],
      ],
      sides: [
        { roof: 'eave', pitch: pitches[0], overhang: 350 },
        { roof: 'gable' },
        { roof: 'eave', pitch: pitches[1], overhang: 350 },
        { roof: 'gable' },
      ],
    },
  ],
  ...ties,
});

const framed = (house: House, ties: Parameters<typeof input>[1]): Solution => {
  const job = readJob(input(house, ties));
  if (!job.ok) throw new Error(job.problems.map(problemLine).join('; '));
  const solution = solve(job.value);
  if (!solution.ok) throw new Error(solution.problems.map(problemLine).join('; '));
  return solution.value;
};

const refusal = (house: House, ties: Parameters<typeof input>[1]): string =>
  refusalOf(input(house, ties));

const of = ({ cuts }: Solution, kind: string) => cuts.members.filter((one) => one.kind === kind);

const HOUSES: readonly House[] = [
  { across: 4200, pitches: ['12/12', '12/12'], hap: 180 },
  { across: 6000, pitches: ['8/12', '8/12'], hap: 160 },
  { across: 5200, pitches: ['14/12', '9/12'], hap: 150 },
  { across: 7100, pitches: ['35°', '42°'], hap: 175 },
];

describe.each(HOUSES)('ties of a house $across mm across, $pitches', (house) => {
  const slopes = house.pitches.map(pitchRad);
  const rises = slopes.map(Math.tan);
  const { across, hap } = house;
  /** What each slope takes off a level line at a height, held off it. */
  const off = (z: number, hold: number): number =>
    rises.reduce((sum, m, i) => sum + (z - hap + hold / Math.cos(slopes[i]!)) / m, 0);
  const rise = across / rises.reduce((sum, m) => sum + 1 / m, 0);

  it('a collar tie by height: the span less what the slopes take at its bottom, and at its top', () => {
    for (const [bottom, hold] of [
      [900, 0],
      [760.5, 12],
    ] as const) {
      const [tie, ...others] = of(
        framed(house, { collarTies: { bottom, hold, every: 1 } }),
        'collar-tie',
      );
      expect(others).toEqual([]);
      expect(tie!.count).toBe(15);
      expect(tie!.length.longPoint).toBeCloseTo(across - off(bottom, hold), 6);
      expect(tie!.length.shortPoint).toBeCloseTo(across - off(bottom + COLLAR.depth, hold), 6);
      expect(tie!.length.theory).toBeCloseTo(across - off(bottom, 0), 6);
      const angles = tie!.cuts.map(({ faceAngle }) => faceAngle).sort((a, b) => a - b);
      expect(angles.map((deg) => deg.toFixed(6))).toEqual(
        slopes.map((rad) => (90 - (rad * 180) / Math.PI).toFixed(6)).sort(),
      );
      expect(tie!.level!.bottom).toBeCloseTo(bottom, 6);
    }
  });

  it('in the upper third it is a third of the span long; by length it stands where it is so long', () => {
    const [third] = of(framed(house, { collarTies: { bottom: 'upper-third' } }), 'collar-tie');
    expect(third!.length.longPoint).toBeCloseTo(across / 3, 6);
    expect(third!.level!.bottom).toBeCloseTo(hap + (2 * rise) / 3, 6);
    const collarTies = { bottom: { longPoint: '1800 mm' }, hold: 9 };
    const [byLength] = of(framed(house, { collarTies }), 'collar-tie');
    expect(byLength!.length.longPoint).toBeCloseTo(1800, 6);
    expect(across - off(byLength!.level!.bottom, 9)).toBeCloseTo(1800, 6);
  });

  it('up the rafter’s top edge: the height over the heel ÷ sin of the slope', () => {
    const [tie] = of(framed(house, { collarTies: { bottom: 800 } }), 'collar-tie');
    const along = slopes.map((rad) => (800 - hap) / Math.sin(rad));
    expect(along.some((mm) => Math.abs(mm - tie!.level!.alongRafter) < 1e-6)).toBe(true);
  });

  it('a rafter tie lies between the outside faces, its corners clipped where it would stand proud', () => {
    const [tie, ...others] = of(framed(house, { rafterTies: {} }), 'rafter-tie');
    expect(others).toEqual([]);
    expect([tie!.count, tie!.length.longPoint, tie!.length.body]).toEqual([15, across, across]);
    const clip = rises.reduce((sum, m) => sum + Math.max(0, (JOIST.depth - hap) / m), 0);
    expect(tie!.length.shortPoint).toBeCloseTo(across - clip, 6);
  });

  it('every second or third pair, counted from the first; all of it proved', () => {
    for (const [every, count] of [
      [2, 8],
      [3, 5],
    ] as const) {
      const solution = framed(house, {
        collarTies: { bottom: 'upper-third', every, hold: 10 },
        rafterTies: { every },
      });
      const counts = ['collar-tie', 'rafter-tie'].map((kind) =>
        of(solution, kind).reduce((sum, entry) => sum + entry.count, 0),
      );
      expect(counts).toEqual([count, count]);
      expect(fit(solution).problems).toEqual([]);
    }
  });
});

describe('ties that cannot be', () => {
  const [house] = HOUSES;

  it('stand in the ridge or above it, or below their rafters: the height, and what would do', () => {
    const high = refusal(house!, { collarTies: { bottom: 2000 } });
    expect(high).toContain('collarTies.bottom: ');
    const [, most] = /at most (\d+) mm/.exec(high)!;
    expect(refusal(house!, { collarTies: { bottom: Number(most) } })).toBe('');
    expect(refusal(house!, { collarTies: { bottom: Number(most) + 1 } })).not.toBe('');
    const long = refusal(house!, { collarTies: { bottom: { longPoint: 8000 } } });
    expect(long).toContain('collarTies.bottom.longPoint: ');
  });

  it('have no size, or none of the ways to say where', () => {
    const { collarTie: _, ...timber } = input(house!, {}).timber;
    const without = { ...input(house!, { collarTies: { bottom: 900 } }), timber };
    expect(problemsOf(without).map(({ path }) => pathText(path))).toEqual(['timber.collarTie']);
    expect(refusal(house!, { collarTies: { bottom: 'lower' as 'upper-third' } })).toContain(
      'collarTies.bottom: ',
    );
  });
});
