import { SLACK_SHARE } from './tolerance';

/** A stretch of a line, from low to high. */
export type Interval = readonly [low: number, high: number];

/** Sorted, none touching another; stretches closer than `near` are one. */
export const unite = (all: readonly Interval[], near: number): Interval[] => {
  if (all.length < 2) return [...all];
  const out: [number, number][] = [];
  for (const [low, high] of [...all].sort((p, q) => p[0] - q[0])) {
    const last = out[out.length - 1];
    if (last !== undefined && low <= last[1] + near) last[1] = Math.max(last[1], high);
    else out.push([low, high]);
  }
  return out;
};

/** What two lists of stretches have in common, longer than `least`. */
export const common = (
  one: readonly Interval[],
  other: readonly Interval[],
  least: number,
): Interval[] =>
  one.flatMap(([a, b]) =>
    other.flatMap(([c, d]): Interval[] => {
      const low = Math.max(a, c);
      const high = Math.min(b, d);
      return high - low > least ? [[low, high]] : [];
    }),
  );

/** What is left of the first list without the second, longer than `least`. */
export const without = (
  from: readonly Interval[],
  taken: readonly Interval[],
  least: number,
): Interval[] => {
  const sorted = [...taken].sort((p, q) => p[0] - q[0]);
  const rest: Interval[] = [];
  for (const [low, high] of from) {
    let reached = low;
    for (const [a, b] of sorted) {
      if (a >= high) break;
      if (b <= reached) continue;
      if (a - reached > least) rest.push([reached, a]);
      reached = b;
    }
    if (high - reached > least) rest.push([reached, high]);
  }
  return rest;
};

/** From the first to the last, both of them, evenly and no further apart than `most`; none where they pass each other. */
export const evenly = (first: number, last: number, most: number): number[] => {
  if (last < first) return [];
  const parts = Math.max(1, Math.ceil((last - first) / most - SLACK_SHARE.rounding));
  return Array.from({ length: parts + 1 }, (_, i) => first + ((last - first) * i) / parts);
};
