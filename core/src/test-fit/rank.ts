import type { Member } from '../frame';
import type { Cause } from '../log';
import type { Others, Supposed } from './causes';
import { supposedOf } from './causes';
import { SIGNS, signsOf, type Held, type Seen, type Sign } from './hold';
import { placeOf, triedPiece, type Place, type TriedPiece } from './piece';

/** How the piece was held, what was seen, and whether its like show the same. */
export interface Looked {
  readonly held: Held;
  readonly seen: Seen;
  readonly others: Others | null;
}

/** A cause, how far off it would be, and what it would show. */
export interface Likely {
  readonly cause: Cause;
  /** By how much, mm; null where it is so or not. */
  readonly byMm: number | null;
  /** Its share of what all the causes together have for them. */
  readonly share: number;
  readonly shows: Seen;
}

/** What a framer reads off a gap with a rule and his eye. mm */
const READ_MM = 1.5;
/** A cause whose measure can be chosen explains more by chance: it has this much against it. */
const CHOSEN = 3;
/** A cause that does not show elsewhere what was seen there. */
const ELSEWHERE = 0.05;
const MOST_MM = 120;
const STEP_MM = 1;
const FINEST_MM = 1e-3;

const signsFor = ({ held, seen }: Looked): readonly Sign[] =>
  (Object.keys(SIGNS) as Sign[]).filter(
    (sign) => seen[sign] !== undefined && (SIGNS[sign] === held || SIGNS[sign] === 'either'),
  );

/** How badly what a cause would show differs from what was seen, in shares of what can be read. */
const misfit = (shown: Seen, { seen }: Looked, signs: readonly Sign[]): number =>
  signs.reduce((sum, sign) => sum + (((shown[sign] ?? 0) - (seen[sign] ?? 0)) / READ_MM) ** 2, 0);

/** What a cause would show, by its measure, on a piece tried where it should fit. */
const showing =
  (piece: TriedPiece, place: Place, held: Held) =>
  (supposed: Supposed, byMm: number): Seen =>
    signsOf(supposed.piece(piece, byMm), supposed.place(place, byMm), held, piece);

/** The measure by which a cause explains best what was seen: looked for by steps, then by ever finer ones. */
const bestMeasure = (off: (byMm: number) => number): number => {
  let best = 0;
  for (let by = -MOST_MM; by <= MOST_MM; by += STEP_MM) if (off(by) < off(best)) best = by;
  for (let step = STEP_MM / 2; step > FINEST_MM; step /= 2)
    for (const by of [best - step, best + step]) if (off(by) < off(best)) best = by;
  return best;
};

/** Whether a piece can be tried so: a rafter with a seat on a plate and a cut at its upper end. */
export const canBeTried = (member: Member): boolean => triedPiece(member) !== null;

/**
 * The likeliest causes of what was seen when a piece was tried in place, the likeliest first. For each the gaps that it
 * would show on this very piece are worked out from the sawn timber and compared with what was seen.
 *
 * @returns nothing where the piece cannot be tried, or nothing was seen
 */
export const likelyCauses = (
  members: readonly Member[],
  member: Member,
  looked: Looked,
): Likely[] => {
  const piece = triedPiece(member);
  const signs = signsFor(looked);
  if (piece === null || signs.length === 0) return [];
  const meets = member.ends.find(({ at, meets: id }) => at === 'top' && id !== null)?.meets;
  const against = members.find(({ id }) => id === meets);
  const shownBy = showing(piece, placeOf(piece), looked.held);
  const weighed = supposedOf(member, piece, against).map((supposed) => {
    const off = (byMm: number): number => misfit(shownBy(supposed, byMm), looked, signs);
    const byMm = supposed.measured ? bestMeasure(off) : 0;
    const elsewhere =
      looked.others === null || supposed.shows.includes(looked.others) ? 1 : ELSEWHERE;
    const badness = off(byMm) + (supposed.measured ? CHOSEN : 0);
    return {
      cause: supposed.cause,
      byMm: supposed.measured ? byMm : null,
      log: Math.log(supposed.before * elsewhere) - badness / 2,
      shows: shownBy(supposed, byMm),
    };
  });
  const most = Math.max(...weighed.map(({ log }) => log));
  const all = weighed.reduce((sum, { log }) => sum + Math.exp(log - most), 0);
  return weighed
    .map(({ log, ...rest }) => ({ ...rest, share: Math.exp(log - most) / all }))
    .sort((p, q) => q.share - p.share);
};
