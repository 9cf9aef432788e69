import { toWorld } from '../../../geom';
import { solidOf } from '../..';
import type { JobInput } from '../../../job';
import { fit } from '../../../solve';
import { buildingInput, entriesOf, entryOf, refusalOf, solvedInput } from '../../../tests/building';
import { unseenSpoilings } from '../../../tests/spoil-houses';
import { degrees, pitchRad } from '../../../units';

const PURLIN = { thickness: 75, depth: 150 };
const STRUT = { thickness: 50, depth: 100 };

interface Wanted {
  readonly pitch?: string;
  readonly set?: 'canted' | 'plumb';
  readonly foot?: number;
  readonly level?: number;
  readonly spacing?: number;
  readonly ends?: readonly ['eave' | 'gable', 'eave' | 'gable'];
  readonly ties?: boolean;
  readonly longest?: number;
}

const strutted = (wanted: Wanted = {}): JobInput => {
  const { pitch = '9/12', set = 'canted', foot = 2200, spacing = 1700 } = wanted;
  const { ends = ['gable', 'gable'] as const, ties = false, longest, level } = wanted;
  const input = buildingInput({
    along: 9000,
    across: 6000,
    pitch,
    ends,
    timber: {
      purlin: longest === undefined ? PURLIN : { ...PURLIN, longest },
      strut: STRUT,
      rafterTie: { thickness: 38, depth: 140 },
    },
  });
  const struts = { foot, spacing, ...(level !== undefined && { level }) };
  return {
    ...input,
    ...(ties && { rafterTies: { every: 1 } }),
    purlins: [0, 2].map((side) => ({ block: 'main', side, at: 0.5, set, struts })),
  };
};

describe.each([
  ['9/12', 'canted', 2200, 0],
  ['12/12', 'canted', 2400, -300],
  ['9/12', 'plumb', 2000, 0],
] as const)('struts at %s under %s purlins, %s mm in', (pitch, set, foot, level) => {
  const solution = solvedInput(strutted({ pitch, set, foot, level }));
  const strut = entryOf(solution, 'strut');
  const theta = pitchRad(pitch);
  const { hap } = entriesOf(solution, 'common')[0]!.seat!;
  // The middle of the purlin's underside, from the reference line half-way up the rafters' undersides.
  const under = hap + 1500 * Math.tan(theta) - 184 / Math.cos(theta);
  const [out, up] =
    set === 'canted'
      ? [1500 + PURLIN.depth * Math.sin(theta), under - PURLIN.depth * Math.cos(theta)]
      : [1500, under + (PURLIN.thickness / 2) * Math.tan(theta) - PURLIN.depth];

  it('are as long and as steep as from the middle of the underside to the wall', () => {
    expect(strut.length.theory).toBeCloseTo(Math.hypot(foot - out, up - level), 6);
    expect(strut.slope).toBeCloseTo(degrees(Math.atan2(up - level, foot - out)), 6);
  });

  it('have a level foot and a head that lies on the purlin', () => {
    const [head, base] = strut.cuts;
    expect(base!.faceAngle).toBeCloseTo(90 - strut.slope, 6);
    const lies = set === 'canted' ? degrees(theta) : 0;
    expect(head!.faceAngle).toBeCloseTo(Math.abs(90 - strut.slope - lies), 6);
  });

  it('stand no further apart than is wanted, evenly', () => {
    expect(strut.count).toBe(2 * (Math.ceil(9000 / 1700) - 1));
    expect(fit(solution).problems).toEqual([]);
  });
});

it('every way of spoiling one is seen, ties beside them or not', () => {
  const solution = solvedInput(strutted({ ties: true }));
  expect(fit(solution).problems).toEqual([]);
  const all = solution.members.filter(({ kind }) => kind === 'strut');
  expect(unseenSpoilings(solution, all.slice(0, 3))).toEqual([]);
});

it('a purlin in lengths is scarfed over its struts', () => {
  const solution = solvedInput(strutted({ longest: 4000 }));
  expect(fit(solution).problems).toEqual([]);
  const purlins = solution.members.filter(
    ({ kind, side }) => kind === 'under-purlin' && side === 0,
  );
  const struts = solution.members.filter(({ kind, side }) => kind === 'strut' && side === 0);
  expect(purlins.length).toBeGreaterThan(2);
  for (const { frame } of purlins.slice(1))
    expect(
      Math.min(...struts.map((strut) => Math.abs(strut.frame.origin[0] - frame.origin[0]))),
    ).toBeLessThan(1e-6);
});

it('stands clear of the ties: where one is in the way, flat on it', () => {
  const solution = solvedInput(strutted({ ties: true }));
  const faces = (kind: string) =>
    solution.members
      .filter((member) => member.kind === kind && member.side === 0)
      .map((member) => {
        const xs = solidOf(member).flatMap((piece) =>
          piece.flatMap(({ points }) => points.map((p) => toWorld(member.frame, p)[0])),
        );
        return [Math.min(...xs), Math.max(...xs)] as const;
      });
  for (const [from, to] of faces('strut'))
    for (const [low, high] of faces('rafter-tie'))
      expect(to <= low + 1e-6 || from >= high - 1e-6).toBe(true);
});

it('is refused by its field: no size, no height, no wall', () => {
  const { strut: _, ...timber } = strutted().timber;
  expect(refusalOf({ ...strutted(), timber })).toMatch(/^timber\.strut: missing/u);
  expect(refusalOf(strutted({ level: 900 }))).toMatch(/^purlins\.0\.struts\.foot: /u);
});

it('says what the wall must do, and when a strut leans too far', () => {
  const codes = (input: JobInput) => solvedInput(input).cuts.notes.map(({ code }) => code);
  expect(codes(strutted({ pitch: '12/12', foot: 2000 }))).toContain('strut-carries');
  expect(codes(strutted({ pitch: '12/12', foot: 1700 }))).not.toContain('strut-flat');
  expect(codes(strutted({ foot: 2700 }))).toContain('strut-flat');
});
