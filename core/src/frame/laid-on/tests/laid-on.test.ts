import { planeAt, v3 } from '../../../geom';
import type { JobInput } from '../../../job';
import { fit, type Solution } from '../../../solve';
import { buildingInput, entriesOf, entryOf, refusalOf, solvedInput } from '../../../tests/building';
import { unseenSpoilings } from '../../../tests/spoil-houses';
import { degrees, pitchRad } from '../../../units';

const SLEEPER = { thickness: 38, depth: 140 };
const [SPAN, OUT, T] = [3000, 1800, 38];

interface Porch {
  readonly lower?: string;
  readonly upper?: string;
  readonly plate?: number;
  readonly sheathing?: number;
  readonly sleeper?: boolean;
  readonly timber?: Partial<JobInput['timber']>;
  readonly change?: Partial<JobInput>;
  readonly in?: number;
}

/** A house 9 × 7 m with a porch 3 m wide laid on its front slope, its gable 1.8 m out. */
const house = (porch: Porch = {}): JobInput => {
  const { lower = '8/12', upper = '8/12', plate = 0, sheathing = 18, sleeper = true } = porch;
  const input = buildingInput({
    along: 9000,
    across: 7000,
    pitch: lower,
    ends: ['gable', 'gable'],
    timber: {
      common: { thickness: T, depth: 140 },
      ridge: { thickness: T, depth: 184 },
      sheathing,
      ...(sleeper && { sleeper: SLEEPER }),
      ...porch.timber,
    },
  });
  const eave = { roof: 'eave' as const, pitch: upper, overhang: 450 };
  const far = porch.in ?? 3000;
  return {
    ...input,
    ...porch.change,
    blocks: [
      ...input.blocks,
      {
        id: 'porch',
        join: 'laid-on',
        plate,
        outline: [
          [3000, -OUT],
          [3000 + SPAN, -OUT],
          [3000 + SPAN, far],
          [3000, far],
        ],
        sides: [{ roof: 'gable', overhang: 0 }, eave, { roof: 'open' }, eave],
      },
    ],
  };
};

const ofKind = ({ members }: Solution, kind: string) =>
  members.filter((member) => member.kind === kind);

