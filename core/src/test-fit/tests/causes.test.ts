import fc from 'fast-check';
import { memberOf } from '../../cuts';
import type { Member } from '../../frame';
import type { Cause } from '../../log';
import type { Solution } from '../../solve';
import { buildingInput, solvedInput } from '../../tests/building';
import { canBeTried, corrected, likelyCauses, type Looked, type Seen } from '..';

const SPAN = 6000;
const house = (pitch = '9/12', more: object = {}): Solution =>
  solvedInput({ ...buildingInput({ along: 9000, across: SPAN, pitch }), ...more });
const piece = (solution: Solution, kind: string): Member =>
  memberOf(
    solution,
    solution.cuts.members.find((line) => line.kind === kind),
  )!;

/** Slope of 9 in 12, the rafter's depth and the ridge's half thickness. mm */
const [SIN, COS, TAN, DEPTH, HALF] = [0.6, 0.8, 0.75, 184, 19];

interface Case {
  readonly looked: Omit<Looked, 'seen'> & { readonly seen: Seen };
  readonly by: number | null;
}

/**
 * What each fault shows on a common of 9 in 12, worked out on paper from the triangle of its slope: not by the code
 * under test.
 */
const CASES: Readonly<Partial<Record<Cause, Case>>> = {
  // 20 wider: ten more on each side, level; the height stays.
  span: {
    looked: {
      held: 'seated',
      others: 'all',
      seen: { 'top-gap': 10, 'bottom-gap': 10, 'top-step': 0, 'plate-step': 0, hap: 0 },
    },
    by: 20,
  },
  'wall-bowed': {
    looked: {
      held: 'seated',
      others: 'here',
      // Moved out by 8 with its plate, it stands lower over the line of the others by 8 × 3/4 … and so its top at the mark is as high.
      seen: { 'top-gap': 8, 'bottom-gap': 8, 'top-step': 0, 'plate-step': 8 * TAN, hap: 0 },
    },
    by: 8,
  },
  'ridge-pushed': {
    looked: {
      held: 'seated',
      others: 'opposite',
      seen: { 'top-gap': 12, 'bottom-gap': 12, 'top-step': 0, 'plate-step': 0, hap: 0 },
    },
    by: 12,
  },
  'ridge-height': {
    looked: {
      held: 'seated',
      others: 'all',
      seen: { 'top-gap': 0, 'bottom-gap': 0, 'top-step': -15, 'plate-step': 0, hap: 0 },
    },
    by: 15,
  },
  'plate-height': {
    looked: {
      held: 'seated',
      others: 'here',
      seen: { 'top-gap': 0, 'bottom-gap': 0, 'top-step': 9, 'plate-step': 9, hap: 0 },
    },
    by: 9,
  },
  // Half of 38 too long, level: and so higher by its slope.
  'ridge-thickness': {
    looked: {
      held: 'seated',
      others: null,
      seen: {
        'top-gap': -HALF,
        'bottom-gap': -HALF,
        'top-step': HALF * TAN,
        'plate-step': 0,
        hap: 0,
      },
    },
    by: null,
  },
  length: {
    looked: {
      held: 'seated',
      others: 'here',
      seen: {
        'top-gap': 10 * COS,
        'bottom-gap': 10 * COS,
        'top-step': -10 * SIN,
        'plate-step': 0,
        hap: 0,
      },
    },
    by: -10,
  },
  hap: {
    looked: {
      held: 'seated',
      others: 'here',
      seen: { 'top-gap': 0, 'bottom-gap': 0, 'top-step': 7, 'plate-step': 7, hap: 7 },
    },
    by: 7,
  },
  // Leans by depth ÷ tan instead of depth × tan, its mark at the top edge where it should be.
  complement: {
    looked: {
      held: 'seated',
      others: null,
      seen: {
        'top-gap': 0,
        'bottom-gap': (DEPTH / TAN - DEPTH * TAN) * COS,
        'top-step': 0,
        'plate-step': 0,
        hap: 0,
      },
    },
    by: null,
  },
};

