import { problemLine } from '../../problem';
import { spoken } from '../../sentence';
import fc from 'fast-check';
import { dryFit } from '../dry-fit';
import type { FitReport } from '..';
import type { Member } from '../../frame';
import { v3, type HalfSpace, type Vec3 } from '../../geom';
import { fit, solve, type Solution } from '../../solve';
import { anyBuilding } from '../../tests/any-building';
import { buildingInput, solved, solvedInput, type Building } from '../../tests/building';
import { tee } from '../../tests/houses';

const house: Building = { along: 9000, across: 6000, pitch: '9/12' };
const solution = solved(house);

/** The fit of a house with one of its members changed. */
const spoiled = (
  kind: Member['kind'],
  spoil: (member: Member) => Member,
  { job, roof, members }: Solution = solution,
): FitReport => {
  const at = members.findIndex((member) => member.kind === kind);
  expect(at).toBeGreaterThanOrEqual(0);
  const changed = members.map((member, i) => (i === at ? spoil(member) : member));
  return dryFit(job, roof, changed, (id) => id);
};

const winged = (framing: Parameters<typeof tee>[0] = {}): Solution => {
  const found = solve(tee(framing));
  if (!found.ok) throw new Error(problemLine(found.problems[0]!));
  return found.value;
};

const withTop = (
  member: Member,
  change: (keep: HalfSpace, member: Member) => HalfSpace,
): Member => ({
  ...member,
  ends: member.ends.map((end) =>
    end.at === 'top' ? { ...end, keep: change(end.keep, member) } : end,
  ),
});

/** Moves the upper cut along the board by so many mm. */
const longer = (mm: number) => (member: Member) =>
  withTop(member, (keep, { frame }) => ({
    ...keep,
    offset: keep.offset + mm * v3.dot(keep.normal, frame.a),
  }));

/** Turns the upper cut about the edge's direction, through its middle on the top edge. */
const turned = (deg: number) => (member: Member) =>
  withTop(member, ({ normal, offset }, { frame }) => {
    const rad = (deg * Math.PI) / 180;
    const t = (offset - v3.dot(normal, frame.origin)) / v3.dot(normal, frame.a);
    const through = v3.add(frame.origin, v3.scale(frame.a, t));
    // A turn about the board's s axis: the saw set a degree off on the wide face.
    const next: Vec3 = v3.add(
      v3.scale(normal, Math.cos(rad)),
      v3.scale(v3.cross(frame.s, normal), Math.sin(rad)),
    );
    return { normal: next, offset: v3.dot(next, through) };
  });

const kindsFound = (report: FitReport): string[] => [
  ...new Set(report.problems.map((problem) => problem.kind)),
];

