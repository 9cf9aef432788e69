import { planeAt } from '../../../geom';
import type { JobInput } from '../../../job';
import { fit, type Solution } from '../../../solve';
import { buildingInput, entriesOf, refusalOf, solvedInput } from '../../../tests/building';
import { unseenSpoilings } from '../../../tests/spoil-houses';
import { degrees, pitchRad } from '../../../units';

type DormerInput = NonNullable<JobInput['dormers']>[number];

const [T, DEPTH, W, PLATE_T, HAP, SHEET] = [38, 184, 140, 38, 110, 18];
const [FROM, TO, SPACING] = [3600, 5700, 400];

const house = (pitch: string, ...dormers: Partial<DormerInput>[]): JobInput => ({
  ...buildingInput({
    along: 10_000,
    across: 9000,
    pitch,
    ends: ['gable', 'gable'],
    framing: { seat: { hap: HAP }, spacing: SPACING },
    timber: {
      common: { thickness: T, depth: DEPTH },
      ridge: { thickness: T, depth: 235 },
      plateThickness: PLATE_T,
      sheathing: SHEET,
    },
  }),
  dormers: dormers.map((own) => ({
    block: 'main',
    side: 0,
    along: [FROM, TO],
    face: 1200,
    plate: 2600,
    roof: 'gable',
    overhang: 300,
    ...own,
  })),
});

const ofKind = ({ members }: Solution, kind: string) => members.filter((one) => one.kind === kind);

/** Height of the lower sheathing's top, so far in from the wall. mm */
const deck = (pitch: string, v: number): number => {
  const theta = pitchRad(pitch);
  return HAP + SHEET / Math.cos(theta) + v * Math.tan(theta);
};

describe.each(['12/12', '45°', '10/12'])('a gable dormer on a roof of %s', (pitch) => {
  const theta = pitchRad(pitch);
  const solution = solvedInput(house(pitch, {}));

  it('has its cheek studs on centres from its front, up to its plate, their feet cut along the roof', () => {
    const studs = entriesOf(solution, 'cheek-stud');
    const wanted: number[] = [];
    for (let v = 1200 + SPACING; ; v += SPACING) {
      const high = 2600 - PLATE_T - deck(pitch, v);
      if (high - (T / 2) * Math.tan(theta) < 150) break;
      wanted.push(high);
    }
    expect(studs.map(({ length }) => length.theory)).toHaveLength(wanted.length);
    for (const [i, { length, count, cuts, hands }] of studs.entries()) {
      expect(length.theory).toBeCloseTo(wanted[i] ?? NaN, 6);
      expect(length.longPoint).toBeCloseTo((wanted[i] ?? NaN) + (T / 2) * Math.tan(theta), 6);
      expect(count).toBe(2);
      expect(hands.plain).toBe(2);
      const foot = cuts.find(({ at }) => at === 'bottom');
      // On edge across the wall: square over its face, the saw tilted by the slope.
      expect(foot?.faceTilt).toBeCloseTo(degrees(theta), 6);
      expect(foot?.faceAngle).toBeCloseTo(0, 6);
    }
  });

  it('stands over an opening as wide as between its cheeks, as far in as these have height', () => {
    const headers = ofKind(solution, 'header');
    expect(headers).toHaveLength(4);
    // Between the middles of the two trimmers.
    for (const header of headers) expect(header.axis.runMm).toBeCloseTo(TO - FROM - 2 * W + T, 6);
    const [laid] = solution.roof.laid;
    const ins = headers.map(({ frame }) => frame.origin[1]).sort((p, q) => p - q);
    // Faces on the edges: the inside of the front wall, and where the plates' undersides come on to the sheathing.
    expect((ins[1] ?? 0) + T / 2).toBeCloseTo(1200 + W, 6);
    const end = (2600 - PLATE_T - deck(pitch, 0)) / Math.tan(theta);
    expect((ins[2] ?? 0) - T / 2).toBeCloseTo(end, 6);
    for (const stud of ofKind(solution, 'cheek-stud'))
      expect(planeAt(laid!.deck, stud.frame.origin)).toBeCloseTo(0, 6);
  });

  it('is proved, and spoiled cheek studs are seen', () => {
    expect(fit(solution).problems).toEqual([]);
    expect(unseenSpoilings(solution, ofKind(solution, 'cheek-stud'))).toEqual([]);
    for (const gone of ofKind(solution, 'cheek-stud')) {
      const members = solution.members.filter((member) => member !== gone);
      const said = fit({ ...solution, members }).problems.map(({ kind }) => kind);
      expect(said.filter((kind) => kind === 'missing').length).toBeGreaterThan(1);
    }
  });
});

