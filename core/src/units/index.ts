/**
 * Lengths, pitches and angles as people write and read them.
 *
 * Takes text or millimetres/radians; promises exact millimetres in, and on the way out a rounding that is
 * stated (`lossMm`). Carries are whole: never `12"` where a foot is meant, never `16/16`.
 */
export { parseLengthSum } from './length-sum';
export { parseLength, type BareUnit, type LengthReading } from './parse-length';
export {
  formatLength,
  splitImperial,
  lengthFormat,
  MM_PER_INCH,
  MM_PER_FOOT,
  type LengthFormat,
  type ImperialParts,
} from './format-length';
export { spokenLength } from './spoken-length';
export { parsePitch, formatPitch, pitchRad, type Pitch, type PitchStyle } from './pitch';
export { degrees, radians, formatDegrees } from './angle';
