import type { Off } from '@ogee/core/src/as-built';
import type { Job } from '@ogee/core/src/job';
import type { Measurement, Source } from '@ogee/core/src/log';
import { writeLength, writeTenth } from '../ui/length-entry';

export type Display = Job['display'];
/** The newest measurement of each thing, by its path. */
export type Taken = ReadonlyMap<string, Measurement>;

/** A length to a tenth of a millimetre, without its sign. */
export const tenth = (mm: number, display: Display): string => writeTenth(Math.abs(mm), display);

/** The same with its sign: how far something is off. */
export const signed = (mm: number, display: Display): string =>
  Math.abs(mm) < 0.05 ? writeLength(0, display) : `${mm > 0 ? '+' : '−'}${tenth(mm, display)}`;

/** Writes what was measured into the log. */
export type Write = (off: Off, what: string) => (mm: number, source: Source) => void;