const causes = Object.entries(CASES) as [Cause, Case][];

it.each(causes)('finds %s from its own symptoms', (cause, { looked, by }) => {
  const solution = house();
  const [first] = likelyCauses(solution.members, piece(solution, 'common'), looked);
  expect(first?.cause).toBe(cause);
  if (by === null) expect(first?.byMm).toBeNull();
  else expect(first?.byMm).toBeCloseTo(by, 1);
  for (const [sign, mm] of Object.entries(looked.seen))
    expect([sign, first?.shows[sign as keyof Seen]]).toEqual([sign, expect.closeTo(mm, 1)]);
});

it.each(causes)(
  'finds %s as well when each figure is read up to 1 mm off',
  (cause, { looked, by }) => {
    const solution = house();
    const common = piece(solution, 'common');
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 5, maxLength: 5 }),
        (noise) => {
          const seen = Object.fromEntries(
            Object.entries(looked.seen).map(([sign, mm], i) => [sign, mm + (noise[i] ?? 0)]),
          ) as Seen;
          const [first] = likelyCauses(solution.members, common, { ...looked, seen });
          expect(first?.cause).toBe(cause);
          if (by !== null) expect(Math.abs((first?.byMm ?? NaN) - by)).toBeLessThan(2.5);
        },
      ),
      { seed: 71, numRuns: 40 },
    );
  },
);

it('17 held for 12: every line of the piece at 9 in 17, held tight at the top', () => {
  const solution = house();
  const common = piece(solution, 'common');
  // The piece as it was struck, laid on paper: its marks on the top edge are where they should be, its lines lean by 9 in 17.
  const slope = Math.atan(9 / 17);
  const line = solution.cuts.members.find(({ kind }) => kind === 'common')!;
  const run = SPAN / 2 - HALF;
  const along = run / COS;
  const hap = line.seat!.hap;
  // Held by its plumb cut it lies at 9 in 17: its heel's mark hangs as far below the ridge's as that slope takes it.
  const heel = [run - along * Math.cos(slope), along * SIN - along * Math.sin(slope)];
  const seen: Seen = {
    'seat-front': heel[1],
    'seat-back': heel[1],
    'heel-gap': -heel[0]!,
    hap: 0,
  };
  const [first] = likelyCauses(solution.members, common, { held: 'at-top', others: null, seen });
  expect(hap).toBeGreaterThan(0);
  expect(first?.cause).toBe('square-17-for-12');
  for (const [sign, mm] of Object.entries(seen))
    expect([sign, first?.shows[sign as keyof Seen]]).toEqual([sign, expect.closeTo(mm, 1)]);
});

it('12 held for 17 is a hip’s mistake, and 17 for 12 is none of a hip', () => {
  const solution = house();
  const found = likelyCauses(solution.members, piece(solution, 'hip'), {
    held: 'seated',
    others: null,
    seen: { 'top-gap': 1 },
  }).map(({ cause }) => cause);
  expect(found).toContain('square-12-for-17');
  expect(found).not.toContain('square-17-for-12');
});

it('a wider span is seen at a hip too: √2 times as far, level along it', () => {
  const solution = house();
  const [first] = likelyCauses(solution.members, piece(solution, 'hip'), {
    held: 'seated',
    others: 'all',
    seen: { 'top-gap': 10 * Math.SQRT2, 'bottom-gap': 10 * Math.SQRT2, 'top-step': 0, hap: 0 },
  });
  expect(first?.cause).toBe('span');
  expect(first?.byMm).toBeCloseTo(20, 1);
});

it('a jack’s length says nothing of the span', () => {
  const solution = house();
  const found = likelyCauses(solution.members, piece(solution, 'hip-jack'), {
    held: 'seated',
    others: null,
    seen: { 'top-gap': 10 },
  }).map(({ cause }) => cause);
  expect(found).not.toContain('span');
  expect(found).toContain('ridge-thickness');
});

