import type { Place } from '../places';
import type { Sentence } from '../sentence';
import type { TermName } from '../terms';

/** What goes up together, in the order in which a frame is raised. */
export const PHASES = [
  'sleepers',
  'cheeks',
  'posts',
  'ledgers',
  'joists',
  'frames',
  'purlins',
  'corners',
  'rafters',
  'openings',
  'jacks',
  'collars',
  'gables',
  'blocks',
  'edges',
  'roof-purlins',
] as const;

export type Phase = (typeof PHASES)[number];

/** Where a job's file gives the size of a timber. */
export type StockKey =
  | 'common'
  | 'hip'
  | 'valley'
  | 'ridge'
  | 'purlin'
  | 'collarTie'
  | 'rafterTie'
  | 'fascia'
  | 'barge'
  | 'lookout'
  | 'strut'
  | 'ledger'
  | 'cheekStud'
  | 'gableStud'
  | 'sleeper'
  | 'beam'
  | 'post'
  | 'trimmer'
  | 'backing'
  | 'blocking';

/**
 * How a timber is fixed.
 *   rafter    at its ends by what it meets there, at seats and tails; `head` where it also hangs on a wall
 *   line      scarfed where it goes on, else carried at its ends; with `freeEnds` at walls too
 *   ends      at both ends alike
 *   tie       on plates, against rafters
 *   upright   at its foot and its head
 *   row       where it crosses rafters
 *   run       all along
 *   held      by the timbers that meet it
 */
export type Fixed =
  | { readonly as: 'rafter'; readonly head?: Place }
  | { readonly as: 'line'; readonly freeEnds?: boolean }
  | { readonly as: 'ends' | 'run'; readonly place: Place }
  | { readonly as: 'upright'; readonly foot: Place; readonly head: Place }
  | { readonly as: 'tie' | 'row' | 'held' };

/** What is told apart about a kind of timber, wherever it is listed, marked, drawn, fixed, raised or proved. */
export interface KindRow {
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
  /** The kind that lists and files say: mostly its own; timbers called alike share one. */
  readonly listed: string;
  /** The size it is sawn from where nothing else is given; null for what brings its own. */
  readonly stock: StockKey | null;
  /** Who gives way where two would share wood: the one of the higher number. 0 is the frame that stands by itself. */
  readonly seniority: number;
  /** The edge, or the middle, along which its lengths are read. */
  readonly measured: 'top' | 'bottom' | 'middle';
  /**
   *   ends    each end bears on a timber, a plate or a wall
   *   ground  its upper end; its foot stands on what is no part of the roof, and is proved with its place
   *   upper   its upper end, or it is carried by a ladder or a wall: its tail hangs free
   *   along   held along its length, not at its ends
   *   lain    lies on others, and is proved with them
   */
  readonly bears: 'ends' | 'ground' | 'upper' | 'along' | 'lain';
  /**
   * How its top lies to the roof.
   *   in-roof   all of it in planes of the roof
   *   on-line   under the two planes of its line, as the crew's way has it
   *   touches   its highest corners touch a plane
   *   below     anywhere under the roof
   *   over      proud of the rafters' planes by its depth
   */
  readonly top: 'in-roof' | 'on-line' | 'touches' | 'below' | 'over';
  readonly phase: Phase;
  readonly fixed: Fixed;
  /** Longer than its timber can be had, it is made of lengths scarfed together. */
  readonly scarfed: boolean;
  /** What comes down on another roof's sheathing is sawn along it; the rest is set whole or not at all. */
  readonly onDeck: 'sawn' | 'whole';
  /** What one of them asks of whoever builds it, said once for a frame that has any. */
  readonly caution?: Sentence;
}
