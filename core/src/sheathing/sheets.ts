import { SLACK_MM, area2, commonConvex, type Vec2 } from '../geom';
import type { SheathedSlope } from './sheathed';

/** One sheet, or a part of one, where it lies on a slope: u along the eave, v up it, mm. */
export interface LaidSheet {
  readonly u: readonly [from: number, to: number];
  readonly v: readonly [from: number, to: number];
  /** What of the roof it covers: convex pieces. */
  readonly covers: readonly (readonly Vec2[])[];
  /** whole: uncut; cut: from a sheet of its own; offcut: from what another left. */
  readonly from: 'whole' | 'cut' | 'offcut';
}

export interface LaidSlope {
  readonly sheets: readonly LaidSheet[];
  /** Sheets bought for it. */
  readonly bought: number;
  /** How many rows, and how high the last is: what it is ripped to. mm */
  readonly rows: number;
  readonly lastRow: number;
}

/** Less than this of a sheet is not laid. mm² */
const LEAST_MM2 = 100;
/** Offcuts smaller than this, either way, are not kept. mm */
const LEAST_OFFCUT_MM = 300;
/** A part this near a whole sheet is one: rounding. mm */
const WHOLE_MM = SLACK_MM.beside;

type Size = readonly [along: number, up: number];

/** A stretch of offcuts that a sheet leaves when a part is sawn from its corner. */
const leftOf = ([length, width]: Size, [along, up]: Size): Size[] =>
  (
    [
      [length - along, width],
      [along, width - up],
    ] as const
  ).filter((size) => size.every((mm) => mm >= LEAST_OFFCUT_MM));

/** How far pieces of a slope reach, along its eave and up it. mm */
export const boxOf = (pieces: readonly (readonly Vec2[])[]) => {
  const points = pieces.flat();
  const [us, vs] = [points.map(([u]) => u), points.map(([, v]) => v)];
  return {
    u: [Math.min(...us), Math.max(...us)] as const,
    v: [Math.min(...vs), Math.max(...vs)] as const,
  };
};

export const rectangle = ([u0, u1]: Size, [v0, v1]: Size): Vec2[] => [
  [u0, v0],
  [u1, v0],
  [u1, v1],
  [u0, v1],
];

/**
 * Sheets on a slope, their length along the eave: rows from the tails up, the joints of every second row half a sheet
 * along. What a part leaves of its sheet is used for a later part that fits in it, the same way up.
 *
 * @param sheet its length and width. mm
 */
export const layOut = ({ pieces }: SheathedSlope, [length, width]: Size): LaidSlope => {
  const whole = boxOf(pieces);
  const [[left, right], [low, high]] = [whole.u, whole.v];
  const rows = Math.max(1, Math.ceil((high - low) / width - WHOLE_MM / width));
  const offcuts: Size[] = [];
  const sheets: LaidSheet[] = [];
  let bought = 0;
  for (let row = 0; row < rows; row += 1) {
    const v: Size = [low + row * width, low + (row + 1) * width];
    const start = left - (row % 2 === 0 ? 0 : length / 2);
    for (let from = start; from < right - WHOLE_MM; from += length) {
      const u: Size = [from, from + length];
      const covers = pieces
        .map((piece) => commonConvex(rectangle(u, v), piece))
        .filter((piece) => piece.length > 2 && area2(piece) > LEAST_MM2);
      if (covers.length === 0) continue;
      const box = boxOf(covers);
      const needs: Size = [box.u[1] - box.u[0], box.v[1] - box.v[0]];
      const isWhole = needs[0] > length - WHOLE_MM && needs[1] > width - WHOLE_MM;
      const fits = offcuts
        .map((size, i) => ({ size, i }))
        .filter(({ size }) => size[0] >= needs[0] && size[1] >= needs[1])
        .sort((p, q) => p.size[0] * p.size[1] - q.size[0] * q.size[1])[0];
      if (!isWhole && fits !== undefined) {
        offcuts.splice(fits.i, 1, ...leftOf(fits.size, needs));
        sheets.push({ ...box, covers, from: 'offcut' });
        continue;
      }
      bought += 1;
      if (!isWhole) offcuts.push(...leftOf([length, width], needs));
      sheets.push({ ...box, covers, from: isWhole ? 'whole' : 'cut' });
    }
  }
  return { sheets, bought, rows, lastRow: high - low - (rows - 1) * width };
};
