import type { Job } from '@ogee/core/src/job';
import {
  formatLength,
  formatPitch,
  lengthFormat,
  parseLengthSum,
  parsePitch,
  splitImperial,
  type BareUnit,
} from '@ogee/core/src/units';

/** What was understood of what a person wrote, or why it was not. */
export type Reading<T> =
  | {
      readonly ok: true;
      readonly value: T;
      /** What was understood, said back. */
      readonly echo: string;
      /** As it would be written. */
      readonly written: string;
    }
  | { readonly ok: false; readonly text: string };

type Display = Job['display'];

/** What a phone's number pad lacks, by what is written. */
const IMPERIAL_KEYS = ["'", ' ', '/', '"', '+', '−'];
const METRIC_KEYS = [' ', 'm', 'mm', '+', '−', '/'];

/** As few decimals as say the length, two at the most. */
const decimals = (mm: number): number =>
  [0, 1].find((places) => Math.abs(Number(mm.toFixed(places)) - mm) < 0.005) ?? 2;

/** A length in the job's units, as fine as it was given. */
export const writeLength = (mm: number, display: Display): string =>
  formatLength(mm, lengthFormat(display, decimals(mm)));

/** The same to a tenth of a millimetre: for what is worked out, finer than any rule. */
export const writeTenth = (mm: number, display: Display): string =>
  writeLength(Math.round(mm * 10) / 10, display);

/** A length as near as it is read: to the crew's tick, or to a millimetre. mm */
export const asWritten = (mm: number, { units, fraction }: Display): number =>
  units === 'imperial' ? mm + splitImperial(mm, fraction).lossMm : Math.round(mm);

/** A board's section, the unit said once. */
export const writeStock = (
  { thickness, depth }: { readonly thickness: number; readonly depth: number },
  display: Display,
): string => {
  const [thin, deep] = [writeLength(thickness, display), writeLength(depth, display)];
  return display.units === 'metric' ? `${thin.replace(' mm', '')} × ${deep}` : `${thin} × ${deep}`;
};

export const readLengthEntry =
  (display: Display, bare: BareUnit) =>
  (text: string): Reading<number> => {
    const reading = parseLengthSum(text, bare);
    if (!reading.ok) return { ok: false, text: reading.text };
    const other: Display = {
      ...display,
      units: display.units === 'imperial' ? 'metric' : 'imperial',
    };
    const echo = `${writeLength(reading.mm, display)} (${writeLength(reading.mm, other)})`;
    return { ok: true, value: reading.mm, echo, written: writeLength(reading.mm, display) };
  };

export const readPitchEntry =
  (bare: Display['pitch']) =>
  (text: string): Reading<string> => {
    const reading = parsePitch(text, bare);
    if (!reading.ok) return { ok: false, text: reading.text };
    const echo = `${formatPitch(reading.rad, 'in12')}, ${formatPitch(reading.rad, 'degrees')}, ${formatPitch(reading.rad, 'ratio')}`;
    return { ok: true, value: reading.pitch, echo, written: reading.pitch };
  };

export const PITCH_KEYS = ['/', ' ', '°', '%'];

export const lengthKeys = (display: Display): readonly string[] =>
  display.units === 'imperial' ? IMPERIAL_KEYS : METRIC_KEYS;
