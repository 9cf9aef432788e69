import fc from 'fast-check';
import { fit } from '../solve';
import { isRafter } from '../kinds';
import { anyHouseOut, houseOut, type Corners, type HouseOut } from './any-house-out';
import { solvedInput } from './building';

const square: HouseOut = {
  ends: ['gable', 'gable'],
  pitch: '9/12',
  corners: [],
  lookouts: 'butted',
  studs: null,
  collars: false,
};
const solved = (own: Partial<HouseOut>) => solvedInput(houseOut({ ...square, ...own }));
const count = ({ members }: ReturnType<typeof solved>, kind: string, side?: number): number =>
  members.filter(({ id }) => id.startsWith(`main.${kind}${side === undefined ? '' : `.${side}.`}`))
    .length;
const saidOf = ({ cuts: { notes } }: ReturnType<typeof solved>, code: string) =>
  notes.filter((note) => note.code === code);

describe('a house out of square', () => {
  it('is framed and closes, whatever its ends and what hangs on them', () => {
    fc.assert(
      fc.property(anyHouseOut, (own) => {
        expect(fit(solvedInput(houseOut(own))).problems).toEqual([]);
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

  it('notches no stud to a rafter that slants off it by more than a fit, and says so', () => {
    const notched = (corners: Corners) => solved({ lookouts: null, studs: 'notched', corners });
    const ofRafters = ({ members }: ReturnType<typeof solved>): number =>
      members.filter(({ kind, notches }) => kind === 'gable-stud' && notches.length > 0).length;
    // Over its own 38 mm a stud is 0.1 mm off where 9 m of wall are 24 mm out.
    const [whole, little, much] = [0, 20, 30].map((mm) =>
      notched([
        [0, 0],
        [0, 0],
        [0, mm],
      ]),
    );
    expect(ofRafters(whole!)).toBeGreaterThan(20);
    expect([ofRafters(little!), saidOf(little!, 'studs-off-square')]).toEqual([
      ofRafters(whole!),
      [],
    ]);
    // The near slope's rafters still run along the gables.
    expect(ofRafters(much!)).toBeLessThan(0.6 * ofRafters(whole!));
    expect(ofRafters(much!)).toBeGreaterThan(0.4 * ofRafters(whole!));
    expect(saidOf(much!, 'studs-off-square')).toHaveLength(2);
  });
});
