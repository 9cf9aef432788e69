import { spokenLength } from '..';

const IMPERIAL = { units: 'imperial', fraction: 16 } as const;
const METRIC = { units: 'metric', fraction: 16 } as const;

describe('a length read aloud', () => {
  it.each([
    [124.625, '10 feet 4 and 5 eighths inches'],
    [120.5, '10 feet and 1 half of an inch'],
    [144, '12 feet'],
    [13, '1 foot 1 inch'],
    [5.0625, '5 and 1 sixteenth inches'],
    [0.75, '3 quarters of an inch'],
    [0, '0 inches'],
    [-3, 'minus 3 inches'],
    [11.999, '1 foot'],
  ])('%s inches', (inches, said) => {
    expect(spokenLength(inches * 25.4, IMPERIAL)).toBe(said);
  });

  it('says its unit in millimetres too', () => {
    expect(spokenLength(3167.6, METRIC)).toBe('3168 millimetres');
    expect(spokenLength(1, METRIC)).toBe('1 millimetre');
    expect(spokenLength(-0.3, METRIC)).toBe('0 millimetres');
  });
});
