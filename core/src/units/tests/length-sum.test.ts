import fc from 'fast-check';
import { formatLength, parseLength, parseLengthSum, type BareUnit } from '..';

const inches = (text: string, bare: BareUnit = 'in'): number => {
  const reading = parseLengthSum(text, bare);
  if (!reading.ok) throw new Error(reading.text);
  return reading.mm / 25.4;
};

describe('a sum of lengths', () => {
  it.each<[string, BareUnit, number]>([
    ['223 1/2 + 10 1/2', 'in', 234],
    ["24' / 3", 'ft', 96],
    ["24'/3", 'ft', 96],
    ['24 / 3', 'ft', 96],
    ['24\' 6" ÷ 2', 'ft', 147],
    ['3 × 16"', 'in', 48],
    ['16" x 3', 'in', 48],
    ['12\' − 2 1/4"', 'ft', 141.75],
    ['20 - 6', 'in', 14],
    ['2 × 12\' + 6 1/2" − 1/2"', 'ft', 294],
    ["+ 3'", 'ft', 36],
  ])('%s in %s is %p inches', (text, bare, wanted) => {
    expect(inches(text, bare)).toBeCloseTo(wanted, 9);
  });

  it('leaves what is no sum as it was: a hyphen after feet joins, a slash in a number is a fraction', () => {
    for (const text of ['24\'-6 1/2"', '24\' - 6 1/2"', '24-6-1/2', '5 1/2', '1/2', '-3', "24' 6½"])
      expect(parseLengthSum(text, 'ft')).toEqual(parseLength(text, 'ft'));
  });

  it.each([
    "3' +",
    "24' / 0",
    "24' / 3'",
    "3 / 24'",
    "2' × 3'",
    '+',
    "3' − −",
    'x 3',
    `3' × ${'9'.repeat(310)}`,
  ])('refuses %s with a reason', (text) => {
    const reading = parseLengthSum(text, 'ft');
    expect(reading).toMatchObject({ ok: false, text: expect.stringMatching(/write/) });
  });

  it('adds and takes away exactly what it is told', () => {
    const length = fc.integer({ min: 1, max: 4000 }).map((sixteenths) => (sixteenths * 25.4) / 16);
    const written = (mm: number): string =>
      formatLength(mm, { style: 'feet-inches', denominator: 16 });
    fc.assert(
      fc.property(length, length, fc.integer({ min: 2, max: 9 }), (p, q, n) => {
        const text = `${written(p)} + ${written(q)} − ${written(p)} / ${n}`;
        expect(inches(text, 'ft') * 25.4).toBeCloseTo(p + q - p / n, 5);
      }),
    );
  });
});
