import { valueAt, type Job } from '../job';
import { pathText, type Accepted, type Path } from '../problem';
import { inDegrees, inMm, say, type Measure, type Sentence } from '../sentence';

/** How far from what is there a value is looked for: in steps that grow, up to half as much again. */
const STEPS_MM = [5, 10, 20, 40, 80, 150, 300, 600, 1200, 2400];
const STEPS_SHARE = [0.05, 0.1, 0.15, 0.2, 0.25, 0.3];
const STEPS_DEG = [1, 2, 4, 6, 10, 15];
/** So many are offered. */
const MOST = 2;

/** A length is told this near to the one past which it would not do. mm */
const FINE_MM = 5;

interface Candidate {
  readonly path: Path;
  readonly value: unknown;
  readonly told: Measure | Sentence;
}

/** The ways that a job may have with something, where another may do. */
const WAYS: Readonly<Record<string, readonly (readonly [string, Sentence])[]>> = {
  'framing.gableStuds': [['flat', say`‹gable studs› flat under the rafter`]],
  'framing.lookouts': [['butted', say`‹lookouts› butted against the rafter`]],
};

const put = (from: unknown, [key, ...rest]: Path, value: unknown): unknown => {
  if (key === undefined) return value;
  if (Array.isArray(from))
    return from.map((one: unknown, i) => (i === key ? put(one, rest, value) : one));
  const own = typeof from === 'object' && from !== null ? from : {};
  return { ...own, [key]: put((own as Record<string | number, unknown>)[key], rest, value) };
};

/** A job with another value at a place. */
export const withValue = (job: Job, path: Path, value: unknown): Job =>
  put(job, path, value) as Job;

const round = (value: number): number => Math.round(value);

/** Up and down from a length, the nearest first; whole millimetres. */
const lengths = (path: Path, from: number): Candidate[] =>
  STEPS_MM.flatMap((step) =>
    [from + step, from - step]
      .map(round)
      .filter((value) => value > 0)
      .map((value) => ({ path, value, told: inMm(value) })),
  );

/** A place that is moved whole: along its wall, or up its slope. */
const moved = (path: Path, field: string, [from, to]: readonly [number, number]): Candidate[] =>
  STEPS_MM.flatMap((step) =>
    [step, -step].map((by) => {
      const value = [round(from + by), round(to + by)];
      return {
        path: [...path, field],
        value,
        told: say`${inMm(value[0] ?? 0)} to ${inMm(value[1] ?? 0)}`,
      };
    }),
  ).filter(({ value }) => (value[0] ?? 0) >= 0);

const isPair = (value: unknown): value is readonly [number, number] =>
  Array.isArray(value) && value.length === 2 && value.every((one) => typeof one === 'number');

/** Everything near what a place says that is worth a try, the nearest first. */
const candidates = (job: Job, path: Path): Candidate[] => {
  const ways = WAYS[pathText(path)];
  if (ways !== undefined) return ways.map(([value, told]) => ({ path, value, told }));
  const value = valueAt(job, path);
  if (typeof value === 'number') {
    if (path.at(-1) === 'at' && path[0] === 'purlins')
      return STEPS_SHARE.flatMap((step) => [value + step, value - step])
        .filter((share) => share > 0 && share < 1)
        .map((share) => {
          const at = Number(share.toFixed(2));
          return { path, value: at, told: say`${at} of the run` };
        });
    return lengths(path, value);
  }
  if (path.at(-1) === 'pitch' && typeof value === 'string') {
    const degrees = Number.parseFloat(value);
    return value.endsWith('°') || value.endsWith('deg')
      ? STEPS_DEG.flatMap((step) => [degrees + step, degrees - step])
          .filter((angle) => angle > 0)
          .map((angle) => ({ path, value: `${angle}°`, told: inDegrees(angle) }))
      : [];
  }
  if (typeof value !== 'object' || value === null) return [];
  // A length under another name: by its long point, by its distance.
  const own = Object.entries(value).find(
    ([key, one]) => typeof one === 'number' && ['distance', 'longPoint'].includes(key),
  );
  if (own !== undefined && typeof own[1] === 'number') return lengths([...path, own[0]], own[1]);
  const { along, up } = value as { along?: unknown; up?: unknown };
  const all = [
    isPair(along) ? moved(path, 'along', along) : [],
    isPair(up) ? moved(path, 'up', up) : [],
  ];
  const most = Math.max(...all.map((one) => one.length));
  return Array.from({ length: most }, (_, i) => all.flatMap((one) => one[i] ?? [])).flat();
};

/**
 * Values near what a place in a job says with which that place is framed whole, each of them tried: the nearest, and the
 * nearest on the other side of it or in another field.
 *
 * @param stands whether a job is framed with nothing withheld at the place, and no more withheld elsewhere
 */
export const acceptedValues = (
  job: Job,
  path: Path,
  stands: (job: Job) => boolean,
): readonly Accepted[] => {
  const found: (Candidate & { readonly side: string })[] = [];
  const before = valueAt(job, path);
  for (const one of candidates(job, path)) {
    const side = sideOf(before, one);
    if (found.some((known) => known.side === side)) continue;
    const works = (value: unknown): boolean => stands(withValue(job, one.path, value));
    if (!works(one.value)) continue;
    found.push({ ...nearest(before, one, works), side });
    if (found.length === MOST) break;
  }
  return found.map(({ path: at, value, told }) => ({
    path: at,
    value,
    text: 'words' in told ? told : say`${told}`,
  }));
};

/** Of a length that would do, the one nearest to what is there that would do as well. */
const nearest = (
  before: unknown,
  one: Candidate,
  works: (value: unknown) => boolean,
): Candidate => {
  if (typeof before !== 'number' || typeof one.value !== 'number' || before < 2 * FINE_MM)
    return one;
  let [bad, good] = [before, one.value];
  while (Math.abs(good - bad) > FINE_MM) {
    const middle = round((good + bad) / 2);
    if (works(middle)) good = middle;
    else bad = middle;
  }
  return { ...one, value: good, told: inMm(good) };
};

/** Which way from what is there a candidate lies, so that one of each way is offered. */
const sideOf = (before: unknown, { path, value }: Candidate): string => {
  const field = pathText(path);
  if (isPair(value)) {
    const was = (before as Record<string, unknown>)[String(path.at(-1))];
    return `${field} ${isPair(was) && value[0] > was[0] ? 'on' : 'back'}`;
  }
  return `${field} ${typeof before === 'number' && typeof value === 'number' && value > before ? 'up' : 'down'}`;
};
