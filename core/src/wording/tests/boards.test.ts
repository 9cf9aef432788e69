import fc from 'fast-check';
import { atLeast, boardNeeded, groupedNotes, roundedUp } from '..';

const imperial = { units: 'imperial', fraction: 16, pitch: 'in12', terms: 'us' } as const;
const metric = { ...imperial, units: 'metric' } as const;

describe('the board that a piece needs', () => {
  it('is named in whole lengths, and is never too short for the blank', () => {
    // Its long point is 9' 5 1/16", its blank longer: a 10-footer would not do.
    expect(boardNeeded(3060, imperial)).toBe('11 ft board');
    expect(boardNeeded(3048, imperial)).toBe('10 ft board');
    expect(boardNeeded(3060, metric)).toBe('3.1 m board');
    fc.assert(
      fc.property(fc.double({ min: 200, max: 12_000, noNaN: true }), (blank) => {
        const feet = Number(boardNeeded(blank, imperial).split(' ')[0]);
        expect(feet * 304.8).toBeGreaterThan(blank - 0.001);
        expect(feet * 304.8).toBeLessThan(blank + 304.9);
        for (const display of [imperial, metric]) {
          expect(roundedUp(blank, display)).toBeGreaterThan(blank - 0.001);
          expect(roundedUp(blank, display)).toBeLessThan(blank + 1.6);
        }
        const metres = Number(boardNeeded(blank, metric).split(' ')[0]);
        expect(metres * 1000).toBeGreaterThan(blank - 0.001);
        expect(metres * 1000).toBeLessThan(blank + 100.1);
      }),
    );
  });

  it('and a length to take at least is told no shorter than it is', () => {
    expect(atLeast(3060.01, metric)).toBe('3061 mm');
    expect(atLeast(25.4 * 10 + 0.1, imperial)).toBe('10 1/16"');
  });
});

it('notes that say the same of several pieces are one, with their marks', () => {
  const note = (code: string, text: string, member?: string) => ({
    code,
    level: 'caution' as const,
    text,
    ...(member === undefined ? {} : { member }),
  });
  expect(
    groupedNotes([
      note('past-saw', 'tilted 54.7°', 'HJ1'),
      note('deep-notch', 'takes 40 %', 'C1'),
      note('past-saw', 'tilted 52.1°', 'HJ2'),
      note('no-ties', 'no ties'),
      note('deep-notch', 'takes 40 %', 'C2'),
      note('deep-notch', 'takes 45 %', 'C3'),
    ]),
  ).toEqual([
    { code: 'past-saw', level: 'caution', text: 'tilted 54.7°', marks: ['HJ1', 'HJ2'] },
    { code: 'deep-notch', level: 'caution', text: 'takes 40 %', marks: ['C1', 'C2'] },
    { code: 'no-ties', level: 'caution', text: 'no ties', marks: [] },
    { code: 'deep-notch', level: 'caution', text: 'takes 45 %', marks: ['C3'] },
  ]);
});
