/**
 * The roof's slopes → sheets.
 *
 * Takes the job and its roof; promises the true area of every slope, how the sheets lie on it in its own plane, how many
 * are bought, and the angle and tilt that they are sawn to at hips and valleys.
 */
import { standsAlready, type Job } from '../job';
import type { Roof } from '../roof';
import { sheathedSlopes, trueArea, type SheathedEdge, type SheathedSlope } from './sheathed';
import { layOut, type LaidSlope } from './sheets';

export type { LaidSheet } from './sheets';
export { inPlane } from './sheathed';
export { rafterMarks, type RafterLine } from './rafter-marks';
export { roofingOn, type RoofingSlope } from './roofing';

/** Where the job gives no sheet: eight feet by four, or 2440 × 1220. mm */
const USUAL = { imperial: [2438.4, 1219.2], metric: [2440, 1220] } as const;

/** The sheets that the crew lays: length and width. mm */
export const sheetOf = ({ sheathing, display }: Job): readonly [number, number] =>
  sheathing?.sheet ?? USUAL[display.units];

/** What is said of the sheathing in the list. mm², mm and degrees. */
export interface Sheathing {
  readonly area: number;
  readonly slopes: readonly {
    readonly block: string;
    readonly side: number;
    readonly area: number;
    readonly sheets: number;
    readonly rows: number;
    readonly lastRow: number;
    readonly edges: readonly SheathedEdge[];
  }[];
}

/** A slope with its sheets, to be drawn. */
export interface SheetedSlope extends SheathedSlope, LaidSlope {}

/** Every slope with its sheets where they lie. */
export const sheetedSlopes = (job: Job, roof: Roof): SheetedSlope[] =>
  sheathedSlopes(roof)
    // What stands already has its sheathing.
    .filter(({ block }) => !job.blocks.some((one) => one.id === block && standsAlready(one)))
    .map((slope) => ({ ...slope, ...layOut(slope, sheetOf(job)) }));

/** Areas, sheets and edges, slope by slope. */
export const sheathingOf = (job: Job, roof: Roof): Sheathing => {
  const slopes = sheetedSlopes(job, roof).map((slope) => ({
    block: slope.block,
    side: slope.side,
    area: trueArea(slope),
    sheets: slope.bought,
    rows: slope.rows,
    lastRow: slope.lastRow,
    edges: slope.edges,
  }));
  return { area: slopes.reduce((sum, { area }) => sum + area, 0), slopes };
};
