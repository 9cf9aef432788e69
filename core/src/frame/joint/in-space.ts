import {
  SLACK_MM3,
  BoxIndex,
  boxRound,
  FIT_OVERLAP_MM3,
  flip,
  halfSpaceToLocal,
  planeAt,
  SAME_WAY_SINE,
  through,
  toWorld,
  v3,
} from '../../geom';
import type { HalfSpace, Interval, Vec3 } from '../../geom';
import type { CutName, EndCut, Member } from '../member/member';
import { boxOf, solidOf, woodWithin } from '../member/solid-of';
import { RIPPED } from './strip';

/** Wood that two boards may share before one is cut: rounding. mm³ */
const TOUCHING_MM3 = SLACK_MM3.nothing;

/** A board's convex pieces by their faces' planes in the world, each looking out. */
export const facesOf = (member: Member): readonly (readonly HalfSpace[])[] => {
  const known = planes.get(member);
  if (known !== undefined) return known;
  const { frame } = member;
  const found = solidOf(member).map((piece) =>
    piece.map(({ points: [a, b, c] }): HalfSpace => {
      if (a === undefined || b === undefined || c === undefined)
        throw new Error(`member ${member.id}: a face of less than three corners`);
      const [p, q, r] = [toWorld(frame, a), toWorld(frame, b), toWorld(frame, c)];
      return through(p, v3.cross(v3.sub(q, p), v3.sub(r, p)));
    }),
  );
  planes.set(member, found);
  return found;
};

/** A member never changes, nor do its planes. */
const planes = new WeakMap<Member, readonly (readonly HalfSpace[])[]>();

const cutName = ({ normal }: HalfSpace, { a }: Member['frame']): CutName => {
  if (Math.abs(v3.dot(normal, a)) > 1 - SAME_WAY_SINE) return 'end cut';
  return Math.abs(normal[2]) < SAME_WAY_SINE ? 'cheek cut' : 'compound cut';
};

/** The board sawn along a face of another, on the side of its own anchor; null where that cannot be sawn. */
const alongFace = (board: Member, other: Member, face: HalfSpace, anchor: Vec3): Member | null => {
  const keep = flip(face);
  if (planeAt(keep, anchor) >= 0) return null;
  const [along] = halfSpaceToLocal(board.frame, keep).normal;
  // A board is sawn off, never ripped.
  if (Math.abs(along) < RIPPED) return null;
  const end: EndCut = {
    at: along > 0 ? 'top' : 'bottom',
    name: cutName(keep, board.frame),
    keep,
    meets: other.id,
  };
  return { ...board, ends: [...board.ends, end] };
};

const woodOf = (board: Member): number => woodWithin(board, []);

/** Clear of one convex piece: of its faces, the one along which most of the board is left. */
const clearOfPiece = (
  board: Member,
  other: Member,
  piece: readonly HalfSpace[],
  anchor: Vec3,
): Member | null => {
  if (woodWithin(board, piece) <= TOUCHING_MM3) return board;
  let best: Member | null = null;
  let most = 0;
  for (const face of piece) {
    const cut = alongFace(board, other, face, anchor);
    const left = cut === null ? 0 : woodOf(cut);
    if (left > most) [best, most] = [cut, left];
  }
  return best;
};

/** Without the ends that another takes the place of; null where nothing is left. */
const withoutIdleEnds = (board: Member): Member | null => {
  const shown = new Set<unknown>(solidOf(board).flatMap((piece) => piece.map(({ tag }) => tag)));
  return shown.size === 0 ? null : { ...board, ends: board.ends.filter((end) => shown.has(end)) };
};

/**
 * Cuts a board clear of others in space, each time by one plane: for boards that lean or lie canted, which no outline in
 * plan can tell. The same rule as for plumb boards in plan, where `clearOfAll` is many times quicker.
 *
 *          ╲ other
 *   board   ╲
 *   ────────╲╳     kept is the side of the anchor, along the face that leaves it the longest
 *
 * @param anchor a point of the board that is never cut away
 * @returns null where nothing is left, or where it could be cleared only by ripping it
 */
export const clearInSpace = (
  board: Member,
  others: readonly Member[],
  anchor: Vec3,
): Member | null => {
  let clear = board;
  for (const other of others) {
    for (const piece of facesOf(other)) {
      const next = clearOfPiece(clear, other, piece, anchor);
      if (next === null) return null;
      clear = next;
    }
  }
  return clear === board ? board : withoutIdleEnds(clear);
};

/** Those of some timbers that come near a stretch of lines side by side. */
export const nearLines = (
  reads: readonly Vec3[],
  a: Vec3,
  [start, end]: Interval,
  timbers: readonly Member[],
): Member[] => {
  const ends = reads.flatMap((p) => [v3.add(p, v3.scale(a, start)), v3.add(p, v3.scale(a, end))]);
  return indexOf(timbers).near(boxRound(ends));
};

/**
 * Where timbers lie. A pass asks about the same ones board after board, so what was made of a list is kept with it, as
 * long as nothing is added to it.
 */
const indexOf = (timbers: readonly Member[]): BoxIndex<Member> => {
  const known = indices.get(timbers);
  if (known?.count === timbers.length) return known.index;
  const index = new BoxIndex(timbers, boxOf);
  indices.set(timbers, { index, count: timbers.length });
  return index;
};

const indices = new WeakMap<
  readonly Member[],
  { readonly index: BoxIndex<Member>; readonly count: number }
>();

/** Those of the others that a board stands in the wood of. */
export const clashing = (board: Member, others: readonly Member[]): Member[] =>
  indexOf(others)
    .near(boxOf(board))
    .filter((other) =>
      facesOf(other).some((piece) => woodWithin(board, piece) > FIT_OVERLAP_MM3 / 2),
    );
