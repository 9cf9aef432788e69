import { degrees, pitchRad, radians } from '../../units';
import {
  buildingJob,
  countOf,
  entriesOf,
  entryOf,
  solved,
  type Building,
} from '../../tests/building';
import { solve } from '../../solve';

/** A dozen roofs, flat to steep, metric and imperial sizes. */
const ROOFS: readonly Building[] = [
  { along: 9000, across: 6000, pitch: '3/12' },
  { along: 9000, across: 6000, pitch: '4/12', framing: { spacing: 600 } },
  { along: 12000, across: 7000, pitch: '5/12', framing: { hipTop: 'back' } },
  { along: 11074.4, across: 6705.6, pitch: '6/12', framing: { spacing: 406.4 } },
  { along: 11074.4, across: 6705.6, pitch: '8/12', framing: { spacing: 609.6, tail: 'square' } },
  { along: 9144, across: 6096, pitch: '9/12', framing: { seat: { width: 76.2 } } },
  { along: 9000, across: 8000, pitch: '10/12', framing: { hipAtRidge: 'to-ridge' } },
  { along: 9000, across: 6000, pitch: '12/12', framing: { seat: { hap: 150 } } },
  { along: 8000, across: 5000, pitch: '16/12', overhang: 250 },
  { along: 8000, across: 5000, pitch: '20/12', overhang: 200 },
  { along: 8000, across: 5000, pitch: '24/12', overhang: 150, framing: { layout: 'corner' } },
  { along: 9300, across: 6200, pitch: '32.5°', turned: 0.7 },
  { along: 6000, across: 9000, pitch: '35°', framing: { hipTop: 'none' } },
];

const named = ROOFS.map((roof) => [`${roof.along} × ${roof.across}, ${roof.pitch}`, roof] as const);

/** 0.01 mm, and the same share of a degree that 0.01 mm is across a 100 mm face. */
const MM = 2;
const DEG = 2;

