/**
 * What became of a value, as the worker tells it to the page: only what is not as it was. What stayed is the very same
 * object there, so that nothing of it is drawn anew.
 *
 *   null        as it was
 *   { to }      another value
 *   { each }    a list or an object of the same shape, some of whose values changed
 */
export type Change =
  | null
  | { readonly to: unknown }
  | {
      readonly each: readonly (readonly [at: number | string, change: Change])[];
      readonly size?: number;
    };

type Fields = Readonly<Record<string, unknown>>;

const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const sameNames = (one: Fields, other: Fields): boolean => {
  const names = Object.keys(one);
  return names.length === Object.keys(other).length && names.every((name) => name in other);
};

/** What makes `next` of `before`. Both are plain data. */
export const changeOf = (before: unknown, next: unknown): Change => {
  if (Object.is(before, next)) return null;
  if (Array.isArray(before) && Array.isArray(next)) {
    const each = next.flatMap((value, at): [number, Change][] => {
      const change = at < before.length ? changeOf(before[at], value) : { to: value as unknown };
      return change === null ? [] : [[at, change]];
    });
    if (each.length === 0 && before.length === next.length) return null;
    // A list of numbers, a point, is told whole.
    return before.length === next.length && before.length <= 3
      ? { to: next }
      : { each, size: next.length };
  }
  if (isFields(before) && isFields(next) && sameNames(before, next)) {
    const each = Object.keys(next).flatMap((name): [string, Change][] => {
      const change = changeOf(before[name], next[name]);
      return change === null ? [] : [[name, change]];
    });
    return each.length === 0 ? null : { each };
  }
  return { to: next };
};

/** What `before` became by a change that was told of it. */
export const changed = (before: unknown, change: Change): unknown => {
  if (change === null) return before;
  if ('to' in change) return change.to;
  if (Array.isArray(before)) {
    const next: unknown[] = before.slice(0, change.size);
    for (const [at, inner] of change.each) next[Number(at)] = changed(before[Number(at)], inner);
    return next;
  }
  const next: Record<string, unknown> = { ...(before as Fields) };
  for (const [name, inner] of change.each) next[name] = changed(next[name], inner);
  return next;
};
