import type { LogEntry, Measurement } from '../log';

/** Where in the log a measurement of what stands belongs: one name for each thing that can be measured. */
export const asBuiltPath = {
  wall: (block: string, wall: number): string => `as-built/${block}/wall/${wall}`,
  /** From corner 1 to corner 3, 4, …, counted from 0. */
  diagonal: (block: string, which: number): string => `as-built/${block}/diagonal/${which}`,
  /** Of four walls, from corner 2 to corner 4. */
  check: (block: string): string => `as-built/${block}/check`,
  plate: (block: string, corner: number): string => `as-built/${block}/plate/${corner}`,
  ridge: (block: string): string => `as-built/${block}/ridge`,
  timber: (name: string, size: 'thickness' | 'depth' | 'twist'): string =>
    `as-built/timber/${name}/${size}`,
} as const;

/** The newest measurement of each thing, by its path: of entries in the order in which they came. */
export const newestMeasured = (entries: readonly LogEntry[]): ReadonlyMap<string, Measurement> =>
  new Map(
    entries.flatMap((entry) =>
      entry.kind === 'measurement' && entry.path?.startsWith('as-built/') === true
        ? [[entry.path, entry] as const]
        : [],
    ),
  );
