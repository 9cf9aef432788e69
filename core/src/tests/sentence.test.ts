import fc from 'fast-check';
import { inDegrees, inMm, leastMm, mostMm, plainly, say, spoken } from '../sentence';
import { parseLength } from '../units';

const imperial = { units: 'imperial', fraction: 16, terms: 'uk' } as const;
const metric = { units: 'metric', fraction: 16, terms: 'uk' } as const;

/** What a reader would type who takes the sentence's length at its word. mm */
const readBack = (text: string): number => {
  const reading = parseLength(text, 'mm');
  if (!reading.ok) throw new Error(reading.text);
  return reading.mm;
};

describe('a sentence', () => {
  it('tells its measures in the units of who reads it', () => {
    const text = say`the ridge stands ${inMm(50.8, 1)} low at ${inDegrees(33.69)}, in "${'main'}"`;
    expect(spoken(text)).toBe('the ridge stands 50.8 mm low at 33.7°, in "main"');
    expect(spoken(text, metric)).toBe(spoken(text));
    expect(spoken(text, imperial)).toBe('the ridge stands 2" low at 33.7°, in "main"');
  });

  it('keeps its words as a key, whatever the values', () => {
    const of = (long: number) => say`${inMm(long)} too long`;
    expect(of(1).words).toEqual(of(2).words);
  });

  it('holds sentences, and says what is under a tick of the tape in thousandths', () => {
    expect(spoken(say`first, ${plainly('then second')}`)).toBe('first, then second');
    expect(spoken(say`${inMm(0.3, 1)} off`, imperial)).toBe('0.012 in off');
    expect(spoken(say`${inMm(0, 1)} off`, imperial)).toBe('0" off');
  });

  it('never tells a least smaller, nor a most larger, than it is', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 20_000, noNaN: true }),
        fc.constantFrom(metric, imperial),
        (length, reader) => {
          const tick = reader.units === 'metric' ? 1 : 25.4 / 16;
          const least = readBack(spoken(say`${leastMm(length)}`, reader));
          const most = readBack(spoken(say`${mostMm(length)}`, reader));
          expect(least).toBeGreaterThan(length - 1e-5);
          expect(least).toBeLessThan(length + tick + 1e-5);
          expect(most).toBeLessThan(length + 1e-5);
          expect(most).toBeGreaterThan(length - tick - 1e-5);
        },
      ),
    );
  });
});
