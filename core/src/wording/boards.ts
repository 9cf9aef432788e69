import { SLACK_SHARE } from '../geom';
import type { Job } from '../job';
import { leastMm, say, spoken } from '../sentence';
import { MM_PER_FOOT, MM_PER_INCH } from '../units';

/** Metric boards are asked for in steps of this. mm */
const METRIC_STEP_MM = 100;
/** A hair over a whole length is that length: rounding, not wood. */
const SLACK = SLACK_SHARE.rounding;

/** The board that a piece is sawn from, in whole lengths as they are asked for: never shorter than its blank. */
export const boardNeeded = (blankMm: number, { units }: Job['display']): string => {
  const step = units === 'imperial' ? MM_PER_FOOT : METRIC_STEP_MM;
  const whole = Math.ceil(blankMm / step - SLACK);
  return units === 'imperial'
    ? `${whole} ft board`
    : `${((whole * METRIC_STEP_MM) / 1000).toFixed(1)} m board`;
};

/** A length in whole ticks of the crew's tape, never less than it is. mm */
export const roundedUp = (mm: number, { units, fraction }: Job['display']): number => {
  const tick = units === 'imperial' ? MM_PER_INCH / fraction : 1;
  return Math.ceil(mm / tick - SLACK) * tick;
};

/** A length that must not be fallen short of, told no shorter than it is. */
export const atLeast = (mm: number, display: Job['display']): string =>
  spoken(say`${leastMm(mm)}`, display);
