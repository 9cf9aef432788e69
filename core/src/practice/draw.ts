/** Chance that begins at a number: the same number draws the same. */
export interface Draw {
  /** A whole number from `low` to `high`, both of them among it. */
  readonly whole: (low: number, high: number) => number;
  readonly one: <T>(of: readonly [T, ...T[]]) => T;
  readonly shuffled: <T>(all: readonly T[]) => T[];
}

/** Seeded by a whole number; 32 bits of state. */
export const drawFrom = (seed: number): Draw => {
  let state = seed >>> 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
  const whole = (low: number, high: number): number => low + Math.floor(next() * (high - low + 1));
  return {
    whole,
    one: (of) => of[whole(0, of.length - 1)] ?? of[0],
    shuffled: (all) =>
      all
        .map((value) => ({ value, at: next() }))
        .sort((p, q) => p.at - q.at)
        .map(({ value }) => value),
  };
};
