import { lengthOf, parseLength, type BareUnit, type LengthReading } from './parse-length';

/** A sign between two lengths. A hyphen after feet, or without a space on both sides, joins feet and inches instead. */
const SIGN = /\s*([+−])\s*|(?<!['′’]|ft|feet)\s+(-)\s+/u;
/** A sign before a plain number: times, or parts of a length. A slash within a number is a fraction. */
const TIMES = /\s*([×*÷])\s*|\s+([x/])\s+|(?<=['"′″’”a-z])\s*(\/)\s*/u;
const PLAIN = /^(\d+(?:[.,]\d*)?|[.,]\d+)$/;

const number = (text: string): number | null =>
  PLAIN.test(text) ? Number(text.replace(',', '.')) : null;

/** Splits at a sign; the pieces and the signs between them, in turn. */
const split = (text: string, at: RegExp): string[] =>
  (text.split(at) as (string | undefined)[]).filter((part) => part !== undefined);

const fault = (text: string): LengthReading => ({
  ok: false,
  notUnderstood: text,
  text: `"${text}" cannot be worked out; write a sum like 223 1/2 + 10 1/2 or 24' / 3`,
});

/** One length, times or divided by plain numbers; the length may stand behind its number. */
const product = (text: string, bare: BareUnit): LengthReading => {
  const parts = split(text, TIMES);
  if (parts.length === 1) return parseLength(text, bare);
  const factors = parts.filter((_, i) => i % 2 === 0).map((part) => part.trim());
  const signs = parts.filter((_, i) => i % 2 === 1);
  const measured = factors.findIndex((factor) => number(factor) === null);
  const at = measured < 0 ? 0 : measured;
  const length = parseLength(factors[at] ?? '', bare);
  if (!length.ok) return length;
  let { mm } = length;
  for (const [i, factor] of factors.entries()) {
    if (i === at) continue;
    const by = number(factor);
    const divides = i > 0 && (signs[i - 1] === '/' || signs[i - 1] === '÷');
    // A length divides nothing here, and nothing is divided by nought.
    if (
      by === null ||
      (divides && by === 0) ||
      (at > i && signs[i] !== '×' && signs[i] !== '*' && signs[i] !== 'x')
    )
      return fault(text.trim());
    mm = divides ? mm / by : mm * by;
  }
  return lengthOf(mm, text.trim());
};

/**
 * Reads what is typed as a length, or as a small sum of lengths: `223 1/2 + 10 1/2`, `24' / 3`, `3 × 16"`, `12' − 2 1/4"`.
 *
 * @param bare what a lone number without a unit means
 * @returns millimetres, or the part that was not understood and why
 */
export const parseLengthSum = (text: string, bare: BareUnit): LengthReading => {
  const [first = '', ...rest] = split(text.trim(), SIGN);
  if (rest.length === 0) return product(first, bare);
  // A sign before the first length is its own.
  const leads = first.trim() === '';
  let total = 0;
  if (!leads) {
    const reading = product(first, bare);
    if (!reading.ok) return reading;
    total = reading.mm;
  }
  for (let i = 0; i < rest.length; i += 2) {
    const reading = product(rest[i + 1] ?? '', bare);
    if (!reading.ok) return reading;
    total += rest[i] === '+' ? reading.mm : -reading.mm;
  }
  return lengthOf(total, text.trim());
};
