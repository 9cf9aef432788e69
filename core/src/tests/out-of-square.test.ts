import fc from 'fast-check';
import { fit } from '../solve';
import { isRafter } from '../kinds';
import type { JobInput } from '../job';
import { buildingInput, solvedInput } from './building';

/** How far a corner stands off its place. mm */
const off = fc.integer({ min: -150, max: 150 });
const corner = fc.tuple(off, off);
type End = 'eave' | 'gable';
type Corners = readonly (readonly [number, number])[];

const BARGE = { thickness: 38, depth: 184 };
const SMALL = { thickness: 38, depth: 89 };

interface House {
  readonly ends: readonly [End, End];
  readonly pitch: string;
  readonly corners: Corners;
  readonly lookouts: 'butted' | 'laid-in' | null;
  readonly studs: 'flat' | 'notched' | null;
  readonly collars: boolean;
}

const inputOf = ({ ends, pitch, corners, lookouts, studs, collars }: House): JobInput => {
  const input = buildingInput({
    along: 9000,
    across: 6000,
    pitch,
    ends,
    framing: {
      ...(lookouts !== null && { lookouts }),
      ...(studs !== null && { gableStuds: studs }),
    },
    timber: {
      ...(lookouts !== null && { barge: BARGE, lookout: SMALL }),
      ...(studs !== null && { gableStud: SMALL }),
      ...(collars && { collarTie: SMALL }),
    },
  });
  const [block] = input.blocks;
  const outline = block!.outline.map(([x, y], i): [number, number] => [
    (x as number) + (corners[i]?.[0] ?? 0),
    (y as number) + (corners[i]?.[1] ?? 0),
  ]);
  const sides = block!.sides.map((side) =>
    side.roof === 'gable' ? { ...side, overhang: 300 } : side,
  );
  return { ...input, blocks: [{ ...block!, outline, sides }] };
};

const house: fc.Arbitrary<House> = fc.record({
  ends: fc.constantFrom<readonly [End, End]>(
    ['gable', 'gable'],
    ['gable', 'eave'],
    ['eave', 'gable'],
    ['eave', 'eave'],
  ),
  pitch: fc.constantFrom('4/12', '27.5°', '9/12', '12/12'),
  corners: fc.tuple(corner, corner, corner, corner),
  lookouts: fc.constantFrom('butted' as const, 'laid-in' as const, null),
  studs: fc.constantFrom('flat' as const, 'notched' as const, null),
  collars: fc.boolean(),
});

const square: House = {
  ends: ['gable', 'gable'],
  pitch: '9/12',
  corners: [],
  lookouts: 'butted',
  studs: null,
  collars: false,
};
const solved = (own: Partial<House>) => solvedInput(inputOf({ ...square, ...own }));
const count = ({ members }: ReturnType<typeof solved>, kind: string, side?: number): number =>
  members.filter(({ id }) => id.startsWith(`main.${kind}${side === undefined ? '' : `.${side}.`}`))
    .length;
const saidOf = ({ cuts: { notes } }: ReturnType<typeof solved>, code: string) =>
  notes.filter((note) => note.code === code);

describe('a house out of square', () => {
  it('is framed and closes, whatever its ends and what hangs on them', () => {
    fc.assert(
      fc.property(house, (own) => {
        expect(fit(solvedInput(inputOf(own))).problems).toEqual([]);
      }),
      { numRuns: 80 },
    );
  }, 120_000);

  it('a millimetre out at its eaves has no barge on either slope of its gables, and says so of each', () => {
    const whole = solved({});
    expect([count(whole, 'barge'), saidOf(whole, 'gable-off-square')]).toEqual([4, []]);
    // The far eave no longer runs beside the near one: square to one slope, the gables are off the other.
    const out = solved({
      corners: [
        [0, 0],
        [0, 0],
        [0, 1],
      ],
    });
    expect([count(out, 'barge'), count(out, 'lookout')]).toEqual([0, 0]);
    expect(saidOf(out, 'gable-off-square')).toHaveLength(2);
    // Less than is ever measured is square.
    expect(
      count(
        solved({
          corners: [
            [0, 0],
            [0, 0],
            [0, 0.2],
          ],
        }),
        'barge',
      ),
    ).toBe(4);
  });

  it('keeps the barges of the gable that is square where the other is not', () => {
    const out = solved({
      corners: [
        [0, 0],
        [0, 0],
        [30, 0],
      ],
    });
    expect([1, 3].map((side) => count(out, 'barge', side))).toEqual([0, 2]);
    expect(saidOf(out, 'gable-off-square')).toHaveLength(1);
    // Where none was asked for, there is nothing to say.
    expect(saidOf(solved({ corners: [[30, 0]], lookouts: null }), 'gable-off-square')).toEqual([]);
  });

  it('has no rafter in the wedge beside a gable narrower than a space: each runs from plate to ridge', () => {
    const out = solved({
      lookouts: null,
      corners: [
        [73, -99],
        [52, -6],
        [130, 216],
        [-96, 270],
      ],
    });
    const runs = out.members.filter(isRafter).map(({ axis }) => axis.runMm);
    expect(Math.min(...runs)).toBeGreaterThan(0.9 * Math.max(...runs));
  });

  it('has only studs that a rafter stands over, and says where they may be wanting', () => {
    const studs = (corners: Corners) => solved({ lookouts: null, studs: 'flat', corners });
    const [whole, little, much] = [
      studs([]),
      studs([[5, 0]]),
      studs([
        [0, 0],
        [140, 0],
      ]),
    ];
    expect(count(little, 'gable-stud')).toBe(count(whole, 'gable-stud'));
    expect(count(much, 'gable-stud')).toBeLessThan(count(whole, 'gable-stud'));
    expect(saidOf(little, 'studs-off-square')).toEqual([]);
    expect(saidOf(much, 'studs-off-square')).toHaveLength(1);
  });
});
