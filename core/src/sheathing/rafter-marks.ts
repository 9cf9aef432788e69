import { SLACK_MM, v2, type Vec2 } from '../geom';
import type { LaidSheet } from './sheets';

/** A rafter's centre line on a slope laid flat: u along the eave, v up it, mm. */
export interface RafterLine {
  readonly from: Vec2;
  readonly to: Vec2;
}

/** A rafter that lies under less of a sheet than this, up the slope, takes no nails of it. mm */
const LEAST_UNDER_MM = 50;
/** Rafters lie straight up the slope, to rounding; hips and valleys do not. */
const STRAIGHT_MM = SLACK_MM.nothing;

/** Where the rafters' centres are marked along a sheet, from its left edge as seen from the eave. mm */
export const rafterMarks = ({ u, v }: LaidSheet, rafters: readonly RafterLine[]): number[] =>
  rafters
    .filter(({ from, to }) => {
      const straight = Math.abs(v2.sub(to, from)[0]) < STRAIGHT_MM;
      const [low, high] = [Math.min(from[1], to[1]), Math.max(from[1], to[1])];
      const under = Math.min(high, v[1]) - Math.max(low, v[0]);
      return straight && from[0] > u[0] && from[0] < u[1] && under > LEAST_UNDER_MM;
    })
    .map(({ from }) => from[0] - u[0])
    .sort((p, q) => p - q)
    .filter((mm, i, all) => i === 0 || mm - (all[i - 1] ?? 0) > STRAIGHT_MM);
