import fc from 'fast-check';
import type { CutListEntry } from '../../cuts';
import { buildingInput, solvedInput } from '../../tests/building';
import { eave, jobOf, rectangle } from '../../tests/houses';
import { solve } from '../../solve';
import {
  compoundCut,
  hipFigures,
  purlinBevels,
  saddleFigures,
  slopeOfLevels,
  stepping,
  triangle,
  wallHeights,
} from '..';

const deg = (rad: number): number => (rad * 180) / Math.PI;

it('a square triangle of 3, 4 and 5 from any two of what is known', () => {
  const whole = { rise: 3000, run: 4000, length: 5000, slope: deg(Math.atan2(3, 4)) };
  const names = ['rise', 'run', 'length', 'slope'] as const;
  for (const one of names)
    for (const other of names) {
      if (one === other) continue;
      const found = triangle({ [one]: whole[one], [other]: whole[other] });
      if (!found.ok) throw new Error(found.text);
      for (const name of names) expect(found.value[name]).toBeCloseTo(whole[name], 6);
      expect(found.value.top).toBeCloseTo(90 - whole.slope, 9);
    }
});

it('any triangle off plumb closes: walked round, it comes back to where it began', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 500, max: 9000, noNaN: true }),
      fc.double({ min: 500, max: 9000, noNaN: true }),
      fc.double({ min: -20, max: 20, noNaN: true }),
      (rise, run, off) => {
        const found = triangle({ rise, run }, off);
        if (!found.ok) throw new Error(found.text);
        const { length, slope, top } = found.value;
        // Out along the run, up the rise leaning by what it is off, back down the length.
        const lean = (off * Math.PI) / 180;
        const x = run + rise * Math.sin(lean);
        const y = rise * Math.cos(lean);
        expect(length).toBeCloseTo(Math.hypot(x, y), 6);
        expect(slope).toBeCloseTo(deg(Math.atan2(y, x)), 6);
        expect(slope + top + 90 + off).toBeCloseTo(180, 9);
        for (const known of [
          { run, slope },
          { rise, slope },
          { length, slope },
        ]) {
          const again = triangle(known, off);
          if (!again.ok) throw new Error(again.text);
          expect(again.value.rise).toBeCloseTo(rise, 5);
          expect(again.value.run).toBeCloseTo(run, 5);
        }
      },
    ),
    { seed: 5 },
  );
});

it.each([
  [{}, 0],
  [{ rise: 1 }, 0],
  [{ rise: 1, run: 1, length: 2 }, 0],
  [{ rise: -5, run: 4 }, 0],
  [{ run: 5000, length: 4000 }, 0],
  [{ run: 5000, slope: 95 }, 0],
  [{ run: 5000, slope: 30 }, 50],
])('says why %j with %d off makes none', (known, off) => {
  const found = triangle(known, off);
  expect(found.ok).toBe(false);
  if (!found.ok) expect(found.text.length).toBeGreaterThan(10);
});

const entry = (members: readonly CutListEntry[], kind: string): CutListEntry =>
  members.find((line) => line.kind === kind)!;

it('a regular hip as the solver frames it', () => {
  const { cuts } = solvedInput(
    buildingInput({ along: 9000, across: 6000, pitch: '8/12', framing: { hipTop: 'back' } }),
  );
  const hip = entry(cuts.members, 'hip');
  const own = deg(Math.atan2(8, 12));
  const found = hipFigures([own, own], 90);
  expect(found.plan).toEqual([expect.closeTo(45, 9), expect.closeTo(45, 9)]);
  expect(found.slope).toBeCloseTo(hip.slope, 9);
  expect(found.square.rise).toBeCloseTo(8, 9);
  expect(found.square.run).toBeCloseTo(12 * Math.SQRT2, 9);
  expect(found.backing[0]).toBeCloseTo(hip.backing![0], 6);
});

