import { SAME_POINT_MM } from '../geom';
import { degrees, radians } from '../units';

/** The slope from two levels over a distance, degrees; less than 0 where it falls. */
export const slopeOfLevels = (low: number, high: number, distance: number): number =>
  degrees(Math.atan2(high - low, distance));

/** Stepping off with a square: whole steps, then what is left of the run. mm */
export interface Stepping {
  readonly steps: number;
  /** Along the edge, one step. */
  readonly step: number;
  /** Held on the square for each: run and rise. */
  readonly unit: readonly [run: number, rise: number];
  /** What is left over of the run, the same along the edge, and its rise. */
  readonly odd: { readonly run: number; readonly length: number; readonly rise: number };
}

/** A run that misses a whole step by less is one. mm */
const WHOLE_MM = SAME_POINT_MM;

/**
 * @param run of the rafter, mm
 * @param slope degrees
 * @param unitRun of one step, mm
 */
export const stepping = (run: number, slope: number, unitRun: number): Stepping => {
  const rad = radians(slope);
  const steps = Math.floor((run + WHOLE_MM) / unitRun);
  const left = Math.max(0, run - steps * unitRun);
  return {
    steps,
    step: unitRun / Math.cos(rad),
    unit: [unitRun, unitRun * Math.tan(rad)],
    odd: { run: left, length: left / Math.cos(rad), rise: left * Math.tan(rad) },
  };
};

/** Studs of a wall under a slope: each height, and the one difference between them. mm */
export const wallHeights = (
  first: number,
  slope: number,
  spacing: number,
  count: number,
): { readonly heights: readonly number[]; readonly difference: number } => {
  const difference = spacing * Math.tan(radians(slope));
  return {
    heights: Array.from({ length: count }, (_, i) => first + i * difference),
    difference,
  };
};

/** A saddle behind something that stands in a slope. mm and degrees */
export interface SaddleFigures {
  readonly rise: number;
  /** Level, from the back of what stands there to where it runs out in the slope. */
  readonly ridge: number;
  /** Along each valley, and its slope. */
  readonly valley: number;
  readonly valleySlope: number;
}

/**
 * @param width across the slope, of what stands in it, mm
 * @param main pitch of the slope, degrees
 * @param own pitch of the saddle, degrees
 */
export const saddleFigures = (width: number, main: number, own: number): SaddleFigures => {
  const rise = (width / 2) * Math.tan(radians(own));
  const ridge = rise / Math.tan(radians(main));
  const plan = Math.hypot(width / 2, ridge);
  return {
    rise,
    ridge,
    valley: Math.hypot(plan, rise),
    valleySlope: degrees(Math.atan2(rise, plan)),
  };
};
