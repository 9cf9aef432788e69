import {
  chordWithin,
  halfSpace,
  planeAt,
  SAME_WAY_SINE,
  v3,
  type BoardFrame,
  type Interval,
  type Vec3,
} from '../../geom';
import { KINDS } from '../../kinds';
import { axisOf, type EndCut, type Member } from '../member/member';
import { clashing, clearInSpace, facesOf, nearLines } from './in-space';

/** A gap narrower than this takes no board. mm */
const LEAST_MM = 60;

/** A gap along a level line, with the two timbers that bound it. mm */
export interface Gap {
  readonly from: number;
  readonly to: number;
  readonly low: Member;
  readonly high: Member;
}

/**
 * The gaps between neighbours along a line.
 *
 * @param reads points just inside the board's four edges, at t = 0: what reaches into its place anywhere bounds it
 * @param reach how far boards are wanted. mm
 * @param nearMm what bounds the first and the last gap may stand this far past the reach
 */
export const gapsAlong = (
  reads: readonly Vec3[],
  a: Vec3,
  [start, end]: Interval,
  nearMm: number,
  timbers: readonly Member[],
): Gap[] => {
  const held = nearLines(reads, a, [start - nearMm, end + nearMm], timbers)
    .flatMap((member) => {
      const ts = facesOf(member).flatMap((piece) =>
        reads.flatMap((from): readonly number[] => chordWithin(piece, from, a) ?? []),
      );
      return ts.length === 0 ? [] : [{ member, low: Math.min(...ts), high: Math.max(...ts) }];
    })
    .sort((p, q) => p.low - q.low);
  const gaps: Gap[] = [];
  let before: (typeof held)[number] | null = null;
  for (const next of held) {
    if (next.high < start - nearMm || next.low > end + nearMm) continue;
    if (before !== null && next.low - before.high >= LEAST_MM)
      gaps.push({ from: before.high, to: next.low, low: before.member, high: next.member });
    if (before === null || next.high > before.high) before = next;
  }
  return gaps;
};

/** How a board lies in a gap: its frame where t = 0, its middle there, square off its direction. */
interface Lying {
  readonly frame: BoardFrame;
  readonly middle: Vec3;
}

/**
 * The ends of a board cut to a gap: square against what stands square across it, along its side against a hip or a
 * valley, from a board that runs into it; clear of whatever else reaches in.
 *
 * @param make the board with its ends, square or run on
 * @returns null where nothing is left
 */
export const cutBetween = (
  { frame: { origin, a }, middle }: Lying,
  gap: Gap,
  spareMm: number,
  timbers: readonly Member[],
  make: (ends: readonly EndCut[]) => Member,
): Member | null => {
  const end = (at: 'top' | 'bottom', t: number, meets: string | null): EndCut => ({
    at,
    name: 'end cut',
    keep: halfSpace(v3.add(origin, v3.scale(a, t)), v3.scale(a, at === 'top' ? 1 : -1)),
    meets,
  });
  const across = ({ frame }: Member): boolean =>
    Math.abs(v3.dot(frame.s, a)) > 1 - SAME_WAY_SINE && Math.abs(frame.s[2]) < SAME_WAY_SINE;
  const [low, high] = [across(gap.low), across(gap.high)];
  const board = make([
    high ? end('top', gap.to, gap.high.id) : end('top', gap.to + spareMm, null),
    low ? end('bottom', gap.from, gap.low.id) : end('bottom', gap.from - spareMm, null),
  ]);
  const slanted = [...(low ? [] : [gap.low]), ...(high ? [] : [gap.high])];
  const inside = v3.add(middle, v3.scale(a, (gap.from + gap.to) / 2));
  const clear = slanted.length === 0 ? board : clearInSpace(board, slanted, inside);
  // Near a valley's foot more than the two neighbours can reach into the gap.
  const more = clear === null ? [] : clashing(clear, timbers);
  const cut = clear === null || more.length === 0 ? clear : clearInSpace(clear, more, inside);
  return cut === null ? null : onOwnLine(cut);
};

/**
 * A board with its theory line from cut to cut, along the middle of the edge that it is measured on. The gap is read off
 * where it is narrowest; beside a hip the board's own line is longer.
 */
const onOwnLine = (board: Member): Member => {
  const { frame, topMm, stock, ends } = board;
  const edge = { top: topMm, bottom: topMm - stock.depth, middle: 0 }[KINDS[board.kind].measured];
  const from = v3.add(frame.origin, v3.scale(frame.e, edge));
  const where = (which: 'top' | 'bottom'): number[] =>
    ends.flatMap(({ at, keep }) => {
      const rate = v3.dot(keep.normal, frame.a);
      return at === which && Math.abs(rate) > SAME_WAY_SINE ? [-planeAt(keep, from) / rate] : [];
    });
  const [low, high] = [Math.max(...where('bottom')), Math.min(...where('top'))];
  if (!Number.isFinite(high - low) || high <= low) return board;
  return {
    ...board,
    frame: { ...frame, origin: v3.add(frame.origin, v3.scale(frame.a, low)) },
    axis: axisOf(high - low, 0),
  };
};