describe('the dry fit', () => {
  it('of any rectangle closes: no gap, no shared wood, nothing proud', () => {
    fc.assert(
      fc.property(anyBuilding, (building) => {
        const report = fit(solved(building));
        expect(report.problems.map((problem) => spoken(problem.text))).toEqual([]);
        expect(report.joints).toBeGreaterThan(10);
      }),
      { seed: 51, numRuns: 40 },
    );
  });

  it('of a square plan closes, its four kings and four hips in one point', () => {
    const report = fit(solved({ ...house, along: 6000 }));
    expect(report.problems).toEqual([]);
    expect(report.worstOverlap).toBeLessThan(1e-3);
  });

  it('counts a joint for every sawn face that meets something, seats among them', () => {
    const report = fit(solution);
    const ends = solution.members.flatMap((member) =>
      member.ends.filter((end) => end.meets !== null),
    );
    const seats = solution.members.filter((member) => member.notches.length > 0);
    // Every cut meant to meet something does; the corner king's cut comes against more than it was made for.
    expect(report.joints).toBeGreaterThanOrEqual(ends.length + seats.length);
    expect(report.seats).toHaveLength(seats.length);
    expect(report.worstGap).toBeLessThan(1e-6);
  });

  it('says what was proved: boards carried, seats by area and least width, the widest strip', () => {
    const report = fit(solution);
    expect([report.carried, report.boards]).toEqual([85, 85]);
    expect(report.widestStrip).toBeCloseTo(400, 6);
    const common = report.seats.find(({ id }) => id === 'main.common.0.0')!;
    // A quarter of the depth, plumb, over the pitch: all of it lies on a plate 140 mm wide.
    const width = (184 * 0.25) / 0.8 / 0.75;
    expect(common.widthMm).toBeCloseTo(width, 6);
    expect(common.areaMm2).toBeCloseTo(width * 38, 3);
    expect(report.leastBearing).toBeCloseTo(width, 6);
    expect(report.shortJacks).toEqual([]);
  });

  it.each(['common', 'king-common', 'hip', 'hip-jack', 'fascia'] as const)(
    'catches a %s 1 mm short',
    (kind) => {
      const report = spoiled(kind, longer(-1));
      expect(kindsFound(report)).toContain('gap');
      expect(report.worstGap).toBeGreaterThan(0.4);
      expect(report.worstGap).toBeLessThan(1.5);
    },
  );

  it.each(['common', 'king-common', 'hip', 'hip-jack', 'fascia'] as const)(
    'catches a %s 1 mm long',
    (kind) => {
      const report = spoiled(kind, longer(1));
      expect(kindsFound(report)).toContain('overlap');
      expect(report.worstOverlap).toBeGreaterThan(1000);
    },
  );

  it.each([
    ['common', 1],
    ['common', -1],
    ['hip-jack', 1],
    ['hip-jack', -1],
    ['hip', 1],
  ] as const)('catches a %s sawn %d° off', (kind, deg) => {
    expect(spoiled(kind, turned(deg)).problems.length).toBeGreaterThan(0);
  });

  const wings: Readonly<Record<string, Solution>> = {
    supported: winged(),
    'to-ridge-end': winged({ framing: { valleys: 'to-ridge-end' } }),
  };
  it.each([
    ['valley', 'supported'],
    ['valley', 'to-ridge-end'],
    ['valley-jack', 'supported'],
    ['cripple-jack', 'supported'],
    ['header', 'to-ridge-end'],
  ] as const)('catches a %s (%s) 1 mm short or long, or sawn a degree off', (kind, school) => {
    const house = wings[school]!;
    expect(kindsFound(spoiled(kind, longer(-1), house))).toContain('gap');
    expect(spoiled(kind, longer(1), house).problems.length).toBeGreaterThan(0);
    expect(spoiled(kind, turned(1), house).problems.length).toBeGreaterThan(0);
  });

  it('catches tails that hang past the end of their fascia, in its plane as they are', () => {
    const house = wings['supported']!;
    const { id } = house.members.find(({ kind }) => kind === 'fascia')!;
    const bare = spoiled('fascia', longer(-1000), house).problems.filter(
      ({ kind, text }) => kind === 'missing' && spoken(text).includes('has no fascia'),
    );
    expect(bare).toHaveLength(1);
    expect(bare[0]!.mm).toBeCloseTo(1000, 6);
    expect(id).toContain('fascia');
  });

  it('names the members of a problem, so that they can be shown where they stand', () => {
    const [problem] = spoiled('valley', longer(-1), wings['supported']).problems;
    expect(problem!.ids[0]).toBe('wing.valley.0');
  });

  it('catches a hip set too high, as proud', () => {
    const raised = spoiled('hip', (member) => ({ ...member, topMm: member.topMm + 3 }));
    expect(kindsFound(raised)).toContain('proud');
  });

  it('catches a seat that stands off its plate', () => {
    const lifted = spoiled('common', (member) => {
      const [notch] = member.notches;
      const { seat } = notch!;
      const keep = { ...seat.keep, offset: seat.keep.offset - 1 };
      return { ...member, notches: [{ ...notch!, seat: { ...seat, keep } }] };
    });
    expect(lifted.problems).toMatchObject([{ kind: 'gap', members: ['main.common.0.0', 'plate'] }]);
    expect(lifted.worstGap).toBeCloseTo(1, 6);
  });

  it('names both members and says how much, in words', () => {
    const [problem] = spoiled('common', longer(-2)).problems;
    expect(problem).toMatchObject({ kind: 'gap', members: ['main.common.0.0', 'main.ridge.0'] });
    expect(problem!.mm).toBeCloseTo(2 * 0.8, 6);
    expect(spoken(problem!.text)).toContain('1.6 mm off');
  });
});

it('catches a fascia that has slipped along itself, at a gable and into another roof', () => {
  const eave = (pitch: string) => ({ roof: 'eave' as const, pitch, overhang: 450 });
  const input = buildingInput({ along: 5000, across: 4400, pitch: '21/12' });
  const found = solvedInput({
    ...input,
    timber: { ...input.timber, valley: { thickness: 38, depth: 286 } },
    framing: { ...input.framing, levelFascia: 'raise-plate' },
    blocks: [
      ...input.blocks,
      {
        id: 'wing',
        outline: [
          [1400, -1600],
          [2700, -1600],
          [2700, 2200],
          [1400, 2200],
        ],
        sides: [
          { roof: 'gable' as const, overhang: 150 },
          eave('24/12'),
          { roof: 'open' as const },
          eave('24/12'),
        ],
      },
    ],
  });
  expect(fit(found).problems).toEqual([]);
  const fascias = found.members.filter(({ kind }) => kind === 'fascia');
  const shift = (member: Member, mm: number): Member => {
    const by = v3.scale(member.frame.a, mm);
    return {
      ...member,
      frame: { ...member.frame, origin: v3.add(member.frame.origin, by) },
      ends: member.ends.map((end) => ({
        ...end,
        keep: { ...end.keep, offset: end.keep.offset + v3.dot(end.keep.normal, by) },
      })),
    };
  };
  for (const fascia of fascias)
    for (const mm of [5, -5]) {
      const members = found.members.map((one) => (one === fascia ? shift(one, mm) : one));
      expect([fascia.id, mm, fit({ ...found, members }).problems.length > 0]).toEqual([
        fascia.id,
        mm,
        true,
      ]);
    }
});
