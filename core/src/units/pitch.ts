import { degrees, formatDegrees, radians } from './angle';

/** Rise over run as written, or degrees as written: kept as the person gave it, so that nothing drifts. */
export type Pitch = string | { readonly rise: number; readonly run: number };

export type PitchStyle = 'in12' | 'degrees' | 'ratio';

export type PitchReading =
  | { readonly ok: true; readonly rad: number; readonly pitch: string }
  | { readonly ok: false; readonly text: string };

const EXAMPLES = 'write it like 9/12, 35° or 1:1.5';
const NUMBER = String.raw`(\d+(?:\.\d*)?|\.\d+)`;
/** A number with a fraction behind it: 4 3/4. */
const MIXED = String.raw`(\d+\s+\d+\/\d+|\d+(?:\.\d*)?|\.\d+)`;
const RATIO = new RegExp(String.raw`^${NUMBER}\s*(?:\/|:|in)\s*${NUMBER}$`);
const DEGREES = new RegExp(String.raw`^${NUMBER}\s*(?:°|degrees|degree|deg)$`);
const BARE = new RegExp(`^${MIXED}$`);
/** As a person types it: `7 12`, `4 3/4 in 12`. */
const PAIR = new RegExp(String.raw`^${MIXED}(?:\s*[/:]\s*|\s*in\s*|\s+)${NUMBER}$`);
const PERCENT = new RegExp(String.raw`^${NUMBER}\s*%$`);

const valueOf = (text: string): number => {
  const [whole = '', fraction = ''] = text.split(/\s+/);
  const [top, bottom] = fraction.split('/').map(Number);
  return Number(whole) + (top === undefined || bottom === undefined ? 0 : top / bottom);
};

const finish = (rad: number, pitch: string): PitchReading =>
  // A number that JavaScript writes with an exponent is no pitch, and could not be read again.
  rad > 0 && rad < Math.PI / 2 && !/e|Infinity/.test(pitch)
    ? { ok: true, rad, pitch }
    : { ok: false, text: `"${pitch}" is not a slope between level and plumb; ${EXAMPLES}` };

/**
 * Reads a pitch: `9/12`, `9:12`, `9 in 12`, `35°`, `35deg`. Where a person types it, `bare` says what a lone number
 * means, and `7 12`, `4 3/4`, `4 3/4 in 12` and `35%` are read too; a job file has none of these.
 *
 * @returns the slope in radians and the pitch in the job file's own writing
 */
export const parsePitch = (text: string, bare: 'in12' | 'degrees' | null = null): PitchReading => {
  const normal = text
    .trim()
    .toLowerCase()
    .replace(/(?<=\d),|,(?=\d)/g, '.');
  const ratio = RATIO.exec(normal);
  if (ratio !== null) {
    const rise = Number(ratio[1]);
    const run = Number(ratio[2]);
    return finish(Math.atan2(rise, run), `${rise}/${run}`);
  }
  const angle = DEGREES.exec(normal);
  if (angle !== null) return finish(radians(Number(angle[1])), `${Number(angle[1])}°`);
  if (bare === null) return { ok: false, text: `"${text.trim()}" is not a pitch; ${EXAMPLES}` };
  const percent = PERCENT.exec(normal);
  if (percent !== null)
    return finish(Math.atan2(Number(percent[1]), 100), `${Number(percent[1])}/100`);
  const pair = BARE.test(normal) ? null : PAIR.exec(normal);
  if (pair !== null) {
    const [rise, run] = [valueOf(pair[1] ?? ''), Number(pair[2])];
    return finish(Math.atan2(rise, run), `${rise}/${run}`);
  }
  if (BARE.test(normal)) {
    const value = valueOf(normal);
    return bare === 'in12'
      ? finish(Math.atan2(value, 12), `${value}/12`)
      : finish(radians(value), `${value}°`);
  }
  return { ok: false, text: `"${text.trim()}" is not a pitch; ${EXAMPLES}` };
};

/** The slope of a pitch that has already been checked, radians from level. */
export const pitchRad = (pitch: Pitch): number => {
  if (typeof pitch !== 'string') return Math.atan2(pitch.rise, pitch.run);
  const reading = parsePitch(pitch);
  if (!reading.ok) throw new Error(`pitch ${pitch} was not checked: ${reading.text}`);
  return reading.rad;
};

const trim = (value: number, places: number): string => String(Number(value.toFixed(places)));

/** A slope for a person; lossy to 1/100 of a unit in 12, or of a degree. */
export const formatPitch = (rad: number, style: PitchStyle): string => {
  if (style === 'degrees') return formatDegrees(degrees(rad), 2);
  if (style === 'in12') return `${trim(12 * Math.tan(rad), 2)}/12`;
  return `1:${trim(1 / Math.tan(rad), 3)}`;
};
