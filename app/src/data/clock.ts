import { useSyncExternalStore } from 'react';

/** A clock that is off by more than this is said; less is a slow answer, or the second that the header leaves out. */
const LARGE_MS = 5 * 60_000;

let offMs = 0;
const listeners = new Set<() => void>();

/** Takes note of the time at which the server answered, as its `Date` header says it. */
export const noteServerTime = (date: string | null, now = Date.now()): void => {
  const there = date === null ? NaN : Date.parse(date);
  if (!Number.isFinite(there)) return;
  const off = now - there;
  const next = Math.abs(off) > LARGE_MS ? off : 0;
  // What grows by seconds is no news.
  if (Math.abs(next - offMs) < LARGE_MS / 5) return;
  offMs = next;
  for (const listener of listeners) listener();
};

const UNITS = [
  ['day', 24 * 3_600_000],
  ['hour', 3_600_000],
  ['minute', 60_000],
] as const;

/** How far a clock is off, in the largest unit that is whole; null where it is right, or not known. */
export const clockWords = (off: number): string | null => {
  if (off === 0) return null;
  const [unit, size] = UNITS.find(([, ms]) => Math.abs(off) >= ms) ?? UNITS[2];
  const count = Math.round(Math.abs(off) / size);
  return `${count} ${unit}${count === 1 ? '' : 's'} ${off > 0 ? 'ahead' : 'behind'}`;
};

/** How far this device's clock is off the server's, in words; null where it is right, or not known. */
export const useClockOff = (): string | null =>
  clockWords(
    useSyncExternalStore(
      (listener) => {
        listeners.add(listener);
        return () => listeners.delete(listener);
      },
      () => offMs,
      () => 0,
    ),
  );
