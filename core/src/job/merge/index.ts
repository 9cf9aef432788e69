/**
 * Two jobs that were made of one, as one that has what each changed.
 *
 * Takes three jobs as they are read; promises a job in which each thing stands as whoever changed it left it, known by its
 * own name wherever it stands in the file; and what both changed otherwise. Merged in either order it comes to the same,
 * but for the names of parts that both added.
 * Nothing here checks the whole: it is read, and framed, like any other job.
 */
import { dequal } from 'dequal';
import type { Vec2 } from '../../geom';
import type { Path } from '../../problem';
import type { Job } from '../schema';
import { mergedOutline } from './outline';
import { renamings, withPartRenamed, type Renaming } from './parts';

export { withPartRenamed, type Renaming } from './parts';

/** Something that both changed otherwise. */
export interface Clash {
  /** Where it stands: in `mine`, or in `theirs` where it is not in mine. Of an outline, down to the wall. */
  readonly path: Path;
  /** What it was, and is with either; undefined where there is none. Of an outline, the wall's ends. */
  readonly was: unknown;
  readonly mine: unknown;
  readonly theirs: unknown;
}

export interface Merged {
  readonly job: Job;
  readonly clashes: readonly Clash[];
  /** Parts of mine that have another name in it: theirs have that one. */
  readonly renamed: readonly Renaming[];
}

/** Whose stands where both changed the same. */
export type Preferred = 'mine' | 'theirs';

type Fields = Readonly<Record<string, unknown>>;

/** What is one figure, however it is written. */
const WHOLE: ReadonlySet<string> = new Set([
  'seat',
  'pitch',
  'at',
  'bottom',
  'along',
  'up',
  'sheet',
]);

const text = (...parts: readonly unknown[]): string => parts.map(String).join(' ');

/** By what the things of a list are known. Those without a name of their own are counted among their like. */
const NAMES: Readonly<Record<string, (one: Fields) => string>> = {
  blocks: ({ id }) => text(id),
  openings: ({ id }) => text(id),
  saddles: ({ id }) => text(id),
  dormers: ({ id }) => text(id),
  purlins: ({ block, side }) => text(block, side),
  roofPurlins: ({ block, side }) => text(block, side),
  hipBraces: ({ block, corner }) => text(block, corner),
  fixings: ({ place }) => text(place),
};

const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Things of a list by their names, with their places. */
const byName = (list: readonly unknown[], name: (one: Fields) => string) => {
  const named = new Map<string, { readonly at: number; readonly one: unknown }>();
  const counted = new Map<string, number>();
  for (const [at, one] of list.entries()) {
    const own = isFields(one) ? name(one) : text(one);
    const count = counted.get(own) ?? 0;
    counted.set(own, count + 1);
    named.set(`${own}\t${count}`, { at, one });
  }
  return named;
};

/** Names each once, as they come; but what stands side by side and is new to both is in the order of its names. */
const inOrder = (names: readonly string[], isOld: (name: string) => boolean): string[] => {
  const ordered: string[] = [];
  let fresh: string[] = [];
  const settle = (): void => {
    ordered.push(...fresh.sort());
    fresh = [];
  };
  for (const name of new Set(names)) {
    if (!isOld(name)) fresh.push(name);
    else {
      settle();
      ordered.push(name);
    }
  }
  settle();
  return ordered;
};

class Merging {
  readonly clashes: Clash[] = [];

  constructor(private readonly preferred: Preferred) {}

  value(was: unknown, mine: unknown, theirs: unknown, path: Path): unknown {
    if (dequal(mine, was)) return theirs;
    if (dequal(theirs, was) || dequal(mine, theirs)) return mine;
    const [key] = path.slice(-1);
    if (key === 'outline') return this.outline(was, mine, theirs, path);
    const lists = [was ?? [], mine ?? [], theirs ?? []];
    const name = path.length === 1 ? NAMES[String(key)] : undefined;
    if (lists.every((one): one is unknown[] => Array.isArray(one))) {
      const [a, b, c] = lists as [unknown[], unknown[], unknown[]];
      if (name !== undefined) return this.list([a, b, c], name, path);
      if (!WHOLE.has(String(key)) && a.length === b.length && a.length === c.length)
        return b.map((one, i) => this.value(a[i], one, c[i], [...path, i]));
    }
    if (this.isOneThing(was, mine, theirs, String(key)))
      return this.fields(isFields(was) ? was : {}, mine as Fields, theirs as Fields, path);
    return this.clash({ path, was, mine, theirs });
  }

