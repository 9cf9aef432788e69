import { MM_PER_FOOT, MM_PER_INCH } from './format-length';

/** What a number without a unit means in this field. */
export type BareUnit = 'ft' | 'in' | 'mm' | 'm';

export type LengthReading =
  | { readonly ok: true; readonly mm: number }
  | { readonly ok: false; readonly notUnderstood: string; readonly text: string };

const UNIT_MM: Readonly<Record<string, number>> = {
  "'": MM_PER_FOOT,
  ft: MM_PER_FOOT,
  foot: MM_PER_FOOT,
  feet: MM_PER_FOOT,
  '"': MM_PER_INCH,
  in: MM_PER_INCH,
  inch: MM_PER_INCH,
  inches: MM_PER_INCH,
  mm: 1,
  cm: 10,
  m: 1000,
};

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
};

type Token =
  | {
      readonly kind: 'number';
      readonly value: number;
      readonly raw: string;
      readonly whole: boolean;
    }
  | { readonly kind: 'fraction'; readonly value: number; readonly raw: string }
  | { readonly kind: 'unit'; readonly mm: number; readonly raw: string };

const EXAMPLES = `write it like 24' 6 1/2", 86 5/8", 7.2 m or 7200 mm`;

/** As much of what was typed as a message has room for. */
const shortened = (raw: string): string => (raw.length > 24 ? `${raw.slice(0, 24)}…` : raw);

const fail = (notUnderstood: string, why: string): LengthReading => ({
  ok: false,
  notUnderstood,
  text: `${why}; ${EXAMPLES}`,
});

/** Longer than anything that is framed: a slipped finger, or no length at all. mm */
const MOST_MM = 1e9;

/**
 * A length that was worked out, rid of the last bits that 25.4 leaves behind: 1 1/2" is 38.1, not 38.099999999999994.
 *
 * @param raw what it was read from
 */
export const lengthOf = (mm: number, raw: string): LengthReading =>
  Math.abs(mm) <= MOST_MM
    ? { ok: true, mm: Number(mm.toFixed(9)) }
    : fail(raw, `"${shortened(raw)}" is longer than any building`);