it('an odd hip as the solver frames it: two pitches over a corner that is not square', () => {
  const house = solve(
    jobOf(
      [
        rectangle(
          'main',
          [0, 0, 9000, 6000],
          [eave('6/12', 0), eave('11/12', 0), eave('6/12', 0), eave('11/12', 0)],
          {
            outline: [
              [0, 0],
              [9000, 0],
              [8200, 6000],
              [0, 6000],
            ],
          },
        ),
      ],
      { hipTop: 'back' },
    ),
  );
  if (!house.ok) throw new Error('it is framed');
  const corner = deg(Math.atan2(6000, 800));
  const found = hipFigures([deg(Math.atan2(6, 12)), deg(Math.atan2(11, 12))], corner);
  const hips = house.value.cuts.members.filter(({ kind }) => kind === 'hip');
  const near = hips.find(({ slope }) => Math.abs(slope - found.slope) < 1e-6);
  expect(near).toBeDefined();
  const sorted = (pair: readonly number[]) => [...pair].sort((p, q) => p - q);
  expect(sorted(near!.plan!)).toEqual(sorted(found.plan).map((d): unknown => expect.closeTo(d, 6)));
  expect(sorted(near!.backing!)).toEqual(
    sorted(found.backing).map((d): unknown => expect.closeTo(d, 6)),
  );
});

it('a jack’s cheek is the compound cut of its slope against the hip’s plan', () => {
  const { cuts } = solvedInput(buildingInput({ along: 9000, across: 6000, pitch: '9/12' }));
  const jack = entry(cuts.members, 'hip-jack');
  const cheek = jack.cuts.find(({ at }) => at === 'top')!;
  // Its run is square to the eave, the hip lies at 45° to it.
  const found = compoundCut(jack.slope, [90, 45]);
  expect(found).toEqual({
    faceAngle: expect.closeTo(cheek.faceAngle, 6) as number,
    faceTilt: expect.closeTo(cheek.faceTilt, 6) as number,
    edgeAngle: expect.closeTo(cheek.edgeAngle, 6) as number,
    edgeTilt: expect.closeTo(cheek.edgeTilt, 6) as number,
  });
});

it('a canted purlin’s mitre at a hip as the solver saws it', () => {
  const { cuts } = solvedInput({
    ...buildingInput({
      along: 9000,
      across: 6000,
      pitch: '9/12',
      timber: { purlin: { thickness: 75, depth: 175 } },
    }),
    purlins: [0, 1, 2, 3].map((side) => ({ block: 'main', side, at: 0.5, set: 'canted' as const })),
  });
  const purlin = entry(cuts.members, 'purlin');
  const { canted: found, flat } = purlinBevels(deg(Math.atan2(9, 12)), 45);
  const mitre = purlin.cuts.find(({ faceTilt }) => faceTilt > 1)!;
  expect(mitre.faceAngle).toBeCloseTo(found.faceAngle, 6);
  expect(mitre.faceTilt).toBeCloseTo(found.faceTilt, 6);
  // Sheets are sawn at a hip as a board that lies flat: 90° − 51.34° at 9 in 12.
  expect(flat.faceAngle).toBeCloseTo(deg(Math.atan2(0.8, 1)), 9);
});

it('a slope from two levels, and one that falls', () => {
  expect(slopeOfLevels(2400, 3400, 1000)).toBeCloseTo(45, 12);
  expect(slopeOfLevels(3400, 2400, 1000)).toBeCloseTo(-45, 12);
});

it('steps and the odd one come to the whole length', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 300, max: 9000, noNaN: true }),
      fc.double({ min: 5, max: 70, noNaN: true }),
      (run, slope) => {
        const { steps, step, odd, unit } = stepping(run, slope, 304.8);
        const whole = run / Math.cos((slope * Math.PI) / 180);
        expect(steps * step + odd.length).toBeCloseTo(whole, 6);
        expect(odd.run).toBeLessThan(304.8);
        expect(steps * unit[1] + odd.rise).toBeCloseTo(run * Math.tan((slope * Math.PI) / 180), 6);
      },
    ),
    { seed: 9 },
  );
  // Nothing is left over where it comes out even.
  expect(stepping(3048, 30, 304.8)).toMatchObject({
    steps: 10,
    odd: { length: expect.closeTo(0, 6) as number },
  });
});

it('studs under a slope grow by the spacing times rise over run', () => {
  const { heights, difference } = wallHeights(2400, 45, 600, 4);
  expect(difference).toBeCloseTo(600, 9);
  expect(heights.map((mm) => Math.round(mm))).toEqual([2400, 3000, 3600, 4200]);
});

it('a saddle of the slope’s own pitch runs back half its width, its valleys at 45° in plan', () => {
  const found = saddleFigures(1200, 40, 40);
  expect(found.ridge).toBeCloseTo(600, 9);
  expect(found.rise).toBeCloseTo(600 * Math.tan((40 * Math.PI) / 180), 9);
  expect(found.valley).toBeCloseTo(Math.hypot(600 * Math.SQRT2, found.rise), 9);
});
