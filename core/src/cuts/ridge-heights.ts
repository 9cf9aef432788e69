import { KINDS } from '../kinds';
import { CUT_ALIKE_MM } from '../geom';
import { type Member } from '../frame';
import type { Roof } from '../roof';
import type { RidgeHeight } from './model';

/** Where the tops of ridges and of the purlins at breaks stand, each height once: the first numbers set out on site. */
export const ridgeHeights = (roof: Roof, members: readonly Member[]): RidgeHeight[] | null => {
  const [first] = members;
  if (first === undefined || !KINDS[first.kind].setByHeight) return null;
  const found: RidgeHeight[] = [];
  for (const { frame, topMm, axis, block } of members) {
    const top = frame.origin[2] + topMm / Math.cos(axis.slopeRad);
    const plate = roof.blocks.find(({ id }) => id === block)?.plateMm ?? 0;
    if (found.some((other) => Math.abs(other.top - top) <= CUT_ALIKE_MM)) continue;
    found.push({ top, abovePlate: top - plate, fall: axis.riseMm });
  }
  return found;
};
