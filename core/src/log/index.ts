/**
 * What happened on site: ticks, measurements, corrections, tests, notes.
 *
 * Entries are written once, each with its own id, and never changed; two phones may write without knowing of each
 * other, and what stands is the same in whatever order their entries come together.
 */
export { CAUSES, LOG_KINDS, logEntrySchema, sawnSchema, SOURCES } from './model';
export type { Cause, LogEntry, LogKind, Measurement, SawnPiece, Source, Tick } from './model';
export { standingTicks, takenBack } from './standing';
