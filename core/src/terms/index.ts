/**
 * The trade's words: one catalogue. Takes a text in which terms stand in ‹angle quotes›, as they are called here; gives
 * it in the words of the crew's own country. Promises that each form of each term is known, and that text without terms
 * comes out as it went in. What each term means stands in the glossary.
 */
export type Terms = 'us' | 'uk';

interface Term {
  readonly us: string;
  readonly uk: string;
  /** Where an s does not make it. */
  readonly plural?: { readonly us: string; readonly uk: string };
}

const ROWS = {
  plate: { us: 'plate', uk: 'wall plate' },
  'height above plate': { us: 'height above plate', uk: 'height above wall plate' },
  seat: { us: 'seat', uk: 'seat' },
  heel: { us: 'heel', uk: 'heel' },
  birdsmouth: { us: 'birdsmouth', uk: 'birdsmouth' },
  overhang: { us: 'overhang', uk: 'overhang' },
  tail: { us: 'tail', uk: 'tail' },
  fascia: { us: 'fascia', uk: 'fascia board' },
  'plumb cut': { us: 'plumb cut', uk: 'plumb cut' },
  eave: { us: 'eave', uk: 'eave' },
  gable: { us: 'gable', uk: 'gable' },
  gablet: { us: 'gablet', uk: 'gablet' },
  ridge: { us: 'ridge', uk: 'ridge board' },
  hip: { us: 'hip', uk: 'hip rafter' },
  valley: { us: 'valley', uk: 'valley rafter' },
  common: { us: 'common', uk: 'common rafter' },
  'king common': { us: 'king common', uk: 'king rafter' },
  'hip jack': { us: 'hip jack', uk: 'hip jack rafter' },
  'valley jack': { us: 'valley jack', uk: 'valley jack rafter' },
  'cripple jack': { us: 'cripple jack', uk: 'cripple rafter' },
  purlin: { us: 'purlin', uk: 'purlin' },
  header: { us: 'header', uk: 'trimmer' },
  trimmer: { us: 'trimmer', uk: 'trimming rafter' },
  'opening jack': { us: 'opening jack', uk: 'trimmed rafter' },
  'false tail': { us: 'false tail', uk: 'false tail' },
  'on centre': { us: 'on center', uk: 'at centres', plural: { us: 'on center', uk: 'at centres' } },
  centre: { us: 'center', uk: 'centre' },
  barge: { us: 'barge rafter', uk: 'barge board' },
  ledger: { us: 'ledger', uk: 'ledger' },
  strut: { us: 'strut', uk: 'strut' },
  'hip brace': { us: 'hip brace', uk: 'hip strut' },
  sleeper: { us: 'sleeper', uk: 'sleeper' },
  post: { us: 'post', uk: 'post' },
  beam: { us: 'beam', uk: 'beam' },
  'ridge post': { us: 'ridge post', uk: 'ridge post' },
  'spacer block': { us: 'spacer block', uk: 'packing piece' },
  'ceiling backing': { us: 'ceiling backing', uk: 'ceiling noggin' },
  'gable stud': { us: 'gable stud', uk: 'gable stud' },
  'cheek stud': { us: 'cheek stud', uk: 'cheek stud' },
  lookout: { us: 'lookout', uk: 'lookout' },
  'eave block': { us: 'eave block', uk: 'eaves nogging' },
  'framing square': { us: 'framing square', uk: 'roofing square' },
  'collar tie': { us: 'collar tie', uk: 'collar' },
  'rafter tie': { us: 'rafter tie', uk: 'ceiling tie' },
  crown: { us: 'crown', uk: 'crown' },
  'long point': { us: 'long point', uk: 'long point' },
  'short point': { us: 'short point', uk: 'short point' },
  complement: { us: 'complement', uk: 'complement' },
  'saw tilt': { us: 'saw tilt', uk: 'saw tilt' },
  drop: { us: 'drop', uk: 'drop' },
  backing: { us: 'backing', uk: 'backing' },
} satisfies Readonly<Record<string, Term>>;

/** A term, as it is called in the code and between angle quotes. */
export type TermName = keyof typeof ROWS;

export const TERMS: Readonly<Record<TermName, Term>> = ROWS;

export const TERM_NAMES = Object.keys(ROWS) as readonly TermName[];

interface Form {
  readonly name: TermName;
  readonly plural: boolean;
}

/** Every form that may stand between angle quotes, in small letters. */
const FORMS = new Map(
  TERM_NAMES.flatMap((name): [string, Form][] => [
    [`${name}s`, { name, plural: true }],
    [name, { name, plural: false }],
  ]),
);

/** A text with a capital at its start. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** A piece of a text: plain words, or a term in the crew's own words. */
export interface Piece {
  readonly text: string;
  readonly term: TermName | null;
}

/** @returns the text in pieces, its terms in the words of `terms`; what is no term between the quotes stands as it is */
export const pieces = (text: string, terms: Terms): Piece[] =>
  text
    .split(/(‹[^‹›]+›)/)
    .filter((part) => part !== '')
    .map((part): Piece => {
      const inner = part.startsWith('‹') && part.endsWith('›') ? part.slice(1, -1) : null;
      const form = inner === null ? undefined : FORMS.get(inner.toLowerCase());
      if (inner === null || form === undefined) return { text: part, term: null };
      const row = TERMS[form.name];
      const one = row[terms];
      const said = form.plural ? (row.plural?.[terms] ?? `${one}s`) : one;
      return { text: inner[0] === inner[0]?.toLowerCase() ? said : capital(said), term: form.name };
    });

/** The text with its terms in the words of `terms`. */
export const inTerms = (text: string, terms: Terms): string =>
  text.includes('‹')
    ? pieces(text, terms)
        .map((piece) => piece.text)
        .join('')
    : text;
