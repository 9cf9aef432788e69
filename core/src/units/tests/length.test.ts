import fc from 'fast-check';
import { formatLength, parseLength, splitImperial, type BareUnit } from '..';

const mm = (text: string, bare: BareUnit = 'mm'): number => {
  const reading = parseLength(text, bare);
  if (!reading.ok) throw new Error(reading.text);
  return reading.mm;
};

describe('parseLength', () => {
  it.each([
    [`24' 6 1/2"`, 'mm', 7480.3],
    ['24ft 6.5in', 'mm', 7480.3],
    [`86 5/8"`, 'mm', 2200.275],
    ['7.2 m', 'mm', 7200],
    ['7200 mm', 'mm', 7200],
    ['24 6 1/2', 'ft', 7480.3],
    ["24'6½", 'ft', 7480.3],
    ['24′ 6½″', 'ft', 7480.3],
    [`24'-6 1/2"`, 'ft', 7480.3],
    ['24-6-1/2', 'ft', 7480.3],
    ['24 6', 'in', 7467.6],
    ['7.48m', 'ft', 7480],
    ['7,48 m', 'mm', 7480],
    ['7480', 'mm', 7480],
    ['24', 'ft', 7315.2],
    ['24', 'in', 609.6],
    ['6 1/2', 'ft', 165.1],
    ['3/4', 'in', 19.05],
    ['7 m 20 cm', 'mm', 7200],
    [`-2' 6"`, 'ft', -762],
    [`0"`, 'ft', 0],
    ['0', 'mm', 0],
    ['7480.', 'mm', 7480],
    ['7,', 'm', 7000],
    [`24' 6."`, 'ft', 7467.6],
  ] as const)('reads %s (bare %s) as %d mm', (text, bare, expected) => {
    expect(mm(text, bare)).toBeCloseTo(expected, 9);
  });

  it.each([
    ['24 x', 'x'],
    ['12 furlongs', 'furlongs'],
    ['', ''],
    ['  ', ''],
    [`'6`, "'"],
    ['7,200', '7,200'],
    ['1/0"', '1/0'],
    [`6" 2'`, '2'],
    [`24' 13"`, '13'],
    ['7200 mm 12', '12'],
    ['24..5', '.'],
    ['24. 5', '.'],
    ['9'.repeat(310), '999'],
    [`${'9'.repeat(200)}' 6"`, '999'],
    ['1000001 m', '1000001'],
  ])('does not read %j, and names %j', (text, part) => {
    const reading = parseLength(text, 'ft');
    expect(reading.ok).toBe(false);
    if (reading.ok) return;
    expect(reading.notUnderstood).toContain(part);
    expect(reading.text).toContain('write it like');
  });

  it('reads back every imperial length it writes, to half a tick', () => {
    const denominators = fc.constantFrom(8, 16, 32);
    fc.assert(
      fc.property(
        fc.double({ min: -1e5, max: 1e5, noNaN: true }),
        denominators,
        (length, denominator) => {
          for (const style of ['feet-inches', 'inches'] as const) {
            const again = mm(formatLength(length, { style, denominator }), 'ft');
            expect(Math.abs(again - length)).toBeLessThanOrEqual(25.4 / denominator / 2 + 1e-9);
          }
        },
      ),
      { seed: 11 },
    );
  });

  it('reads back every decimal length it writes, to half its last place', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e5, noNaN: true }),
        fc.integer({ min: 0, max: 4 }),
        (length, places) => {
          const half = (unit: number): number => (unit * 10 ** -places) / 2 + 1e-6;
          expect(
            Math.abs(mm(formatLength(length, { style: 'mm', places })) - length),
          ).toBeLessThanOrEqual(half(1));
          expect(
            Math.abs(mm(formatLength(length, { style: 'm', places })) - length),
          ).toBeLessThanOrEqual(half(1000));
          expect(
            Math.abs(mm(formatLength(length, { style: 'decimal-feet', places })) - length),
          ).toBeLessThanOrEqual(half(304.8));
          expect(
            Math.abs(mm(formatLength(length, { style: 'decimal-inches', places })) - length),
          ).toBeLessThanOrEqual(half(25.4));
        },
      ),
      { seed: 12 },
    );
  });
});

describe('formatLength', () => {
  const feet = (length: number, denominator = 16): string =>
    formatLength(length, { style: 'feet-inches', denominator });

  it('carries a rounded-up fraction into inches and feet', () => {
    expect(feet(304.79)).toBe(`1' 0"`);
    expect(feet(25.39)).toBe(`1"`);
    expect(feet(12 * 304.8 - 0.1)).toBe(`12' 0"`);
  });

  it('writes fractions in lowest terms, and a nought for no whole inches after feet', () => {
    expect(feet(3668.713)).toBe(`12' 0 7/16"`);
    expect(feet(12.7)).toBe(`1/2"`);
    expect(feet(0)).toBe(`0"`);
    expect(feet(-0.01)).toBe(`0"`);
    expect(feet(-63.5)).toBe(`-2 1/2"`);
    expect(formatLength(38.1, { style: 'inches', denominator: 8 })).toBe(`1 1/2"`);
    expect(formatLength(-0.001, { style: 'mm', places: 1 })).toBe('0.0 mm');
  });

  it('never shows twelve inches nor a whole fraction, and states what rounding took', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1e6, noNaN: true }),
        fc.constantFrom(8, 16, 32),
        (length, denominator) => {
          const parts = splitImperial(length, denominator);
          expect(parts.inches).toBeLessThan(12);
          expect(parts.numerator).toBeLessThan(parts.denominator);
          const shown =
            (parts.feet * 12 + parts.inches + parts.numerator / parts.denominator) * 25.4;
          expect(shown - length).toBeCloseTo(parts.lossMm, 6);
          expect(Math.abs(parts.lossMm)).toBeLessThanOrEqual(25.4 / denominator / 2 + 1e-9);
        },
      ),
      { seed: 13 },
    );
  });
});