describe.each(named)('hip roof %s', (_name, building) => {
  const solution = solved(building);
  const job = buildingJob(building);
  const theta = pitchRad(building.pitch);
  const m = Math.tan(theta);
  const [long, short] = [
    Math.max(building.along, building.across),
    Math.min(building.along, building.across),
  ];
  const run = short / 2;
  const { common, hip } = job.timber;
  const phi = Math.atan(m / Math.SQRT2);
  const toRidge = building.framing?.hipAtRidge === 'to-ridge';
  const overhang = building.overhang ?? 450;
  const spacing = job.framing.spacing;
  const ridgeHalf = job.timber.ridge!.thickness / 2;

  it('commons: √(1 + m²) per unit of run, less half the ridge', () => {
    const unit = Math.sqrt(1 + m * m);
    const plain = entriesOf(solution, 'common').find(
      (entry) => entry.cuts.filter((c) => c.at === 'top').length === 1,
    )!;
    expect(plain.length.theory).toBeCloseTo(run * unit, MM);
    expect(plain.length.body).toBeCloseTo((run - ridgeHalf) * unit, MM);
    expect(plain.length.longPoint).toBeCloseTo(plain.length.body, 6);
    expect(plain.length.tail).toBeCloseTo(overhang * unit, MM);
    const [top] = plain.cuts;
    expect(
      [top!.faceAngle, top!.faceTilt, top!.edgeAngle, top!.edgeTilt].map((d) => d.toFixed(DEG)),
    ).toEqual([degrees(theta), 0, 0, degrees(theta)].map((d) => d.toFixed(DEG)));
    expect(top!.square!.rise / top!.square!.run).toBeCloseTo(m, 9);
    expect(top!.square!.run).toBeCloseTo(12, 9);
  });

  it('board needed: from the upper top corner to the tail’s lower corner', () => {
    const plain = entriesOf(solution, 'common').find(
      (entry) => entry.cuts.filter((c) => c.at === 'top').length === 1,
    )!;
    const whole = (run - ridgeHalf + overhang) / Math.cos(theta);
    const shear = job.framing.tail === 'plumb' ? common.depth * Math.tan(theta) : 0;
    expect(plain.length.blank).toBeCloseTo(whole + shear, MM);
  });

  it('hips: √(2 + m²) per unit of common run, at atan(m ÷ √2)', () => {
    const entry = entryOf(solution, 'hip');
    expect(entry.count).toBe(4);
    expect(entry.slope).toBeCloseTo(degrees(phi), 6);
    expect(entry.plan![0]).toBeCloseTo(45, 6);
    expect(entry.plan![1]).toBeCloseTo(45, 6);
    expect(entry.length.theory).toBeCloseTo(run * Math.sqrt(2 + m * m), MM);
    const setback = (toRidge ? ridgeHalf : common.thickness / 2) * Math.SQRT2;
    expect(entry.length.body).toBeCloseTo(entry.length.theory - setback / Math.cos(phi), MM);
    // A square tail's cheeks lie in the commons' tail planes, which the dropped edge meets a little further in.
    const lowered =
      job.framing.tail === 'square' ? (entry.drop! * m * Math.SQRT2) / (1 + m * m) : 0;
    expect(entry.length.tail * Math.cos(phi)).toBeCloseTo(overhang * Math.SQRT2 - lowered, MM);
    const half = hip!.thickness / 2 / Math.cos(phi);
    expect(entry.length.longPoint).toBeCloseTo(entry.length.body + (toRidge ? half : 0), MM);
    expect(entry.length.shortPoint).toBeCloseTo(entry.length.body - half, MM);
    expect(entry.cuts[0]!.square!.run).toBeCloseTo(12 * Math.SQRT2, 6);
    expect(entry.cuts[0]!.faceTilt).toBeCloseTo(45, 6);
    expect(entry.cuts[0]!.faceAngle).toBeCloseTo(degrees(phi), 6);
    expect(entry.cuts.filter((cut) => cut.at === 'top')).toHaveLength(toRidge ? 1 : 2);
  });

  it('hips: drop is half the thickness × m ÷ √2; backing atan(sin φ)', () => {
    const entry = entryOf(solution, 'hip');
    const drop = job.framing.hipTop === 'drop' ? ((hip!.thickness / 2) * m) / Math.SQRT2 : 0;
    expect(entry.drop).toBeCloseTo(drop, 6);
    // The bevel from square of a regular hip: tan = sin φ.
    const backing = degrees(Math.atan(Math.sin(phi)));
    expect(entry.backing![0]).toBeCloseTo(backing, 6);
    expect(entry.backing![1]).toBeCloseTo(backing, 6);
    const plumb = hip!.depth / Math.cos(phi) - solution.roof.blocks[0]!.sides[0]!.hapMm + drop;
    expect(entry.seat!.plumbDepth).toBeCloseTo(plumb, 6);
    expect(entry.seat!.width).toBeCloseTo(plumb / Math.tan(phi), 6);
  });

  it('jacks: common difference spacing ÷ cos θ, edge line atan(1 ÷ cos θ)', () => {
    const jacks = entriesOf(solution, 'hip-jack');
    expect(jacks.length).toBeGreaterThan(3);
    for (const [i, jack] of jacks.entries()) {
      const before = jacks[i - 1];
      if (before)
        expect(before.length.theory - jack.length.theory).toBeCloseTo(
          spacing / Math.cos(theta),
          MM,
        );
      const shortening = (hip!.thickness / 2) * Math.SQRT2;
      expect(jack.length.body).toBeCloseTo(jack.length.theory - shortening / Math.cos(theta), MM);
      const reach = common.thickness / 2 / Math.cos(theta);
      expect(jack.length.longPoint - jack.length.body).toBeCloseTo(reach, MM);
      expect(jack.length.body - jack.length.shortPoint).toBeCloseTo(reach, MM);
      const [cheek] = jack.cuts;
      expect(cheek!.faceTilt).toBeCloseTo(45, 6);
      expect(cheek!.faceAngle).toBeCloseTo(degrees(theta), 6);
      expect(cheek!.edgeAngle).toBeCloseTo(degrees(Math.atan(1 / Math.cos(theta))), 6);
      expect(jack.count).toBe(8);
      expect(jack.hands).toEqual({ left: 4, right: 4, plain: 0 });
    }
  });

  it('jacks: the first stands a spacing from the common, or the last from the corner', () => {
    const jacks = entriesOf(solution, 'hip-jack');
    const runs = jacks.map((jack) => jack.length.theory * Math.cos(theta));
    if (job.framing.layout === 'ridge') expect(runs[0]).toBeCloseTo(run - spacing, MM);
    else expect(runs[runs.length - 1]! % spacing).toBeCloseTo(0, MM);
  });

  it('ridge: long side less the short, half a thickness past each end', () => {
    const ridge = entryOf(solution, 'ridge');
    expect(ridge.length.theory).toBeCloseTo(long - short, MM);
    const past = toRidge ? ridgeHalf : common.thickness / 2;
    expect(ridge.length.body).toBeCloseTo(long - short + 2 * past, MM);
  });

  it('king commons stop at the ridge’s end, fascias mitre at the fascia corners', () => {
    const king = entriesOf(solution, 'king-common')[0]!;
    const past = toRidge ? ridgeHalf : common.thickness / 2;
    expect(countOf(solution, 'king-common')).toBe(2);
    expect(king.length.body).toBeCloseTo((run - past) / Math.cos(theta), MM);
    const fascias = entriesOf(solution, 'fascia');
    expect(fascias[0]!.length.theory).toBeCloseTo(long + 2 * overhang, MM);
    const t = job.timber.fascia!.thickness;
    const reach = job.framing.tail === 'plumb' ? t : t * Math.cos(theta);
    if (job.framing.tail === 'plumb') {
      expect(fascias[0]!.length.longPoint).toBeCloseTo(long + 2 * overhang + 2 * reach, MM);
      expect(fascias[0]!.length.shortPoint).toBeCloseTo(long + 2 * overhang, MM);
    }
  });
});