const normalise = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (glyph) => ` ${VULGAR[glyph] ?? ''}`)
    .replace(/⁄/g, '/')
    .replace(/[′’‘`]/g, "'")
    .replace(/[″”“]/g, '"')
    .replace(/''/g, '"')
    .replace(/−/g, '-')
    .replace(/\s*\/\s*/g, '/');

/** A point with nothing behind it yet belongs to its number: what is being typed reads all along. */
const TOKEN = /\s*(?:(\d+\/\d+)|(\d+(?:[.,](?:\d+|(?=\s*(?:$|[a-z'"]))))?|[.,]\d+)|([a-z]+|['"]))/y;

const tokenise = (text: string): Token[] | LengthReading => {
  const tokens: Token[] = [];
  let at = 0;
  while (at < text.length) {
    TOKEN.lastIndex = at;
    const match = TOKEN.exec(text);
    if (match === null) {
      const rest = text.slice(at).trim();
      return fail(rest, `"${rest}" is not part of a length`);
    }
    at = TOKEN.lastIndex;
    const [, fraction, number, unit] = match;
    if (fraction !== undefined) {
      const [top = '0', bottom = '0'] = fraction.split('/');
      if (Number(bottom) === 0) return fail(fraction, `"${fraction}" divides by nothing`);
      tokens.push({ kind: 'fraction', value: Number(top) / Number(bottom), raw: fraction });
    } else if (number !== undefined) {
      if (/,\d{3}$/.test(number)) {
        return fail(number, `"${number}" could be thousands or decimals, so leave the comma out`);
      }
      tokens.push({
        kind: 'number',
        value: Number(number.replace(',', '.')),
        raw: number,
        whole: /^\d+$/.test(number),
      });
    } else if (unit !== undefined) {
      const mm = UNIT_MM[unit];
      if (mm === undefined) return fail(unit, `"${unit}" is not a unit`);
      tokens.push({ kind: 'unit', mm, raw: unit });
    }
  }
  return tokens;
};

interface Quantity {
  readonly value: number;
  readonly unitMm: number | null;
  readonly raw: string;
  readonly whole: boolean;
}

/** Number, or number and fraction, or fraction, each with the unit behind it if there is one. */
const quantities = (tokens: readonly Token[]): Quantity[] | LengthReading => {
  const found: Quantity[] = [];
  for (let i = 0; i < tokens.length;) {
    const token = tokens[i];
    if (token === undefined || token.kind === 'unit') {
      const raw = token?.raw ?? '';
      return fail(raw, `"${raw}" stands without a number before it`);
    }
    i += 1;
    let value = token.value;
    let raw = token.raw;
    const next = tokens[i];
    if (token.kind === 'number' && token.whole && next?.kind === 'fraction') {
      value += next.value;
      raw += ` ${next.raw}`;
      i += 1;
    }
    const unit = tokens[i];
    if (unit?.kind === 'unit') i += 1;
    found.push({
      value,
      unitMm: unit?.kind === 'unit' ? unit.mm : null,
      raw,
      whole: token.kind === 'number' && raw === token.raw && token.whole,
    });
  }
  return found;
};

const sum = (parts: readonly Quantity[], bare: BareUnit): LengthReading => {
  const [first, second] = parts;
  if (first === undefined) return fail('', 'nothing was written');
  const imperial = bare === 'ft' || bare === 'in';
  let total = 0;
  let lastMm = Infinity;
  for (const [index, part] of parts.entries()) {
    let unitMm = part.unitMm;
    if (unitMm === null) {
      const afterFeet = index > 0 && lastMm === MM_PER_FOOT;
      const feetFirst =
        index === 0 && imperial && parts.length === 2 && second?.unitMm !== MM_PER_FOOT;
      if (afterFeet) unitMm = MM_PER_INCH;
      else if (feetFirst) unitMm = MM_PER_FOOT;
      else if (index === 0 && imperial && part.raw.includes('/')) unitMm = MM_PER_INCH;
      else if (index === 0) unitMm = UNIT_MM[bare] ?? 1;
      else return fail(part.raw, `"${part.raw}" has no unit and does not follow feet`);
    }
    if (unitMm >= lastMm)
      return fail(part.raw, `"${part.raw}" repeats or outgrows the unit before it`);
    if (index > 0 && lastMm === MM_PER_FOOT && part.value >= 12) {
      return fail(part.raw, `"${part.raw}" inches after feet is a foot or more`);
    }
    total += part.value * unitMm;
    lastMm = unitMm;
  }
  return lengthOf(total, parts.map(({ raw }) => raw).join(' '));
};

/**
 * Reads a length as a person writes or says it: `24' 6 1/2"`, `24 6 1/2`, `24'6½`, `86 5/8"`, `7.48m`, `7480`.
 *
 * @param text what was typed
 * @param bare what a lone number without a unit means
 * @returns millimetres, or the part that was not understood and why. Negative lengths keep their sign.
 */
export const parseLength = (text: string, bare: BareUnit): LengthReading => {
  const normal = normalise(text);
  const negative = normal.startsWith('-');
  // "24-6-1/2" is how many write feet, inches and a fraction.
  const body = (negative ? normal.slice(1) : normal)
    .replace(/(\d|['"])\s*-\s*(?=\d)/g, '$1 ')
    .trim();
  if (body === '') return fail(text.trim(), 'nothing was written');
  const tokens = tokenise(body);
  if (!Array.isArray(tokens)) return tokens;
  const parts = quantities(tokens);
  if (!Array.isArray(parts)) return parts;
  const total = sum(parts, bare);
  if (!total.ok || !negative) return total;
  return { ok: true, mm: total.mm === 0 ? 0 : -total.mm };
};
