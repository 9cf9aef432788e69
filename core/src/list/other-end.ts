import type { RunningMarks } from '../cuts';

/** A tape read from its other end: each near edge is what was the far one. */
export const fromOtherEnd = (tape: RunningMarks): RunningMarks => {
  const { length } = tape;
  if (length === undefined) return tape;
  return {
    ...tape,
    at: tape.at
      .map((one) => ({ ...one, mm: length - one.mm - (one.wide ?? 0) }))
      .sort((p, q) => p.mm - q.mm),
  };
};
