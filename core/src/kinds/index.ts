/**
 * The kinds of timber: one row each. Takes nothing; promises names, letters, looks and order, asked for by table.
 */
import { capital, inTerms, type TermName, type Terms } from '../terms';

/** What is told apart about a kind of timber, wherever it is listed, marked, drawn or proved. */
interface KindRow {
  /** What it is called, a term of the catalogue. */
  readonly term: TermName;
  /** Pencilled on the piece before its number. */
  readonly letters: string;
  /** Its line on every drawing, so that patterns alone tell kinds apart in print; an empty dash is solid. px */
  readonly dash: readonly number[];
  readonly widthPx: number;
  /**
   *   line     stands on a line where slopes meet
   *   rafter   runs up a slope, its seat read and its share of the depth minded
   *   between  hangs between others
   *   fills    fills a space beside rafters: no line of the roof
   *   edge     runs along the tails, or along a wall
   *   tie      lies level, flat on the faces of two rafters
   *   post     stands on a wall or on the ground, under what it carries
   *   plate    lies on a wall's plate, or under it
   */
  readonly stands: 'line' | 'rafter' | 'between' | 'fills' | 'edge' | 'tie' | 'post' | 'plate';
  /** Its top is set out on site by height, before others lean against it. */
  readonly setByHeight: boolean;
}

/**
 * Every kind of timber, one row each, in the order they go up. A kind added here is asked for by the compiler wherever
 * kinds are told apart by table.
 */
