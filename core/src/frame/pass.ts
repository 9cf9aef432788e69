import { pathText, type Problem } from '../problem';
import type { Member } from './member/member';
import type { Primary } from './primary';
import type { Site } from './site';

/** Something asked for beyond the base frame that cannot stand where it is asked for. */
export interface Withheld {
  readonly problem: Problem;
  /** The pieces that would have stood there, where some could be made: what they leave open is told, not proved. */
  readonly pieces: readonly Member[];
  /** Nothing of what the problem's place asks for stands. */
  readonly whole: boolean;
}

/** Withheld as a whole: nothing of what its place in the job asks for is framed. */
export const wholly = (problem: Problem): Withheld => ({ problem, pieces: [], whole: true });

/** Withheld piece by piece: the rest of what its place asks for stands. */
export const inPart = (problem: Problem, pieces: readonly Member[]): Withheld => ({
  problem,
  pieces,
  whole: false,
});

/** Of one place one thing is told, with all the pieces that are withheld for it. */
export const onePlaceEach = (withheld: readonly Withheld[]): Withheld[] => {
  const byPlace = new Map<string, Withheld>();
  for (const one of withheld) {
    const key = pathText(one.problem.path);
    const known = byPlace.get(key);
    byPlace.set(
      key,
      known === undefined
        ? one
        : { ...known, pieces: [...known.pieces, ...one.pieces], whole: known.whole || one.whole },
    );
  }
  return [...byPlace.values()];
};

/** What one pass adds to the frame; with problems, the roof is refused. */
export interface Added {
  readonly members: readonly Member[];
  readonly problems: readonly Problem[];
  readonly withheld?: readonly Withheld[];
  /** Pieces of passes before that give way here: the frame is made again without them. */
  readonly giveWay?: readonly Member[];
  /** Those of the passes before that it sawed again, a rafter notched over a purlin say. */
  readonly resawn?: readonly Member[];
  /** Rafters at a ridge that no other stands opposite, where ties are wanted. */
  readonly alone?: number;
  /** Joists that lie beside other timber in their place. */
  readonly slid?: number;
  /** Ties of pairs of rafters that have no room for them, where they would lie. */
  readonly noRoom?: readonly Member[];
}

/**
 * Makes the boards of one sort of timber from the primary frame, which it leaves as it is. `before` are those of the
 * passes before it, already sawn; what it saws of them again comes back beside its own.
 */
export type Pass = (site: Site, primary: Primary, before: readonly Member[]) => Added;
