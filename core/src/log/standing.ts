import type { LogEntry, Tick } from './model';

/** The ids of what was taken back. */
export const takenBack = (entries: readonly LogEntry[]): ReadonlySet<string> =>
  new Set(entries.flatMap((entry) => (entry.kind === 'undo' ? [entry.of] : [])));

/** Ticks that count, in the order in which they are given: an undo may have come before the tick that it takes back. */
export const standingTicks = (entries: readonly LogEntry[]): Tick[] => {
  const gone = takenBack(entries);
  return entries.filter((entry): entry is Tick => entry.kind === 'tick' && !gone.has(entry.id));
};