describe('worked by hand', () => {
  it('12/12 regular: hip slope 35.264°, backing 30°', () => {
    const hip = entryOf(
      solved({ along: 9000, across: 6000, pitch: '12/12', framing: { hipTop: 'back' } }),
      'hip',
    );
    expect(hip.slope).toBeCloseTo(35.264, 3);
    expect(hip.backing![0]).toBeCloseTo(30, 9);
    expect(hip.drop).toBe(0);
  });

  it.each([
    ['3/12', 12.37, 17.23],
    ['6/12', 13.42, 18.0],
    ['8/12', 14.42, 18.76],
    ['12/12', 16.97, 20.78],
    ['18/12', 21.63, 24.74],
  ])('unit lengths of %s as on a framing square', (pitch, common, hip) => {
    const solution = solved({ along: 36 * 304.8, across: 24 * 304.8, pitch });
    const run = 12 * 304.8;
    expect((entryOf(solution, 'common').length.theory / run) * 12).toBeCloseTo(common, 2);
    expect((entryOf(solution, 'hip').length.theory / run) * 12).toBeCloseTo(hip, 2);
  });

  it('the three seat schools reduce to one height above plate', () => {
    const base = { along: 9000, across: 6000, pitch: '9/12' };
    const theta = pitchRad('9/12');
    const seatOf = (seat: { hap: number } | { width: number } | { depthFraction: number }) =>
      entryOf(solved({ ...base, framing: { seat } }), 'common').seat!;
    expect(seatOf({ hap: 110 }).plumbDepth).toBeCloseTo(184 / Math.cos(theta) - 110, 9);
    expect(seatOf({ width: 89 }).width).toBeCloseTo(89, 9);
    expect(seatOf({ depthFraction: 1 / 3 }).depthFraction).toBeCloseTo(1 / 3, 9);
    const same = seatOf({ width: 89 });
    expect(seatOf({ hap: same.hap }).width).toBeCloseTo(89, 9);
    expect(seatOf({ depthFraction: same.depthFraction }).hap).toBeCloseTo(same.hap, 9);
  });

  it('a square tail is square to the board, and as long on its top edge', () => {
    const solution = solved({
      along: 9000,
      across: 6000,
      pitch: '9/12',
      framing: { tail: 'square' },
    });
    const common = entryOf(solution, 'common');
    const tail = common.cuts.find((cut) => cut.at === 'tail')!;
    expect([tail.faceAngle, tail.faceTilt, tail.square]).toEqual([
      expect.closeTo(0, 9),
      expect.closeTo(0, 9),
      null,
    ]);
    expect(common.length.tail).toBeCloseTo(450 * 1.25, 6);
  });
});

