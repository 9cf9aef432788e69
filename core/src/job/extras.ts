import type { Path, Problem } from '../problem';
import type { Job } from './schema';

/**
 * What a job asks for beyond its base frame (parts, planes, ridges, hips, valleys, rafters), by its place in the job. A part
 * of it that cannot stand is withheld; the roof is framed without it.
 */
const LISTS = [
  'saddles',
  'dormers',
  'openings',
  'purlins',
  'roofPurlins',
  'hipBraces',
] as const satisfies readonly (keyof Job)[];

/** Whole sorts of timber that a job asks for by naming them once. */
const SORTS: readonly Path[] = [
  ['collarTies'],
  ['rafterTies'],
  ['rafterTies', 'atHips'],
  ['rafterTies', 'spacers'],
  ['timber', 'backing'],
  ['timber', 'gableStud'],
  ['timber', 'barge'],
  ['timber', 'blocking'],
];

/** What stands at a place of a job; undefined where nothing does. */
export const valueAt = (from: unknown, path: Path): unknown =>
  path.reduce<unknown>(
    (at, key) =>
      typeof at === 'object' && at !== null
        ? (at as Record<string | number, unknown>)[key]
        : undefined,
    from,
  );

const within = (path: Path, place: Path): boolean => place.every((key, i) => path[i] === key);

/** Everything that a job asks for beyond its base, what is hung on first: it is asked for again in this order. */
export const extrasOf = (job: Job): Path[] => [
  ...LISTS.flatMap((list): Path[] =>
    (job[list] ?? []).flatMap((one, i): Path[] =>
      'struts' in one && one.struts !== undefined
        ? [
            [list, i],
            [list, i, 'struts'],
          ]
        : [[list, i]],
    ),
  ),
  ...job.blocks.flatMap(({ sides, ridgeBeam }, block): Path[] => [
    ...sides.flatMap((side, i): Path[] =>
      'posts' in side && side.posts !== undefined ? [['blocks', block, 'sides', i, 'posts']] : [],
    ),
    ...(ridgeBeam === undefined ? [] : [['blocks', block, 'ridgeBeam']]),
  ]),
  ...SORTS.filter((place) => valueAt(job, place) !== undefined),
];

/** What a problem's place is part of: the smallest thing there that the roof stands without; null where it is of the base. */
export const extraAt = (job: Job, path: Path): Path | null => {
  const [first, second] = path;
  // A sort's size and the crew's way with it are asked for in several places.
  const named =
    first === 'timber' && second === 'lookout'
      ? (['timber', 'barge'] as const)
      : first === 'framing' && second === 'gableStuds'
        ? (['timber', 'gableStud'] as const)
        : path;
  const found = extrasOf(job).filter((place) => within(named, place));
  return found.reduce<Path | null>(
    (smallest, place) => (smallest === null || place.length > smallest.length ? place : smallest),
    null,
  );
};

const without = (from: unknown, places: readonly Path[]): unknown => {
  if (typeof from !== 'object' || from === null) return from;
  const of = (key: string | number): readonly Path[] =>
    places.filter(([first]) => first === key).map(([, ...rest]) => rest);
  const stays = (key: string | number): boolean => of(key).every((rest) => rest.length > 0);
  if (Array.isArray(from))
    return from.flatMap((one: unknown, i) => (stays(i) ? [without(one, of(i))] : []));
  return Object.fromEntries(
    Object.entries(from)
      .filter(([key]) => stays(key))
      .map(([key, value]: [string, unknown]) => [
        key,
        of(key).length === 0 ? value : without(value, of(key)),
      ]),
  );
};

/** A job without some of what it asks for. */
export interface LessAsked {
  readonly job: Job;
  /** Places in it, as they are in the whole job. */
  readonly inWhole: (path: Path) => Path;
  readonly restored: (problems: readonly Problem[]) => Problem[];
}

/** The job without some extras; of each list what is left moves up. */
export const withoutExtras = (job: Job, places: readonly Path[]): LessAsked => {
  const inWhole = (path: Path): Path => {
    const [list, index, ...rest] = path;
    if (typeof index !== 'number') return path;
    const gone = new Set(
      places.flatMap(([key, i, ...inside]) =>
        key === list && typeof i === 'number' && inside.length === 0 ? [i] : [],
      ),
    );
    let at = -1;
    for (let left = index; left >= 0; left -= 1) {
      at += 1;
      while (gone.has(at)) at += 1;
    }
    return [list ?? '', at, ...rest];
  };
  return {
    job: places.length === 0 ? job : (without(job, places) as Job),
    inWhole,
    restored: (problems) => problems.map((one) => ({ ...one, path: inWhole(one.path) })),
  };
};