const ROWS = {
  post: {
    term: 'post',
    letters: 'PO',
    dash: [2, 2],
    widthPx: 5,
    stands: 'post',
    setByHeight: false,
  },
  beam: {
    term: 'beam',
    letters: 'BM',
    dash: [26, 3],
    widthPx: 5,
    stands: 'plate',
    setByHeight: true,
  },
  'rafter-tie': {
    term: 'rafter tie',
    letters: 'RT',
    dash: [16, 6],
    widthPx: 2,
    stands: 'tie',
    setByHeight: false,
  },
  ridge: {
    term: 'ridge',
    letters: 'R',
    dash: [],
    widthPx: 5,
    stands: 'line',
    setByHeight: true,
  },
  purlin: {
    term: 'purlin',
    letters: 'P',
    dash: [22, 4, 6, 4],
    widthPx: 4,
    stands: 'line',
    setByHeight: true,
  },
  header: {
    term: 'header',
    letters: 'HD',
    dash: [18, 3],
    widthPx: 4,
    stands: 'between',
    setByHeight: false,
  },
  ledger: {
    term: 'ledger',
    letters: 'L',
    dash: [20, 3, 3, 3],
    widthPx: 4,
    stands: 'edge',
    setByHeight: true,
  },
  common: {
    term: 'common',
    letters: 'C',
    dash: [],
    widthPx: 2,
    stands: 'rafter',
    setByHeight: false,
  },
  'king-common': {
    term: 'king common',
    letters: 'KC',
    dash: [14, 4],
    widthPx: 3,
    stands: 'rafter',
    setByHeight: false,
  },
  trimmer: {
    term: 'trimmer',
    letters: 'TR',
    dash: [24, 4],
    widthPx: 3,
    stands: 'rafter',
    setByHeight: false,
  },
  'opening-jack': {
    term: 'opening jack',
    letters: 'OJ',
    dash: [6, 2],
    widthPx: 2.5,
    stands: 'rafter',
    setByHeight: false,
  },
  'false-tail': {
    term: 'false tail',
    letters: 'FT',
    dash: [5, 3],
    widthPx: 2.5,
    stands: 'rafter',
    setByHeight: false,
  },
  hip: {
    term: 'hip',
    letters: 'H',
    dash: [12, 4, 2, 4],
    widthPx: 4,
    stands: 'line',
    setByHeight: false,
  },
  valley: {
    term: 'valley',
    letters: 'V',
    dash: [10, 3, 2, 3, 2, 3],
    widthPx: 4,
    stands: 'line',
    setByHeight: false,
  },
  sleeper: {
    term: 'sleeper',
    letters: 'SL',
    dash: [14, 3, 3, 3],
    widthPx: 4,
    stands: 'plate',
    setByHeight: false,
  },
  'hip-jack': {
    term: 'hip jack',
    letters: 'HJ',
    dash: [7, 4],
    widthPx: 2.5,
    stands: 'rafter',
    setByHeight: false,
  },
  'valley-jack': {
    term: 'valley jack',
    letters: 'VJ',
    dash: [4, 3],
    widthPx: 2.5,
    stands: 'rafter',
    setByHeight: false,
  },
  'cripple-jack': {
    term: 'cripple jack',
    letters: 'CJ',
    dash: [9, 3, 2, 3],
    widthPx: 2.5,
    stands: 'rafter',
    setByHeight: false,
  },
  'collar-tie': {
    term: 'collar tie',
    letters: 'CT',
    dash: [3, 6],
    widthPx: 3,
    stands: 'tie',
    setByHeight: false,
  },
  strut: {
    term: 'strut',
    letters: 'ST',
    dash: [8, 4],
    widthPx: 3,
    stands: 'post',
    setByHeight: false,
  },
  'gable-stud': {
    term: 'gable stud',
    letters: 'GS',
    dash: [4, 2],
    widthPx: 4,
    stands: 'post',
    setByHeight: false,
  },
  'cheek-stud': {
    term: 'cheek stud',
    letters: 'CS',
    dash: [3, 2],
    widthPx: 4,
    stands: 'post',
    setByHeight: false,
  },
  spacer: {
    term: 'spacer block',
    letters: 'SP',
    dash: [2, 4],
    widthPx: 3,
    stands: 'plate',
    setByHeight: false,
  },
  backing: {
    term: 'ceiling backing',
    letters: 'CB',
    dash: [10, 2, 2, 2],
    widthPx: 3,
    stands: 'plate',
    setByHeight: false,
  },
  barge: {
    term: 'barge',
    letters: 'B',
    dash: [18, 4, 3, 4, 3, 4],
    widthPx: 3,
    stands: 'edge',
    setByHeight: false,
  },
  lookout: {
    term: 'lookout',
    letters: 'LO',
    dash: [5, 2],
    widthPx: 2,
    stands: 'fills',
    setByHeight: false,
  },
  blocking: {
    term: 'eave block',
    letters: 'BK',
    dash: [6, 3, 2, 3],
    widthPx: 2,
    stands: 'fills',
    setByHeight: false,
  },
  fascia: {
    term: 'fascia',
    letters: 'F',
    dash: [2, 3],
    widthPx: 3,
    stands: 'edge',
    setByHeight: false,
  },
} satisfies Readonly<Record<string, KindRow>>;

export type Kind = keyof typeof ROWS;

export const KINDS: Readonly<Record<Kind, KindRow>> = ROWS;

export const KINDS_IN_ORDER = Object.keys(ROWS) as readonly Kind[];

/** Whether it runs up a slope: commons and jacks of every sort. */
export const isRafter = ({ kind }: { readonly kind: Kind }): boolean =>
  KINDS[kind].stands === 'rafter';

/** Whether it lies level on two rafters: its lengths are read on its edges, not on its faces. */
export const isTie = ({ kind }: { readonly kind: Kind }): boolean => KINDS[kind].stands === 'tie';

/** What timbers of a kind are called on a screen: one of them, or several. */
export const kindName = (kind: Kind, terms: Terms, several = false): string => {
  const { term } = KINDS[kind];
  const form = `‹${capital(term)}${several ? 's' : ''}›`;
  return inTerms(form, terms);
};

/** Whether it stands on a wall under what it carries: it is measured along its middle. */
export const isPost = ({ kind }: { readonly kind: Kind }): boolean => KINDS[kind].stands === 'post';