describe.each([
  ['8/12', '8/12', 0, 18],
  ['6/12', '9/12', 60, 12],
  ['35°', '35°', 300, 0],
  ['40°', '30°', 500, 22],
] as const)('a porch laid on a roof of %s, itself %s, its plate at %s, sheathing %s', (...of) => {
  const [lower, upper, plate, sheathing] = of;
  const solution = solvedInput(house({ lower, upper, plate, sheathing }));
  const [laid] = solution.roof.laid;
  const { deck } = laid!;
  const [theta, below] = [pitchRad(upper), pitchRad(lower)];
  const [m, n] = [Math.tan(theta), Math.tan(below)];
  const hap = entriesOf(solution, 'common').find(({ block }) => block === 'porch')!.seat!.hap;
  const lowerHap = entriesOf(solution, 'common').find(({ block }) => block === 'main')!.seat!.hap;
  /** Where the upper tops at a height strike the lower sheathing, in from the wall. */
  const strikes = (z: number): number => (z - lowerHap - sheathing / Math.cos(below)) / n;

  it('ends its ridge on the lower sheathing, by a long cut', () => {
    const ridge = entriesOf(solution, 'ridge').find(({ cuts }) =>
      cuts.some(({ name }) => name === 'long cut'),
    )!;
    const top = plate + hap + (SPAN / 2) * m;
    expect(ridge.length.theory).toBeCloseTo(OUT + strikes(top), 6);
    const cut = ridge.cuts.find(({ name }) => name === 'long cut')!;
    // The line makes the lower slope with the board's length.
    expect(cut.faceAngle).toBeCloseTo(90 - degrees(below), 6);
    expect(cut.faceTilt).toBeCloseTo(0, 6);
  });

  it('has its jacks’ feet cut level, the saw tilted by the lower slope, each longer than the last', () => {
    const jacks = entriesOf(solution, 'valley-jack').filter(({ block }) => block === 'porch');
    expect(jacks.length).toBeGreaterThan(1);
    for (const { cuts, length, hands, count } of jacks) {
      const foot = cuts.find(({ at }) => at === 'bottom')!;
      expect(foot.faceAngle).toBeCloseTo(90 - degrees(theta), 6);
      expect(foot.faceTilt).toBeCloseTo(degrees(below), 6);
      expect(hands).toEqual({ left: count / 2, right: count / 2, plain: 0 });
      expect(length.longPoint).toBeGreaterThan(length.body);
    }
    // From the chalk line to the ridge's middle: its difference is the spacing by the two pitches.
    const theory = jacks.map(({ length }) => length.theory).sort((p, q) => q - p);
    for (const [i, mm] of theory.slice(1).entries())
      expect(theory[i]! - mm).toBeCloseTo((400 * n) / m / Math.cos(theta), 6);
    for (const jack of ofKind(solution, 'valley-jack'))
      expect(planeAt(deck, jack.frame.origin)).toBeCloseTo(0, 6);
  });

  it('stands on sleepers set back from the chalk line by thickness ÷ tan of the two slopes’ angle', () => {
    const sleeper = entryOf(solution, 'sleeper');
    expect(sleeper.count).toBe(2);
    expect(sleeper.hands).toEqual({ left: 1, right: 1, plain: 0 });
    const between = Math.acos(Math.cos(theta) * Math.cos(below));
    expect(sleeper.setBack).toBeCloseTo(SLEEPER.thickness / Math.tan(between), 6);
    for (const { from, to } of laid!.chalk) {
      expect(sleeper.length.theory).toBeCloseTo(v3.distance(from, to), 6);
      expect(planeAt(deck, from)).toBeCloseTo(0, 6);
      expect(planeAt(deck, to)).toBeCloseTo(0, 6);
    }
    for (const { corners } of ofKind(solution, 'sleeper').map((one) => ({
      corners: one.frame.origin,
    })))
      expect(planeAt(deck, corners)).toBeCloseTo(SLEEPER.thickness / 2, 6);
  });

  it('tells where its ridge comes down, and where its own sheathing does', () => {
    const said = solution.cuts.notes
      .filter(({ code }) => code === 'chalk-line')
      .map(({ text }) => text);
    const centre = said.find((text) => text.startsWith('centre of the ridge'));
    const up = strikes(plate + hap + (SPAN / 2) * m) / Math.cos(below);
    expect(centre).toContain(`${Math.round(3000 + SPAN / 2)} mm along and ${Math.round(up)} mm up`);
    const second = said.find((text) => text.includes('a second line'));
    if (sheathing === 0) expect(second).toBeUndefined();
    else {
      const out = sheathing / Math.sin(Math.acos(Math.cos(theta) * Math.cos(below)));
      expect(second).toContain(`${Number(out.toFixed(1))} mm outside each chalk line`);
    }
  });

  it('leaves the roof below as it was', () => {
    const alone = solvedInput({
      ...house({ lower, sheathing }),
      blocks: house({ lower, sheathing }).blocks.slice(0, 1),
    });
    const main = solution.members.filter(({ block }) => block === 'main');
    expect(main.map(({ id }) => id).sort()).toEqual(alone.members.map(({ id }) => id).sort());
  });

  it('is proved, and every way of spoiling what is laid on is seen', () => {
    expect(fit(solution).problems).toEqual([]);
    const own = [...ofKind(solution, 'valley-jack').slice(0, 3), ...ofKind(solution, 'sleeper')];
    expect(unseenSpoilings(solution, own)).toEqual([]);
  });
});

it('without sleepers its feet lie on the sheathing itself', () => {
  const solution = solvedInput(house({ sleeper: false }));
  expect(ofKind(solution, 'sleeper')).toEqual([]);
  expect(fit(solution).problems).toEqual([]);
  const gone = ofKind(solution, 'valley-jack')[0]!;
  const members = solution.members.filter((member) => member !== gone);
  expect(fit({ ...solution, members }).problems.length).toBeGreaterThan(0);
});

