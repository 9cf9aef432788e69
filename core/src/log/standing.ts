import type { LogEntry, Tick } from './model';

/** In whatever order entries came from several phones: as they were written, and those of one instant by their id. */
export const inOrder = (entries: readonly LogEntry[]): LogEntry[] =>
  [...entries].sort((p, q) =>
    p.at === q.at ? (p.id < q.id ? -1 : p.id > q.id ? 1 : 0) : p.at < q.at ? -1 : 1,
  );

/** The ids of what was taken back. */
export const takenBack = (entries: readonly LogEntry[]): ReadonlySet<string> =>
  new Set(entries.flatMap((entry) => (entry.kind === 'undo' ? [entry.of] : [])));

/** Ticks that count, in order: an undo may have come before the tick that it takes back. */
export const standingTicks = (entries: readonly LogEntry[]): Tick[] => {
  const gone = takenBack(entries);
  return inOrder(entries).filter(
    (entry): entry is Tick => entry.kind === 'tick' && !gone.has(entry.id),
  );
};
