import { lineCrossing, v2, v3, type BoardFrame, type Vec2, type Vec3 } from '../geom';
import type { SideLine } from '../roof';
import { memberId, planeOf, sideOf, type Bay } from './bay';
import { plumbFrame, plumbKeep } from './board';
import { hipTimber } from './hip-line';
import type { EndCut, Member } from './member';

/** Where the tails' line of one side crosses its neighbour's, or the rake's. */
const cornerOut = (side: SideLine, next: SideLine): Vec2 => {
  const out = (line: SideLine): Vec2 => v2.add(line.start, v2.scale(line.inward, -line.overhangMm));
  const at = lineCrossing(out(side), side.along, out(next), next.along);
  if (at === null) throw new Error(`frame: sides ${side.index} and ${next.index} run in one line`);
  return at;
};

/** Mitred on the hip's plan line at a hip corner, square at a rake. */
const endAt = (bay: Bay, side: SideLine, which: 'start' | 'end', corner: Vec2): EndCut => {
  const count = bay.roof.sides.length;
  const index = which === 'start' ? side.index : (side.index + 1) % count;
  const next = sideOf(bay.roof, which === 'start' ? side.index - 1 + count : side.index + 1);
  const away = which === 'start' ? v2.scale(side.along, -1) : side.along;
  const at = which === 'start' ? ('bottom' as const) : ('top' as const);
  if (next.roof !== 'eave')
    return { at, name: 'end cut', keep: plumbKeep(corner, away), meets: null };
  const across = v2.left(hipTimber(bay, index).heading);
  const outward = v2.dot(across, away) > 0 ? across : v2.scale(across, -1);
  const meets = memberId(bay, 'fascia', next.index);
  return { at, name: 'mitre', keep: plumbKeep(corner, outward), meets };
};

/**
 * The board's frame, its origin on the centre of its thickness at the first corner. Its back lies on the tails.
 *
 *    plumb tail   │▌        square tail   ╱▌╲
 *                 │▌ fascia               ╱▌
 */
const fasciaFrame = (bay: Bay, side: SideLine, corner: Vec2, thickness: number): BoardFrame => {
  const { slopeRad, rise } = planeOf(bay.roof, side.index);
  const z = bay.roof.plateMm + bay.roof.hapMm - rise * side.overhangMm;
  const a: Vec3 = [side.along[0], side.along[1], 0];
  const square = bay.job.framing.tail === 'square' && side.overhangMm > 0;
  const e: Vec3 = square ? plumbFrame([0, 0, 0], side.inward, slopeRad).e : [0, 0, 1];
  const s = v3.cross(e, a);
  const back: Vec3 = [corner[0], corner[1], z];
  return { origin: v3.add(back, v3.scale(s, -thickness / 2)), a, s, e };
};

/** One fascia an eave, as long as the roof is there. */
export const fascias = (bay: Bay): Member[] => {
  const stock = bay.job.timber.fascia;
  if (stock === undefined) return [];
  const count = bay.roof.sides.length;
  return bay.roof.sides
    .filter((side) => side.roof === 'eave')
    .map((side) => {
      const start = cornerOut(side, sideOf(bay.roof, side.index - 1 + count));
      const end = cornerOut(side, sideOf(bay.roof, side.index + 1));
      const { rise } = planeOf(bay.roof, side.index);
      const frame = fasciaFrame(bay, side, start, stock.thickness);
      const plumb = frame.e[2] === 1;
      return {
        id: memberId(bay, 'fascia', side.index),
        kind: 'fascia' as const,
        block: bay.roof.id,
        side: side.index,
        stock,
        frame,
        // A plumb fascia's outer top arris lies in the roof plane, so that nothing stands proud.
        topMm: plumb ? -rise * stock.thickness : 0,
        ends: [endAt(bay, side, 'end', end), endAt(bay, side, 'start', start)],
        notch: null,
        bevels: [],
        mayStandProud: false,
        plan: {
          runMm: v2.distance(start, end),
          slopeRad: 0,
          commonRise: rise,
          runPerCommon: 1,
          eaveAngleRad: null,
          backingRad: null,
          dropMm: null,
        },
      };
    });
};
