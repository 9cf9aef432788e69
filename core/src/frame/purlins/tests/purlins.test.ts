import { halfSpaceToLocal, v3 } from '../../../geom';
import type { JobInput } from '../../../job';
import { fit, type Solution } from '../../../solve';
import { stepsOf } from '../../../steps';
import { buildingInput, refusalOf, solvedInput } from '../../../tests/building';
import { pitchRad } from '../../../units';

const STOCK = { thickness: 75, depth: 150 };

interface House {
  readonly along: number;
  readonly across: number;
  readonly pitch: string;
}

const HOUSES: readonly House[] = [
  { along: 9000, across: 6000, pitch: '5/12' },
  { along: 6300, across: 4200, pitch: '9/12' },
  { along: 8000, across: 5000, pitch: '35°' },
  { along: 7000, across: 5400, pitch: '12/12' },
];

const inputOf = (
  house: House,
  set: 'canted' | 'plumb',
  at: number | { distance: number },
  hipDepth: number,
): JobInput => {
  const input = buildingInput({
    ...house,
    timber: { purlin: STOCK, hip: { thickness: 45, depth: hipDepth } },
  });
  return { ...input, purlins: [0, 1, 2, 3].map((side) => ({ block: 'main', side, at, set })) };
};

const purlinsOf = ({ cuts }: Solution) => cuts.members.filter(({ kind }) => kind === 'purlin');

const DEG = 180 / Math.PI;

describe.each(HOUSES)('purlins round a regular hip roof, $along × $across, $pitch', (house) => {
  const theta = pitchRad(house.pitch);
  const m = Math.tan(theta);

  it('halfway up: the roof’s length less half the span, and half the span', () => {
    const [long, short, ...others] = purlinsOf(solvedInput(inputOf(house, 'canted', 0.5, 235)));
    expect(others).toEqual([]);
    expect([long!.count, short!.count]).toEqual([2, 2]);
    expect(long!.length.theory).toBeCloseTo(house.along - house.across / 2, 6);
    expect(short!.length.theory).toBeCloseTo(house.across / 2, 6);
    const run = house.across / 2;
    const [, at] = purlinsOf(solvedInput(inputOf(house, 'canted', { distance: 0.37 * run }, 235)));
    expect(at!.length.theory).toBeCloseTo(house.across - 2 * 0.37 * run, 6);
  });

  it('canted: side cut atan(sin θ), edge cut atan(cos θ), from square', () => {
    for (const { cuts } of purlinsOf(solvedInput(inputOf(house, 'canted', 0.5, 235)))) {
      const sides = cuts.filter(({ name }) => name === 'side');
      const edges = cuts.filter(({ name }) => name === 'edge');
      expect([sides.length, edges.length]).toEqual([2, 2]);
      for (const { faceAngle } of sides)
        expect(faceAngle).toBeCloseTo(Math.atan(Math.sin(theta)) * DEG, 6);
      for (const { edgeAngle } of edges)
        expect(edgeAngle).toBeCloseTo(Math.atan(Math.cos(theta)) * DEG, 6);
    }
  });

  it('plumb: mitred square down its face at 45° in plan, its top bevelled to the slope', () => {
    const solution = solvedInput(inputOf(house, 'plumb', 0.5, 235));
    for (const { cuts } of purlinsOf(solution))
      for (const { faceAngle, edgeAngle } of cuts.filter(({ name }) => name === 'side'))
        expect([faceAngle, edgeAngle].map((deg) => deg.toFixed(6))).toEqual([
          '0.000000',
          '45.000000',
        ]);
    const member = solution.members.find(({ kind }) => kind === 'under-purlin')!;
    const [bevel] = member.bevels;
    expect(Math.acos(halfSpaceToLocal(member.frame, bevel!.keep).normal[2])).toBeCloseTo(theta, 9);
  });

  it('a hip as deep as the commons stays clear; a deeper one wants a lip along its belly', () => {
    const common = 184;
    const clear = purlinsOf(solvedInput(inputOf(house, 'canted', 0.5, common)));
    expect(clear.flatMap(({ cuts }) => cuts.filter(({ name }) => name === 'lip'))).toEqual([]);
    expect(clear.map(({ setBack }) => setBack)).toEqual([null, null]);
    const solution = solvedInput(inputOf(house, 'canted', 0.5, 280));
    // By hand: the belly is a plane through the hip's direction and the level across it. Its line on the deep face is
    // square to the normals of both.
    const phi = Math.atan(m / Math.SQRT2);
    const belly = v3.unit([
      -Math.sin(phi) / Math.SQRT2,
      -Math.sin(phi) / Math.SQRT2,
      Math.cos(phi),
    ]);
    const deep = v3.unit([0, Math.cos(theta), Math.sin(theta)]);
    const line = v3.unit(v3.cross(belly, deep));
    const fromLength = Math.acos(Math.abs(line[0])) * DEG;
    for (const { cuts, seat, setBack } of purlinsOf(solution)) {
      expect(seat).toBeNull();
      // Half the hip's thickness, along a purlin that it crosses at 45°.
      expect(setBack).toBeCloseTo(45 / 2 / Math.SQRT1_2, 6);
      const lips = cuts.filter(({ name }) => name === 'lip');
      expect(lips).toHaveLength(2);
      for (const { faceAngle } of lips) expect(faceAngle).toBeCloseTo(fromLength, 6);
    }
    expect(fit(solution).problems).toEqual([]);
  });
});

