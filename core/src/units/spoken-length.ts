import { splitImperial } from './format-length';

const PARTS: Readonly<Record<number, readonly [one: string, several: string]>> = {
  2: ['half', 'halves'],
  4: ['quarter', 'quarters'],
  8: ['eighth', 'eighths'],
  16: ['sixteenth', 'sixteenths'],
  32: ['thirty-second', 'thirty-seconds'],
};

const counted = (n: number, one: string, several: string): string =>
  `${n} ${n === 1 ? one : several}`;

/**
 * A length as somebody reads it aloud: marks for feet and inches are said by each reader differently, or not at all.
 * Lossy as {@link splitImperial}; whole millimetres otherwise.
 */
export const spokenLength = (
  mm: number,
  display: { readonly units: 'imperial' | 'metric'; readonly fraction: number },
): string => {
  const minus = (negative: boolean): string => (negative ? 'minus ' : '');
  if (display.units === 'metric') {
    const whole = Math.round(Math.abs(mm));
    return minus(mm < 0 && whole > 0) + counted(whole, 'millimetre', 'millimetres');
  }
  const { negative, feet, inches, numerator, denominator } = splitImperial(mm, display.fraction);
  const [one, several] = PARTS[denominator] ?? ['part', 'parts'];
  const part = counted(numerator, one, several);
  const rest =
    numerator === 0
      ? counted(inches, 'inch', 'inches')
      : inches === 0
        ? `${part} of an inch`
        : `${inches} and ${part} inches`;
  if (feet === 0) return minus(negative) + rest;
  const whole = counted(feet, 'foot', 'feet');
  if (inches === 0 && numerator === 0) return minus(negative) + whole;
  return `${minus(negative)}${whole} ${inches === 0 ? 'and ' : ''}${rest}`;
};
