import fc from 'fast-check';
import { area2, chordOf, intervals, partedByEdge, subtractConvex, type Vec2 } from '..';

const square = (x: number, y: number, size: number) => ({
  points: [
    [x, y],
    [x + size, y],
    [x + size, y + size],
    [x, y + size],
  ] as Vec2[],
  tags: ['south', 'east', 'north', 'west'],
});

/** The bounds of a square region, as what lies inside each of its sides. */
const bounds = (x: number, y: number, size: number) => [
  { value: (p: Vec2) => y - p[1], tag: 'south' },
  { value: (p: Vec2) => p[0] - x - size, tag: 'east' },
  { value: (p: Vec2) => p[1] - y - size, tag: 'north' },
  { value: (p: Vec2) => x - p[0], tag: 'west' },
];

describe('subtractConvex', () => {
  it('leaves the rest in pieces whose areas add up, wherever the hole lies', () => {
    const at = fc.integer({ min: -80, max: 120 });
    fc.assert(
      fc.property(at, at, fc.integer({ min: 5, max: 90 }), (x, y, size) => {
        const pieces = subtractConvex(square(0, 0, 100), bounds(x, y, size), 'seam');
        const wide = Math.max(0, Math.min(100, x + size) - Math.max(0, x));
        const high = Math.max(0, Math.min(100, y + size) - Math.max(0, y));
        const left = pieces.reduce((sum, { points }) => sum + area2(points), 0);
        expect(left).toBeCloseTo(10000 - wide * high, 4);
        for (const { points } of pieces) expect(area2(points)).toBeGreaterThan(0);
      }),
      { seed: 91, numRuns: 200 },
    );
  });

  it('gives back the very polygon where the region does not reach it', () => {
    const whole = square(0, 0, 100);
    expect(subtractConvex(whole, bounds(200, 0, 50), 'seam')).toEqual([whole]);
  });
});

describe('chordOf', () => {
  it('names the edges a line comes in and goes out by', () => {
    const chord = chordOf(square(0, 0, 100), [30, -50], [0, 1])!;
    expect(chord).toEqual({ low: 50, high: 150, lowTag: 'south', highTag: 'north' });
    expect(chordOf(square(0, 0, 100), [300, -50], [0, 1])).toBeNull();
  });
});

describe('partedByEdge', () => {
  it('tells squares that touch from squares that overlap', () => {
    expect(partedByEdge(square(0, 0, 100), square(100, 20, 50), 1e-6)).toBe(true);
    expect(partedByEdge(square(0, 0, 100), square(99, 20, 50), 1e-6)).toBe(false);
  });
});

describe('intervals', () => {
  it('unite, meet and part as lengths add up', () => {
    const some = fc.array(
      fc.tuple(fc.integer({ min: 0, max: 100 }), fc.integer({ min: 1, max: 30 })),
      { maxLength: 6 },
    );
    const long = (all: readonly intervals.Interval[]): number =>
      all.reduce((sum, [low, high]) => sum + high - low, 0);
    fc.assert(
      fc.property(some, some, (p, q) => {
        const make = (all: [number, number][]) =>
          intervals.unite(
            all.map(([from, size]): intervals.Interval => [from, from + size]),
            0,
          );
        const [one, other] = [make(p), make(q)];
        const both = intervals.common(one, other, 0);
        expect(long(intervals.without(one, other, 0)) + long(both)).toBeCloseTo(long(one), 9);
        expect(long(intervals.unite([...one, ...other], 0))).toBeCloseTo(
          long(one) + long(other) - long(both),
          9,
        );
      }),
      { seed: 92, numRuns: 200 },
    );
  });
});