describe.each([
  ['12/12', 3200],
  ['40°', 3600],
] as const)('a shed dormer on a roof of %s that comes down %s in', (pitch, top) => {
  const solution = solvedInput(house(pitch, { roof: 'shed', plate: 2400, top }));
  const theta = pitchRad(pitch);
  const rise = (deck(pitch, top) - 2400 - HAP) / (top - 1200);
  const own = Math.atan(rise);
  const rafters = entriesOf(solution, 'common').filter(({ block }) => block === 'dormer 1');

  it('has the pitch that falls out of its wall’s height and its run', () => {
    for (const { length, slope, cuts } of rafters) {
      expect(slope).toBeCloseTo(degrees(own), 6);
      expect(length.theory).toBeCloseTo((top - 1200) / Math.cos(own), 5);
      const foot = cuts.find(({ at }) => at === 'top');
      expect(foot?.name).toBe('long cut');
      expect(foot?.faceAngle).toBeCloseTo(90 - degrees(theta - own), 6);
      expect(foot?.faceTilt).toBeCloseTo(0, 6);
    }
  });

  it('has studs flat under its end rafters, cut to both slopes', () => {
    const studs = entriesOf(solution, 'cheek-stud');
    expect(studs.length).toBeGreaterThan(1);
    const [first] = studs;
    const v = 1200 + SPACING;
    const belly = 2400 + HAP + SPACING * rise - DEPTH / Math.cos(own);
    expect(first?.length.theory).toBeCloseTo(belly - deck(pitch, v), 6);
    const angles = first?.cuts.map(({ faceAngle }) => faceAngle).sort((p, q) => p - q) ?? [];
    expect(angles[0]).toBeCloseTo(degrees(own), 6);
    expect(angles[1]).toBeCloseTo(degrees(theta), 6);
  });

  it('is proved, and spoiled rafters and studs are seen', () => {
    expect(fit(solution).problems).toEqual([]);
    const made = solution.members.filter(
      ({ kind, block }) => block === 'dormer 1' && (kind === 'common' || kind === 'cheek-stud'),
    );
    expect(unseenSpoilings(solution, made)).toEqual([]);
  });

  it('given that pitch comes down there', () => {
    const given = solvedInput(house(pitch, { roof: 'shed', plate: 2400, pitch: { rise, run: 1 } }));
    expect(entriesOf(given, 'common').map(({ length }) => length.theory)).toEqual(
      entriesOf(solution, 'common').map(({ length }): unknown => expect.closeTo(length.theory, 4)),
    );
  });
});

describe('a dormer in line with the wall', () => {
  const pitch = '10/12';
  const theta = pitchRad(pitch);
  const solution = solvedInput(house(pitch, { face: 0, plate: 1700 }));

  it('has false tails before it, one a rafter that is cut above, as long as the overhang', () => {
    const tails = entriesOf(solution, 'false-tail');
    expect(tails).toHaveLength(1);
    expect(tails[0]?.count).toBe(ofKind(solution, 'opening-jack').length);
    expect(tails[0]?.length.theory).toBeCloseTo(450 / Math.cos(theta), 6);
    for (const { faceAngle, faceTilt } of tails[0]?.cuts ?? []) {
      expect(faceAngle).toBeCloseTo(degrees(theta), 6);
      expect(faceTilt).toBeCloseTo(0, 6);
    }
  });

  it('is proved, and a false tail spoiled or gone is seen', () => {
    expect(fit(solution).problems).toEqual([]);
    const tails = ofKind(solution, 'false-tail');
    expect(unseenSpoilings(solution, tails)).toEqual([]);
    for (const gone of tails) {
      const members = solution.members.filter((member) => member !== gone);
      const said = fit({ ...solution, members }).problems.map(({ kind }) => kind);
      expect(said.filter((kind) => kind === 'missing').length).toBeGreaterThan(1);
    }
  });

  it('says that they hang on the wall alone', () => {
    expect(solution.cuts.notes.map(({ code }) => code)).toContain('false-tails-hang');
  });
});

