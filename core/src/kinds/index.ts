/**
 * The kinds of timber: one row each. Takes nothing; promises names, letters, looks and order, asked for by table.
 */

/** What is told apart about a kind of timber, wherever it is listed, marked, drawn or proved. */
interface KindRow {
  readonly name: string;
  readonly plural: string;
  /** Pencilled on the piece before its number. */
  readonly letters: string;
  /** Its line on every drawing, so that patterns alone tell kinds apart in print; an empty dash is solid. px */
  readonly dash: readonly number[];
  readonly widthPx: number;
  /**
   *   line     stands on a line where slopes meet
   *   rafter   runs up a slope, its seat read and its share of the depth minded
   *   between  hangs between others
   *   edge     runs along the tails
   */
  readonly stands: 'line' | 'rafter' | 'between' | 'edge';
  /** Its top is set out on site by height, before others lean against it. */
  readonly setByHeight: boolean;
}

/**
 * Every kind of timber, one row each, in the order they go up. A kind added here is asked for by the compiler wherever
 * kinds are told apart by table.
 */
const ROWS = {
  ridge: {
    name: 'Ridge',
    plural: 'Ridges',
    letters: 'R',
    dash: [],
    widthPx: 5,
    stands: 'line',
    setByHeight: true,
  },
  purlin: {
    name: 'Purlin',
    plural: 'Purlins',
    letters: 'P',
    dash: [22, 4, 6, 4],
    widthPx: 4,
    stands: 'line',
    setByHeight: true,
  },
  header: {
    name: 'Header',
    plural: 'Headers',
    letters: 'HD',
    dash: [18, 3],
    widthPx: 4,
    stands: 'between',
    setByHeight: false,
  },
  common: {
    name: 'Common',
    plural: 'Commons',
    letters: 'C',
    dash: [],
    widthPx: 2,
    stands: 'rafter',
    setByHeight: false,
  },
  'king-common': {
    name: 'King common',
    plural: 'King commons',
    letters: 'KC',
    dash: [14, 4],
    widthPx: 3,
    stands: 'rafter',
    setByHeight: false,
  },
  hip: {
    name: 'Hip',
    plural: 'Hips',
    letters: 'H',
    dash: [12, 4, 2, 4],
    widthPx: 4,
    stands: 'line',
    setByHeight: false,
  },
  valley: {
    name: 'Valley',
    plural: 'Valleys',
    letters: 'V',
    dash: [10, 3, 2, 3, 2, 3],
    widthPx: 4,
    stands: 'line',
    setByHeight: false,
  },
  'hip-jack': {
    name: 'Hip jack',
    plural: 'Hip jacks',
    letters: 'HJ',
    dash: [7, 4],
    widthPx: 2.5,
    stands: 'rafter',
    setByHeight: false,
  },
  'valley-jack': {
    name: 'Valley jack',
    plural: 'Valley jacks',
    letters: 'VJ',
    dash: [4, 3],
    widthPx: 2.5,
    stands: 'rafter',
    setByHeight: false,
  },
  'cripple-jack': {
    name: 'Cripple jack',
    plural: 'Cripple jacks',
    letters: 'CJ',
    dash: [9, 3, 2, 3],
    widthPx: 2.5,
    stands: 'rafter',
    setByHeight: false,
  },
  fascia: {
    name: 'Fascia',
    plural: 'Fascias',
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
