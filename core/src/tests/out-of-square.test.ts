import fc from 'fast-check';
import { fit } from '../solve';
import { isRafter } from '../kinds';
import { runs, seeded } from './effort';
import { anyHouseOut, houseOut, type Corners, type HouseOut } from './any-house-out';
import { solvedInput } from './building';
import { unseenSpoilings } from './spoil-houses';

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
      { seed: seeded(2026), numRuns: runs(80) },
    );
  }, 120_000);

  it('has its barges and lookouts, and says of each gable that it is not square', () => {
    const whole = solved({});
    expect([count(whole, 'barge'), saidOf(whole, 'gable-off-square')]).toEqual([4, []]);
    for (const lookouts of ['butted', 'laid-in'] as const)
      for (const mm of [1, 30, 150]) {
        // The far eave no longer runs beside the near one: square to one slope, the gables are off the other.
        const out = solved({
          lookouts,
          corners: [
            [0, 0],
            [0, 0],
            [0, mm],
          ],
        });
        expect(count(out, 'barge')).toBe(4);
        expect(count(out, 'lookout')).toBeGreaterThan(40);
        expect(saidOf(out, 'gable-off-square').map(({ level }) => level)).toEqual(['note', 'note']);
      }
    // Less than is ever measured is square.
    for (const mm of [0.005, 0.05, 0.15]) {
      const least = solved({
        corners: [
          [0, 0],
          [0, 0],
          [0, mm],
        ],
      });
      expect([count(least, 'barge'), saidOf(least, 'gable-off-square')]).toEqual([4, []]);
    }
    // Where none was asked for, there is nothing to say.
    expect(saidOf(solved({ corners: [[30, 0]], lookouts: null }), 'gable-off-square')).toEqual([]);
  });

  it('has each barge along the edge of the roof, and each lookout out to it', () => {
    const [across, outMm] = [6000, 60];
    const rise = 9 / 12;
    const out = solved({
      corners: [
        [0, 0],
        [0, 0],
        [outMm, 0],
      ],
    });
    const slant = Math.atan(outMm / across);
    const [near] = out.members.filter(({ id }) => id.startsWith('main.barge.1.'));
    // Along the slanting edge the same rise has a longer run.
    expect(near!.axis.slopeRad).toBeCloseTo(Math.atan(rise * Math.cos(slant)), 9);
    const own = out.members.filter(
      ({ id, side }) => id.startsWith('main.lookout.1.') && side === 0,
    );
    // From the plate up the rafter runs along the slope's fall, and the edge leaves it.
    const above = own.filter(({ frame: { origin } }) => origin[1] > 0);
    const steps = above.slice(1).map(({ axis }, i) => axis.runMm - above[i]!.axis.runMm);
    const apart = above[1]!.frame.origin[1] - above[0]!.frame.origin[1];
    expect(steps.length).toBeGreaterThan(6);
    for (const step of steps) expect(step).toBeCloseTo(apart * Math.tan(slant), 6);
    expect(apart).toBeLessThan(400);
  });

  it.each(['butted', 'laid-in'] as const)(
    'is told from one whose barge or %s lookout is wrong in any way',
    (lookouts) => {
      const out = solved({
        lookouts,
        corners: [
          [0, 0],
          [0, 0],
          [60, 0],
        ],
      });
      const at = (kind: string) => out.members.filter(({ id }) => id.startsWith(`main.${kind}.1.`));
      const rungs = at('lookout');
      const boards = [...at('barge'), rungs[0]!, rungs[5]!, rungs.at(-1)!];
      expect(unseenSpoilings(out, boards)).toEqual([]);
    },
    60_000,
  );

  it('has no barge over a gable that is oblique or has no room for a ladder, and a caution', () => {
    const bare = (input: ReturnType<typeof houseOut>) => {
      const out = solvedInput(input);
      expect(count(out, 'barge')).toBe(0);
      expect(saidOf(out, 'gable-off-square').map(({ level }) => level)).toContain('caution');
    };
    bare(houseOut({ ...square, ends: ['eave', 'gable'], corners: [[700, 0]] }));
    const { blocks, ...narrow } = houseOut({
      ...square,
      corners: [
        [0, 0],
        [0, 0],
        [30, 0],
        [40, 0],
      ],
    });
    const sides = blocks[0]!.sides.map((side) =>
      side.roof === 'gable' ? { ...side, overhang: 38 } : side,
    );
    bare({ ...narrow, blocks: [{ ...blocks[0]!, sides }] });
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

  it('parts no bay that is a hair wider than the spacing', () => {
    // By the hip two layouts meet 400.014 mm apart.
    const out = solved({
      ends: ['eave', 'gable'],
      lookouts: null,
      corners: [
        [-8.04, 3.36],
        [0.42, 3.3],
        [-1.86, -0.66],
        [1.08, -1.68],
      ],
    });
    const stood = out.members
      .filter(({ id }) => id.startsWith('main.common.2.'))
      .map(({ frame: { origin } }) => origin[0])
      .sort((p, q) => p - q);
    const bays = stood.slice(1).map((x, i) => x - stood[i]!);
    expect(Math.max(...bays)).toBeGreaterThan(400.01);
    expect(bays.filter((mm) => mm > 190 && mm < 210)).toEqual([]);
    expect(fit(out).problems).toEqual([]);
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