describe('purlins elsewhere', () => {
  const gable = (at: number | { distance: number }): JobInput => ({
    ...buildingInput({
      along: 7000,
      across: 5000,
      pitch: '8/12',
      ends: ['gable', 'gable'],
      timber: { purlin: STOCK },
    }),
    purlins: [0, 2].map((side) => ({ block: 'main', side, at })),
  });

  it('bear on both gables, from outside face to outside face, sawn square', () => {
    const solution = solvedInput(gable(0.45));
    const [purlin] = purlinsOf(solution);
    expect(purlin!.count).toBe(2);
    for (const mm of [purlin!.length.theory, purlin!.length.blank]) expect(mm).toBeCloseTo(7000, 6);
    expect(purlin!.cuts.map(({ name, faceAngle }) => [name, faceAngle])).toEqual([
      ['end cut', 0],
      ['end cut', 0],
    ]);
    expect(fit(solution).problems).toEqual([]);
  });

  it('are refused past the ridge, in it, or without a size, by the path', () => {
    expect(refusalOf(gable({ distance: 2600 }))).toContain('purlins.0.at: ');
    expect(refusalOf(gable({ distance: 2600 }))).toContain('under 2500 mm');
    expect(refusalOf(gable({ distance: 2480 }))).toContain('would stand in a');
    const { purlin: _, ...timber } = gable(0.5).timber;
    expect(refusalOf({ ...gable(0.5), timber })).toContain('timber.purlin: missing');
    expect(refusalOf(gable(1.2))).toContain('purlins.0.at: ');
  });
});

describe.each(['5/12', '9/12', '12/12'])('plumb with a square top at %s', (pitch) => {
  const input = buildingInput({
    along: 7000,
    across: 5000,
    pitch,
    ends: ['eave', 'gable'],
    timber: { purlin: { thickness: 50, depth: 150 }, hip: { thickness: 45, depth: 184 } },
  });
  const purlins = [0, 1, 2].map((side) => ({
    block: 'main',
    side,
    at: 0.4,
    set: 'plumb' as const,
    top: 'square' as const,
  }));
  const wanted = { ...input, purlins };
  const solution = solvedInput(wanted);
  const m = Math.tan(pitchRad(pitch));

  it('has its top level, its higher edge against the rafters’ undersides', () => {
    const { hap } = solution.cuts.members.find(({ kind }) => kind === 'common')!.seat!;
    const under = hap + (0.4 * 2500 + 25) * m - 184 / Math.cos(pitchRad(pitch));
    for (const { frame, topMm, bevels } of solution.members.filter(
      ({ kind }) => kind === 'under-purlin',
    )) {
      expect(bevels).toEqual([]);
      expect(frame.origin[2] + topMm).toBeCloseTo(under, 6);
    }
  });

  it('lies in birdsmouths as wide as it is thick and thickness × rise ÷ run deep', () => {
    const rafters = solution.members.filter(({ notches }) =>
      notches.some((notch) => notch.for === 'purlin'),
    );
    expect(rafters.length).toBeGreaterThan(20);
    const rafter = rafters.find(({ kind, side }) => kind === 'common' && side === 0)!;
    const { seat, corner } = rafter.notches.find((notch) => notch.for === 'purlin')!;
    const z = -seat.keep.offset;
    const [x, y] = corner;
    // Its underside over the heel, and where it comes out of the seat again.
    const plane = solution.roof.slopes.find(({ sides }) =>
      sides.some((one) => one.side === 0),
    )!.plane;
    const belly = (offset: number) =>
      (plane.offset - 184 - plane.normal[0] * x - plane.normal[1] * (y + offset)) / plane.normal[2];
    expect(z - belly(0)).toBeCloseTo(50 * m, 6);
    expect(belly(50)).toBeCloseTo(z, 6);
  });

  it('is proved, and missed where a rafter is notched too deep, too little or not at all', () => {
    expect(fit(solution).problems).toEqual([]);
    const own = solution.members.find(
      ({ kind, notches }) => kind === 'common' && notches.some((notch) => notch.for === 'purlin'),
    )!;
    for (const change of [3, -3, null]) {
      const notches = own.notches.flatMap((notch) =>
        notch.for !== 'purlin'
          ? [notch]
          : change === null
            ? []
            : [
                {
                  ...notch,
                  seat: {
                    ...notch.seat,
                    keep: { ...notch.seat.keep, offset: notch.seat.keep.offset + change },
                  },
                },
              ],
      );
      const members = solution.members.map((one) => (one === own ? { ...own, notches } : one));
      expect(fit({ ...solution, members }).problems.length).toBeGreaterThan(0);
    }
  });

  it('tells the two birdsmouths apart in the steps, the upper one first, and cautions a deep one', () => {
    const rafter = solution.members.find(
      ({ kind, notches }) => kind === 'common' && notches.length === 2,
    )!;
    const steps = stepsOf(rafter, false);
    expect(steps.flatMap((step) => (step.act === 'notch' ? [step.for] : []))).toEqual([
      'purlin',
      'plate',
    ]);
    const deep = { ...wanted.timber, purlin: { thickness: 75, depth: 200 } };
    const codes = solvedInput({ ...wanted, timber: deep }).cuts.notes.map(({ code }) => code);
    expect(codes.includes('deep-notch')).toBe((75 * Math.sin(pitchRad(pitch))) / 184 > 0.25);
  });

  it('is refused where it would notch the rafters by more than a third', () => {
    const thick = { ...wanted.timber, purlin: { thickness: 200, depth: 300 } };
    expect(refusalOf({ ...wanted, timber: thick })).toMatch(/^purlins\.0\.at: .*square top/u);
  });
});