it('two dormers stand side by side, a gable and a shed', () => {
  const solution = solvedInput(
    house(
      '12/12',
      { along: [1500, 3500] },
      { along: [5500, 7900], roof: 'shed', plate: 2400, pitch: '3/12' },
    ),
  );
  expect(fit(solution).problems).toEqual([]);
  expect(solution.roof.laid.map(({ block }) => block)).toEqual(['dormer 1', 'dormer 2']);
});

it.each([
  ['its plate in the lower roof', { plate: 1200 }, /^dormers\.0\.plate: .*1\d{3} mm/u],
  ['no room for rafters below it', { face: 60 }, /^dormers\.0: .*or none, where a wall stands/u],
  ['over the ridge', { plate: 4600 }, /^dormers\.0/u],
  [
    'a shed as steep as its roof',
    { roof: 'shed', pitch: '12/12' },
    /^dormers\.0\.pitch: .*shallower/u,
  ],
  ['a shed without pitch or top', { roof: 'shed' }, /^dormers\.0\.pitch: .*one of them/u],
  [
    'a shed that comes down too soon',
    { roof: 'shed', top: 1500 },
    /^dormers\.0\.top: .*over \d+ mm and under \d+ mm/u,
  ],
  ['a gable with a top', { top: 3000 }, /^dormers\.0\.top/u],
  ['no such part', { block: 'barn' }, /^dormers\.0\.block/u],
  ['on a gable', { side: 1 }, /^dormers\.0\.side/u],
  ['cheeks that leave nothing between', { along: [3600, 3900] }, /^dormers\.0\.along/u],
] as const)('refuses %s, by its field', (_what, own, text) => {
  expect(refusalOf(house('12/12', own as Partial<DormerInput>))).toMatch(text);
});

describe('rows of purlins on the roof round a dormer', () => {
  const rows = {
    block: 'main',
    stock: { thickness: 75, depth: 50 },
    spacing: 600,
    first: 60,
    last: 150,
    set: 'over',
    planes: 'rafters',
  } as const;
  const at = (solution: Solution) =>
    ofKind(solution, 'roof-purlin').filter(({ side }) => side === 0);
  const reach = ({ frame, axis }: Solution['members'][number]): [number, number] => [
    frame.origin[0],
    frame.origin[0] + axis.runMm,
  ];

  it.each(['gable', 'shed'] as const)('%s: stop at its cheeks and at its valleys', (roof) => {
    const own = roof === 'shed' ? { roof, plate: 2300, top: 3600 } : { roof };
    const input = { ...house('12/12', own), roofPurlins: [rows] };
    const solution = solvedInput(input);
    expect(solution.withheld).toEqual([]);
    expect(fit(solution).problems).toEqual([]);
    const plain = solvedInput({ ...house('12/12'), roofPurlins: [rows] });
    expect(at(solution).length).toBeGreaterThan(at(plain).length);
    // Of a row that is parted neither part comes in over the dormer's walls.
    for (const one of at(solution)) {
      const [low, high] = reach(one);
      // Before its front wall they run on; above its eaves they come in to its valleys.
      if (one.frame.origin[1] < 1200 || one.frame.origin[1] > 2200) continue;
      expect(high <= FROM + 1e-6 || low >= TO - 1e-6).toBe(true);
    }
  });

  it('one that runs on through it is found', () => {
    const solution = solvedInput({ ...house('12/12', {}), roofPurlins: [rows] });
    const whole = at(solvedInput({ ...house('12/12'), roofPurlins: [rows] }));
    const through = whole.find(({ frame: { origin } }) =>
      at(solution).some(
        (one) => Math.abs(one.frame.origin[1] - origin[1]) < 1 && one.axis.runMm < 5000,
      ),
    )!;
    const members = solution.members.map((one) =>
      one.kind === 'roof-purlin' &&
      Math.abs(one.frame.origin[1] - through.frame.origin[1]) < 1 &&
      one.frame.origin[0] < FROM
        ? { ...through, id: one.id }
        : one,
    );
    expect(fit({ ...solution, members }).problems.length).toBeGreaterThan(0);
  });
});