describe('ends', () => {
  const base = { along: 7000, across: 5000, pitch: '8/12' } as const;

  it('gables at both ends: a ridge from wall to wall, rafters in pairs, no hips', () => {
    const solution = solved({ ...base, ends: ['gable', 'gable'] });
    expect(entryOf(solution, 'ridge').length.body).toBeCloseTo(7000, 6);
    // Flush at both ends, and at 400, 800 … 6800 between.
    expect(countOf(solution, 'common')).toBe(2 * (2 + 17));
    expect(entriesOf(solution, 'hip')).toHaveLength(0);
    expect(entriesOf(solution, 'king-common')).toHaveLength(0);
    expect(entryOf(solution, 'fascia').hands.plain).toBe(2);
  });

  it.each([
    ['east', ['eave', 'gable']],
    ['west', ['gable', 'eave']],
  ] as const)('a hip at the %s end only', (_where, ends) => {
    const solution = solved({ ...base, ends: [...ends] });
    expect(entryOf(solution, 'hip').count).toBe(2);
    const ridge = entryOf(solution, 'ridge');
    expect(ridge.length.theory).toBeCloseTo(4500, 6);
    expect(ridge.length.body).toBeCloseTo(4500 + 19, 6);
    const long = entriesOf(solution, 'fascia').find((entry) => entry.count === 2)!;
    expect(long.hands).toEqual({ left: 1, right: 1, plain: 0 });
  });

  it('a square plan: no ridge, four hips and four kings meet in one point', () => {
    const solution = solved({ along: 6000, across: 6000, pitch: '8/12' });
    expect(entriesOf(solution, 'ridge')).toHaveLength(0);
    expect(entriesOf(solution, 'common')).toHaveLength(0);
    expect(entryOf(solution, 'hip').count).toBe(4);
    const kings = entriesOf(solution, 'king-common');
    const cos = Math.cos(pitchRad('8/12'));
    expect(kings.map((king) => [king.count, (king.length.body * cos).toFixed(3)])).toEqual([
      [2, '3000.000'],
      [2, '2981.000'],
    ]);
  });

  it('a ridge too short for its rafters is refused with what would do', () => {
    const solution = solve(buildingJob({ along: 6010, across: 6000, pitch: '8/12' }));
    expect(solution).toMatchObject({
      ok: false,
      problems: [{ code: 'line-too-short', path: ['blocks', 0, 'outline'] }],
    });
    expect(solve(buildingJob({ along: 6038, across: 6000, pitch: '8/12' })).ok).toBe(true);
  });

  it('hips on the ridge nip the first commons, and only those', () => {
    const solution = solved({
      along: 9000,
      across: 6000,
      pitch: '9/12',
      framing: { hipAtRidge: 'to-ridge' },
    });
    const nipped = entriesOf(solution, 'common').filter(
      (c) => c.cuts.filter((cut) => cut.at === 'top').length === 2,
    );
    expect(nipped).toHaveLength(1);
    expect(nipped[0]!.count).toBe(4);
    expect(nipped[0]!.hands).toEqual({ left: 2, right: 2, plain: 0 });
    const cos = Math.cos(radians(nipped[0]!.slope));
    // On the centre line the hip's face stands t/√2 off the meeting point.
    expect(nipped[0]!.length.body * cos).toBeCloseTo(3000 - 38 / Math.SQRT2, 6);
  });
});
