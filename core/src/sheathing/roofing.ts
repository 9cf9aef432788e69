import { SLACK_MM, commonConvex } from '../geom';
import type { Job } from '../job';
import type { SheathedSlope } from './sheathed';
import { boxOf, rectangle } from './sheets';

/** Roofing sheets on one slope, laid up it side by side from its left edge as seen from the eave. mm */
export interface RoofingSlope {
  readonly block: string;
  readonly side: number;
  readonly sheets: number;
  /** How far the first sheet is set out past the slope's left edge, so that both ends are alike. */
  readonly offset: number;
  /** How far each reaches up from its lower edge, the first on the left; its length where it is not sawn to a hip or a valley. */
  readonly lengths: readonly number[];
}

/** Less than this of a sheet is rounding. mm */
const ROUNDING_MM = SLACK_MM.beside;

/** How many sheets a slope takes, each as long as its own strip of the slope and the overhang; none where none is given. */
export const roofingOn = (
  { roofing }: Job,
  { block, side, pieces }: SheathedSlope,
): RoofingSlope | null => {
  const cover = roofing?.cover;
  if (roofing === undefined || cover === undefined) return null;
  const {
    u: [left, right],
    v: [low, high],
  } = boxOf(pieces);
  const sheets = Math.max(1, Math.ceil((right - left - ROUNDING_MM) / cover));
  const offset = (sheets * cover - (right - left)) / 2;
  const lengths = Array.from({ length: sheets }, (_, i): number => {
    const from = left - offset + i * cover;
    const strip = rectangle([from, from + cover], [low, high]);
    const own = pieces
      .map((piece) => commonConvex(strip, piece))
      .filter(({ length }) => length > 0);
    const [foot, top] = own.length === 0 ? [low, low] : boxOf(own).v;
    // Over the tails it stands out; one that starts up a valley does not.
    return top - foot + (foot - low < ROUNDING_MM ? roofing.overhang : 0);
  });
  return { block, side, sheets, offset, lengths };
};