it('on a house that stands already only the porch is framed, the same as on a new one', () => {
  const input = house();
  const [main, porch] = input.blocks;
  const standing = { ...input, blocks: [{ ...main!, existing: true }, porch!] };
  const solution = solvedInput(standing);
  const fresh = solvedInput(input).members.filter(({ block }) => block === 'porch');
  expect(solution.members).toEqual(fresh);
  expect(fit(solution).problems).toEqual([]);
  expect(solution.cuts.sheathing.slopes.every(({ block }) => block === 'porch')).toBe(true);
  // It needs no size of what it does not frame.
  expect(refusalOf({ ...input, blocks: [{ ...main!, existing: true }] })).toMatch(
    /^blocks\.0\.existing: .*nothing is left/u,
  );
  expect(refusalOf({ ...input, blocks: [main!, { ...porch!, existing: true }] })).toMatch(
    /^blocks\.1\.existing: /u,
  );
});

it('collar ties are the house’s own: a porch too small for any is framed without', () => {
  const collarTies = { bottom: 'upper-third' as const, every: 2, hold: 10 };
  const timber = { collarTie: { thickness: 38, depth: 90 } };
  const solution = solvedInput(house({ change: { collarTies }, timber }));
  expect(ofKind(solution, 'collar-tie').length).toBeGreaterThan(5);
  expect(ofKind(solution, 'collar-tie').every(({ block }) => block === 'main')).toBe(true);
  expect(fit(solution).problems).toEqual([]);
});

it('purlins over the upper roof end on the lower one by a compound cut', () => {
  const roofPurlins = [
    { block: 'porch', stock: { thickness: 75, depth: 50 }, spacing: 500, first: 60, last: 100 },
  ];
  const solution = solvedInput(house({ change: { roofPurlins } }));
  const purlins = ofKind(solution, 'roof-purlin');
  expect(purlins.length).toBeGreaterThan(2);
  for (const { ends } of purlins) {
    const cut = ends.find(({ name }) => name === 'compound cut' || name === 'long cut');
    expect(cut).toBeDefined();
  }
});

it.each([
  [
    'an end that does not reach in far enough',
    { in: 600 },
    /^blocks\.1\.sides\.2\.roof: .*further in/u,
  ],
  ['eaves far below the lower one', { plate: -400 }, /^blocks\.1\.plate: .*below that one/u],
  ['a ridge over the lower one', { upper: '24/12', plate: 900, in: 6000 }, /^blocks\.1/u],
] as const)('%s is refused', (_, change, told) => {
  expect(refusalOf(house(change))).toMatch(told);
});

it.each([
  ['8/12', '8/12', 0],
  ['30°', '40°', 500],
] as const)(
  'purlins over an upper roof of %s end on a lower one of %s by its compound cut',
  (upper, lower, plate) => {
    const roofPurlins = [
      { block: 'porch', stock: { thickness: 75, depth: 50 }, spacing: 500, first: 60, last: 100 },
    ];
    const solution = solvedInput(house({ upper, lower, plate, change: { roofPurlins } }));
    const [theta, beta] = [pitchRad(upper), pitchRad(lower)];
    const onRoof = entriesOf(solution, 'purlin').flatMap(({ cuts }) =>
      cuts.filter(({ name }) => name === 'compound cut'),
    );
    expect(onRoof.length).toBeGreaterThan(1);
    for (const { faceAngle, faceTilt } of onRoof) {
      // It runs level, straight up the lower slope; its edge stands square to the upper one.
      expect(faceAngle).toBeCloseTo(degrees(Math.atan(Math.cos(theta) / Math.tan(beta))), 6);
      expect(faceTilt).toBeCloseTo(degrees(Math.asin(Math.cos(beta) * Math.sin(theta))), 6);
    }
  },
);
