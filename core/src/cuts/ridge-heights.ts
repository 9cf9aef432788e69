import { KINDS } from '../kinds';
import { CUT_ALIKE_MM } from '../geom';
import { type Member } from '../frame';
import type { Roof } from '../roof';
import type { RidgeHeight } from './model';

/** How high a timber's highest edge stands at its lower end: of one that lies canted, the uphill one. mm */
const topOf = ({ frame, topMm, axis, stock }: Member): number =>
  axis.level
    ? frame.origin[2] + topMm * frame.e[2] + (stock.thickness / 2) * Math.abs(frame.s[2])
    : frame.origin[2] + topMm / Math.cos(axis.slopeRad);

/** Where the tops of ridges and of purlins stand, each height once: the first numbers set out on site. */
export const ridgeHeights = (roof: Roof, members: readonly Member[]): RidgeHeight[] | null => {
  const [first] = members;
  if (first === undefined || !KINDS[first.kind].setByHeight) return null;
  const found: RidgeHeight[] = [];
  for (const member of members) {
    const { axis, block } = member;
    const top = topOf(member);
    const plate = roof.blocks.find(({ id }) => id === block)?.plateMm ?? 0;
    if (found.some((other) => Math.abs(other.top - top) <= CUT_ALIKE_MM)) continue;
    found.push({ top, abovePlate: top - plate, fall: axis.riseMm });
  }
  return found;
};
