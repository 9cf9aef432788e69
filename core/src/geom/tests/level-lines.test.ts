import fc from 'fast-check';
import { crossedAt, crossings, eachGap, intervals, spanning, type Interval, type Vec2 } from '..';

/** A convex outline: corners on an ellipse in order, moved about. */
const outline = fc
  .record({
    turns: fc.uniqueArray(fc.integer({ min: 0, max: 359 }), { minLength: 3, maxLength: 8 }),
    u: fc.integer({ min: -500, max: 500 }),
    v: fc.integer({ min: -300, max: 300 }),
    wide: fc.integer({ min: 1, max: 200 }),
    tall: fc.integer({ min: 1, max: 300 }),
  })
  .map(({ turns, u, v, wide, tall }) =>
    [...turns]
      .sort((p, q) => p - q)
      .map((degrees): Vec2 => {
        const turn = (degrees * Math.PI) / 180;
        return [u + wide * Math.cos(turn), v + tall * Math.sin(turn)];
      }),
  );
const levels = fc
  .uniqueArray(fc.integer({ min: -650, max: 650 }), { minLength: 1, maxLength: 40 })
  .map((vs) => vs.sort((p, q) => p - q).map((v) => v + 0.123));

describe('crossings', () => {
  it('reads, line by line from the lowest up, what each outline is crossed at by itself, in order', () => {
    fc.assert(
      fc.property(fc.array(outline, { maxLength: 12 }), levels, (outlines, vs) => {
        const at = crossings(outlines.map(spanning));
        for (const v of vs) {
          const { count, lows, highs } = at(v);
          const each = outlines
            .flatMap((one): Interval[] => {
              const chord = crossedAt(one, v);
              return chord === null ? [] : [chord];
            })
            .sort((p, q) => p[0] - q[0]);
          expect(count).toBe(each.length);
          for (const [i, [low, high]] of each.entries()) {
            expect(lows[i]).toBeCloseTo(low, 6);
            // Outlines with one low end may stand in either order.
            if (each.filter((other) => Math.abs(other[0] - low) < 1e-6).length === 1)
              expect(highs[i]).toBeCloseTo(high, 6);
          }
        }
      }),
      { seed: 27, numRuns: 300 },
    );
  });

  it('leaves of a stretch what is left of it when each chord is taken by itself', () => {
    fc.assert(
      fc.property(fc.array(outline, { maxLength: 12 }), levels, (outlines, vs) => {
        const at = crossings(outlines.map(spanning));
        for (const v of vs) {
          const gaps: Interval[] = [];
          eachGap([-400, 400], at(v), 1, (low, high) => gaps.push([low, high]));
          const chords = outlines.flatMap((one) => {
            const chord = crossedAt(one, v);
            return chord === null ? [] : [chord];
          });
          const left = intervals.without([[-400, 400]], chords, 1);
          expect(gaps.length).toBe(left.length);
          for (const [i, [low, high]] of left.entries()) {
            expect(gaps[i]?.[0]).toBeCloseTo(low, 6);
            expect(gaps[i]?.[1]).toBeCloseTo(high, 6);
          }
        }
      }),
      { seed: 28, numRuns: 300 },
    );
  });

  it('is crossed nowhere at a corner that an outline only touches, and where it has no width', () => {
    const at = crossings([
      spanning([
        [0, 0],
        [10, 5],
        [0, 10],
      ]),
      spanning([
        [3, 1],
        [3, 9],
      ]),
    ]);
    const gaps: Interval[] = [];
    expect(at(0).count).toBe(0);
    eachGap([-5, 5], at(5), 0, (low, high) => gaps.push([low, high]));
    expect(gaps).toEqual([[-5, 0]]);
    expect(at(10).count).toBe(0);
  });
});