it('a purlin that stands too high lifts the piece about its plate', () => {
  const solution = house('9/12', {
    timber: {
      ...buildingInput({ along: 9000, across: SPAN, pitch: '9/12' }).timber,
      purlin: { thickness: 75, depth: 175 },
    },
    purlins: [
      { block: 'main', side: 0, at: 0.5, set: 'plumb', top: 'square' },
      { block: 'main', side: 2, at: 0.5, set: 'plumb', top: 'square' },
    ],
  });
  const common = solution.members.find(
    (one) => one.kind === 'common' && one.notches.some(({ for: what }) => what === 'purlin'),
  )!;
  const notch = (what: string) => common.notches.find((one) => one.for === what)!;
  const far = (what: string): number => notch(what).corner[1];
  // About the plate's corner by as little as lifts it 10 at the purlin.
  const u = Math.abs(far('purlin') - far('plate'));
  const turn = (10 * u) / (u * u + (u * TAN) ** 2);
  const run = SPAN / 2 - HALF;
  const seen: Seen = {
    'top-step': turn * run,
    'top-gap': turn * run * TAN,
    'bottom-gap': turn * (run * TAN - DEPTH / COS),
    'plate-step': 0,
    hap: 0,
  };
  const [first] = likelyCauses(solution.members, common, { held: 'seated', others: 'all', seen });
  expect(first?.cause).toBe('purlin-height');
  expect(Math.abs(first!.byMm! - 10)).toBeLessThan(1);
});

it('what is as it should be shows nothing, whatever way it is held, on every rafter with a seat', () => {
  const solution = house();
  const tried = solution.members.filter(canBeTried);
  expect(new Set(tried.map(({ kind }) => kind))).toEqual(
    new Set(['common', 'king-common', 'hip', 'hip-jack']),
  );
  for (const member of tried)
    for (const held of ['seated', 'at-top'] as const) {
      const [first] = likelyCauses(solution.members, member, {
        held,
        others: null,
        seen: { hap: 0, 'top-gap': 0, 'bottom-gap': 0, 'seat-front': 0, 'seat-back': 0 },
      });
      expect(Math.abs(first?.byMm ?? 0)).toBeLessThan(0.01);
      for (const mm of Object.values(first?.shows ?? {})) expect(mm).toBeCloseTo(0, 1);
    }
});

it('nothing seen tells nothing', () => {
  const solution = house();
  const looked: Looked = { held: 'seated', seen: {}, others: null };
  expect(likelyCauses(solution.members, piece(solution, 'common'), looked)).toEqual([]);
  expect(
    likelyCauses(solution.members, piece(solution, 'ridge'), { ...looked, seen: { hap: 1 } }),
  ).toEqual([]);
});

it('a cause taken into the job brings out what was measured', () => {
  const solution = house();
  const common = piece(solution, 'common');
  const of = (cause: Cause, byMm: number) =>
    corrected(solution.job, common, { cause, byMm, share: 1, shows: {} });
  const wider = solvedInput(of('span', 20) as never);
  expect(wider.job.blocks[0]!.outline.map(([, y]) => y).sort((p, q) => p - q)).toEqual([
    -20,
    -20,
    SPAN,
    SPAN,
  ]);
  const ridge = (one: Solution) =>
    one.cuts.members.find(({ kind }) => kind === 'ridge')!.heights![0]!.top;
  expect(ridge(solvedInput(of('ridge-height', 15) as never)) - ridge(solution)).toBeCloseTo(15, 0);
  const hap = solvedInput(of('hap', 7) as never).cuts.members.find(
    ({ kind }) => kind === 'common',
  )!;
  const before = solution.cuts.members.find(({ kind }) => kind === 'common')!;
  expect(hap.seat!.hap - before.seat!.hap).toBeCloseTo(7, 6);
  expect(of('complement', 0)).toBeNull();
  expect(of('ridge-thickness', 0)).toBeNull();
});
