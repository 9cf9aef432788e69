/**
 * The kinds of timber: one row each, whole, in the file of its sort. Takes nothing; promises names, letters, looks and
 * order, asked for by table.
 */
import { capital, inTerms, type Terms } from '../terms';
import { ledger, sleeper, barge, lookout, blocking, fascia } from './edges';
import { ridge, purlin, header, hip, valley } from './lines';
import { beam, cheekStud, gableStud, hipBrace, post, ridgePost, strut } from './posts';
import { underPurlin, roofPurlin, purlinBetween } from './purlins';
import {
  common,
  kingCommon,
  trimmer,
  openingJack,
  falseTail,
  hipJack,
  valleyJack,
  crippleJack,
} from './rafters';
import { rafterTie, collarTie, spacer, backing } from './ties';
import type { KindRow } from './row';

export { PHASES, type Fixed, type KindRow, type Phase } from './row';

/** Every kind of timber in the order they go up. A kind is one row in a file here, and one line of this table. */
const ROWS = {
  post,
  beam,
  'ridge-post': ridgePost,
  'rafter-tie': rafterTie,
  ridge,
  purlin,
  'under-purlin': underPurlin,
  'roof-purlin': roofPurlin,
  'purlin-between': purlinBetween,
  header,
  ledger,
  common,
  'king-common': kingCommon,
  trimmer,
  'opening-jack': openingJack,
  'false-tail': falseTail,
  hip,
  valley,
  sleeper,
  'hip-jack': hipJack,
  'valley-jack': valleyJack,
  'cripple-jack': crippleJack,
  'collar-tie': collarTie,
  strut,
  'hip-brace': hipBrace,
  'gable-stud': gableStud,
  'cheek-stud': cheekStud,
  spacer,
  backing,
  barge,
  lookout,
  blocking,
  fascia,
} satisfies Readonly<Record<string, KindRow>>;

export type Kind = keyof typeof ROWS;

export const KINDS: Readonly<Record<Kind, KindRow>> = ROWS;

/**
 * Rows of a table that name kinds. One that no row names is asked for by the compiler, as `missing`.
 */
export const overAllKinds = <const Rows extends readonly { readonly kinds: readonly Kind[] }[]>(
  rows: Rows & ([Missing<Rows>] extends [never] ? unknown : { readonly missing: Missing<Rows> }),
): Rows => rows;

type Missing<Rows extends readonly { readonly kinds: readonly Kind[] }[]> = Exclude<
  Kind,
  Rows[number]['kinds'][number]
>;

/** What lists, files and marks call a timber: of timbers called alike, one kind. */
export type ListedKind = (typeof ROWS)[Kind]['listed'];

export const listedKind = (kind: Kind): ListedKind => ROWS[kind].listed;

/** As they go up: the order of every list. */
export const KINDS_IN_ORDER = Object.keys(ROWS) as readonly Kind[];
export const LISTED_KINDS = [...new Set(KINDS_IN_ORDER.map(listedKind))];

/** Purlins and battens wherever they lie: at a break, under, over or between the rafters. */
export const isPurlin = ({ kind }: { readonly kind: Kind }): boolean =>
  listedKind(kind) === 'purlin';

/** Whether it lies over the rafters or between them: set by its distance up the slope. */
export const isRow = ({ kind }: { readonly kind: Kind }): boolean =>
  isPurlin({ kind }) && KINDS[kind].phase === 'roof-purlins';

/** Whether it runs up a slope: commons and jacks of every sort. */
export const isRafter = ({ kind }: { readonly kind: Kind }): boolean =>
  KINDS[kind].stands === 'rafter';

/** Whether it lies level on two rafters: its lengths are read on its edges, not on its faces. */
export const isTie = ({ kind }: { readonly kind: Kind }): boolean => KINDS[kind].stands === 'tie';

/** Whether it is of what a roof is framed without, where it cannot stand: neither its base nor what holds an opening or a wall. */
export const isExtra = ({ kind }: { readonly kind: Kind }): boolean => KINDS[kind].seniority > 1;

/** What timbers of a kind are called on a screen: one of them, or several. */
export const kindName = (kind: Kind, terms: Terms, several = false): string => {
  const { term } = KINDS[kind];
  const form = `‹${capital(term)}${several ? 's' : ''}›`;
  return inTerms(form, terms);
};

/** Whether it stands on a wall under what it carries: it is measured along its middle. */
export const isPost = ({ kind }: { readonly kind: Kind }): boolean => KINDS[kind].stands === 'post';
