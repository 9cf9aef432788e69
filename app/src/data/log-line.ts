import { newId } from '../browser/new-id';
import type { LogEntry } from '@ogee/core/src/log';

/** What is new of a line: its own id, when and who are written beside it. */
export type NewLine = LogEntry extends infer E
  ? E extends LogEntry
    ? Omit<E, 'id' | 'at' | 'by'>
    : never
  : never;

/** A line as it is written: with an id of its own, when, and by whom. */
export const signed = (line: NewLine, who: string): LogEntry => ({
  ...line,
  id: newId(),
  at: new Date().toISOString(),
  by: who,
});