  /** Whether all are the same sort of thing, so that its fields may be merged one by one. */
  private isOneThing(was: unknown, mine: unknown, theirs: unknown, key: string): boolean {
    if (WHOLE.has(key) || !isFields(mine) || !isFields(theirs)) return false;
    return mine['roof'] === theirs['roof'] && (was === undefined || isFields(was));
  }

  private fields(was: Fields, mine: Fields, theirs: Fields, path: Path): Fields {
    // In the file's own order, as far as there is one.
    const keys = new Set([...Object.keys(theirs), ...Object.keys(mine)]);
    const merged: Record<string, unknown> = {};
    for (const key of keys) {
      const value = this.value(was[key], mine[key], theirs[key], [...path, key]);
      if (value !== undefined) merged[key] = value;
    }
    return merged;
  }

  private list(
    [was, mine, theirs]: readonly [readonly unknown[], readonly unknown[], readonly unknown[]],
    name: (one: Fields) => string,
    path: Path,
  ): unknown[] {
    const [a, b, c] = [byName(was, name), byName(mine, name), byName(theirs, name)];
    return inOrder([...c.keys(), ...b.keys()], (one) => a.has(one)).flatMap((one) => {
      const at = b.get(one)?.at ?? c.get(one)?.at ?? 0;
      const value = this.value(a.get(one)?.one, b.get(one)?.one, c.get(one)?.one, [...path, at]);
      return value === undefined ? [] : [value];
    });
  }

  private outline(was: unknown, mine: unknown, theirs: unknown, path: Path): unknown {
    const [a, b, c] = [was, mine, theirs] as (readonly Vec2[] | undefined)[];
    const merged =
      a === undefined || b === undefined || c === undefined ? null : mergedOutline(a, b, c);
    if (a === undefined || b === undefined || c === undefined || merged === null)
      return this.clash({ path, was, mine, theirs });
    if (merged.walls.length === 0) return merged.outline;
    const ends = (outline: readonly Vec2[], wall: number) => [
      outline[wall],
      outline[(wall + 1) % outline.length],
    ];
    for (const wall of merged.walls)
      this.clashes.push({
        path: [...path, wall],
        was: ends(a, wall),
        mine: ends(b, wall),
        theirs: ends(c, wall),
      });
    return this.preferred === 'mine' ? merged.outline : (mergedOutline(a, c, b)?.outline ?? theirs);
  }

  private clash(clash: Clash): unknown {
    this.clashes.push(clash);
    return clash[this.preferred];
  }
}

/** Openings that two people named alike are told apart again. */
const openingsApart = (job: Job): Job => {
  const taken = new Set<string>();
  return {
    ...job,
    openings: job.openings.map((opening) => {
      let { name } = opening;
      for (let n = 2; taken.has(name); n += 1) name = `${opening.name.slice(0, 36)} (${n})`;
      taken.add(name);
      return name === opening.name ? opening : { ...opening, name };
    }),
  };
};

/**
 * @param was what both were made of
 * @param preferred whose stands where both changed the same
 */
export const merged = (was: Job, mine: Job, theirs: Job, preferred: Preferred = 'mine'): Merged => {
  if (dequal(mine, was)) return { job: theirs, clashes: [], renamed: [] };
  if (dequal(theirs, was)) return { job: mine, clashes: [], renamed: [] };
  const merging = new Merging(preferred);
  const renamed = renamings(was, mine, theirs);
  const own = renamed.reduce(withPartRenamed, mine);
  const job = merging.value(was, own, theirs, []) as Job;
  // How it is shown, and what last wrote it, is no question for anybody.
  const clashes = merging.clashes.filter(
    ({ path: [first] }) => first !== 'display' && first !== 'madeWith',
  );
  return { job: openingsApart(job), clashes, renamed };
};
