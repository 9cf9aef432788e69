import fc from 'fast-check';
import { degrees, formatDegrees, formatPitch, parsePitch, pitchRad } from '..';

const deg = (text: string, bare: 'in12' | 'degrees' | null = null): number => {
  const reading = parsePitch(text, bare);
  if (!reading.ok) throw new Error(reading.text);
  return degrees(reading.rad);
};

describe('parsePitch', () => {
  it.each([
    ['9/12', null, 36.869898],
    ['9 : 12', null, 36.869898],
    ['9 in 12', null, 36.869898],
    ['1:1.5', null, 33.690068],
    ['35°', null, 35],
    ['35deg', null, 35],
    ['32,5°', null, 32.5],
    ['9', 'in12', 36.869898],
    ['35', 'degrees', 35],
    ['7 12', 'degrees', 30.256437],
    ['35%', 'in12', 19.290046],
    ['4 3/4', 'in12', 21.59531],
    ['35,', 'degrees', 35],
    ['35.', 'degrees', 35],
    ['4 3/4 in 12', 'degrees', 21.59531],
    ['4 3/4 12', 'in12', 21.59531],
  ] as const)('reads %s (bare %s)', (text, bare, expected) => {
    expect(deg(text, bare)).toBeCloseTo(expected, 6);
  });

  it.each([
    '',
    'steep',
    '9',
    '0/12',
    '12/0',
    '90°',
    '-3/12',
    '9/',
    '7 12',
    '35%',
    '4 3/4',
    `${'9'.repeat(30)}/1`,
    '0.0000001/12',
    '9/0.0000001',
  ])('does not read %j', (text) => {
    const reading = parsePitch(text);
    expect(reading.ok).toBe(false);
    if (!reading.ok) expect(reading.text).toContain('write it like 9/12');
  });

  it('reads back what it writes, to the shown place', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.06, max: 1.4, noNaN: true }), (rad) => {
        for (const style of ['in12', 'degrees', 'ratio'] as const) {
          expect(deg(formatPitch(rad, style))).toBeCloseTo(degrees(rad), 0);
        }
        expect(deg(formatPitch(rad, 'degrees'))).toBeCloseTo(degrees(rad), 2);
      }),
      { seed: 14 },
    );
  });

  it('takes the object form as written', () => {
    expect(degrees(pitchRad({ rise: 9, run: 12 }))).toBeCloseTo(36.869898, 6);
  });
});

it('never writes a negative nought of degrees', () => {
  expect(formatDegrees(-0.001)).toBe('0.0°');
  expect(formatDegrees(33.694)).toBe('33.7°');
});
