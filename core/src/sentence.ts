import { SLACK_MM, SLACK_SHARE } from './geom';
import { inTerms, type Terms } from './terms';
import { formatDegrees, formatLength, lengthFormat, MM_PER_INCH } from './units';

/** A number in a sentence that has a unit, so that each reader is told it in his own. */
export type Measure =
  | { readonly mm: number; readonly places: number; readonly rounded: 'near' | 'up' | 'down' }
  | { readonly degrees: number; readonly places: number };

/**
 * What is to be said, as data: the words with a hole for each value, and the values. The words serve as the key of a
 * catalogue, terms in them stand in ‹angle quotes›; the values keep their full precision.
 */
export interface Sentence {
  readonly words: readonly string[];
  readonly values: readonly (string | number | Measure | Sentence)[];
}

/** How a reader is told lengths, and in whose words; millimetres where nobody in particular reads. */
export type Reader = (Parameters<typeof lengthFormat>[0] & { readonly terms: Terms }) | null;

/** A sentence by its template: say`the ridge stands ${inMm(12)} low`. */
export const say = (words: readonly string[], ...values: Sentence['values']): Sentence => ({
  words: [...words],
  values,
});

/** A sentence that is all words. */
export const plainly = (text: string): Sentence => ({ words: [text], values: [] });

/** A length in a sentence; `places` of a millimetre are told. */
export const inMm = (value: number, places = 0): Measure => ({
  mm: value,
  places,
  rounded: 'near',
});

/** The least length that is accepted: told no smaller than it is. */
export const leastMm = (value: number, places = 0): Measure => ({
  mm: value,
  places,
  rounded: 'up',
});

/** The length that is not to be passed: told no larger than it is. */
export const mostMm = (value: number, places = 0): Measure => ({
  mm: value,
  places,
  rounded: 'down',
});

/** An angle in a sentence. */
export const inDegrees = (value: number, places = 1): Measure => ({ degrees: value, places });

const ROUND = { near: Math.round, up: Math.ceil, down: Math.floor } as const;

/** A length in whole ticks of the reader's tape; less than one tick is told in thousandths. */
const lengthTold = (value: Extract<Measure, { mm: number }>, reader: Reader): string => {
  const imperial = reader?.units === 'imperial';
  const tick = imperial ? MM_PER_INCH / reader.fraction : 10 ** -value.places;
  // A hair over a tick is that tick: rounding, not wood.
  const slack = value.rounded === 'near' ? 0 : (value.rounded === 'up' ? -1 : 1) * SLACK_TICKS;
  const ticks = ROUND[value.rounded](value.mm / tick + slack) + 0;
  if (!imperial) return `${Number((ticks * tick).toFixed(value.places))} mm`;
  // Nothing at all is no thousandths.
  return Math.abs(value.mm) < tick && Math.abs(value.mm) > LEAST_TOLD_MM
    ? formatLength(value.mm, { style: 'decimal-inches', places: 3 })
    : formatLength(ticks * tick, lengthFormat(reader));
};

const SLACK_TICKS = SLACK_SHARE.rounding;
/** Less than half a thousandth of an inch. mm */
const LEAST_TOLD_MM = SLACK_MM.rounding;

const told = (value: Sentence['values'][number], reader: Reader): string => {
  if (typeof value !== 'object') return String(value);
  if ('words' in value) return spoken(value, reader);
  return 'degrees' in value
    ? formatDegrees(value.degrees, value.places)
    : lengthTold(value, reader);
};

/** The sentence in full, its measures in the reader's own units. Lossy by their rounding. */
export const spoken = ({ words, values }: Sentence, reader: Reader = null): string =>
  words
    .map((part, i) => {
      const value = values[i];
      const said = inTerms(part, reader?.terms ?? 'us');
      return value === undefined ? said : said + told(value, reader);
    })
    .join('');
