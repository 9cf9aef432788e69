import { extraAt, extrasOf, type Job } from '../job';
import { pathText, type Path, type Problem, type Result } from '../problem';
import { plainly } from '../sentence';

/** Something asked for that is left out of the frame as a whole, and why. */
export interface Dropped {
  readonly place: Path;
  readonly problem: Problem;
}

/** Why something is withheld, told at its own place where it was told of somewhere else. */
const toldAt = (place: Path, problem: Problem): Problem =>
  place.every((key, i) => problem.path[i] === key) ? problem : { ...problem, path: place };

/**
 * Asks for the base frame alone, then for one thing after the other beyond it, and leaves out each that does not stand with
 * those before it.
 *
 * @param frame frames and proves the job without some of what it asks for
 * @returns the frame with all that stands; or why its base does not
 */
export const sifted = <T>(
  job: Job,
  frame: (dropped: readonly Dropped[]) => Result<T>,
): Result<T> => {
  const all = extrasOf(job);
  const reason = (place: Path): Problem => ({
    code: 'not-framed',
    path: place,
    text: plainly(''),
  });
  const dropped = new Map(
    all.map((place) => [pathText(place), { place, problem: reason(place) }] as const),
  );
  let standing = frame([...dropped.values()]);
  if (!standing.ok) return standing;
  for (const place of all) {
    const key = pathText(place);
    // What is part of something left out is left out with it, and not told by itself.
    if ([...dropped.values()].some((one) => holds(one.place, place))) {
      dropped.delete(key);
      continue;
    }
    const own = dropped.get(key);
    if (own === undefined) continue;
    dropped.delete(key);
    const next = frame([...dropped.values()]);
    if (next.ok) standing = next;
    else {
      const [first] = next.problems;
      dropped.set(key, {
        place,
        problem: first === undefined ? own.problem : toldAt(place, first),
      });
    }
  }
  // Framed again for its reasons alone.
  const told = frame([...dropped.values()]);
  return told.ok ? told : standing;
};

const holds = (outer: Path, inner: Path): boolean =>
  outer.length < inner.length && outer.every((key, i) => inner[i] === key);

/** The extras that problems name, each with its own; null where none of them names one. */
export const extrasNamed = (job: Job, problems: readonly Problem[]): readonly Dropped[] => {
  const found = new Map<string, Dropped>();
  for (const problem of problems) {
    const place = extraAt(job, problem.path);
    if (place !== null) found.set(pathText(place), { place, problem });
  }
  return [...found.values()];
};
