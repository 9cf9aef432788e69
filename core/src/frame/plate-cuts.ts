import { halfSpace, v2, v3, type HalfSpace, type Vec2 } from '../geom';
import type { SideLine } from '../roof';
import { memberId, planeOf, type Bay } from './bay';
import { plumbFrame, plumbKeep } from './board';
import type { EndCut, Notch } from './member';

/** The plane of a tail: plumb or square through the top corner, `overhang` out from the plate's outside face. */
const tailKeep = (bay: Bay, side: SideLine): HalfSpace => {
  const at = v2.add(side.start, v2.scale(side.inward, -side.overhangMm));
  const outward = v2.scale(side.inward, -1);
  if (bay.job.framing.tail === 'plumb' || side.overhangMm === 0) return plumbKeep(at, outward);
  const { slopeRad, rise } = planeOf(bay.roof, side.index);
  const z = bay.roof.plateMm + bay.roof.hapMm - rise * side.overhangMm;
  const frame = plumbFrame([at[0], at[1], z], side.inward, slopeRad);
  return halfSpace(frame.origin, v3.scale(frame.a, -1));
};

/** Seat on the plate's top, heel on a plumb plane through `corner` facing out of the building along `outward`. */
export const seatNotch = (bay: Bay, corner: Vec2, outward: Vec2, hasTail: boolean): Notch => ({
  seat: {
    at: 'seat',
    name: 'seat cut',
    keep: halfSpace([corner[0], corner[1], bay.roof.plateMm], [0, 0, -1]),
    meets: null,
  },
  heel: hasTail
    ? { at: 'heel', name: 'heel cut', keep: plumbKeep(corner, v2.scale(outward, -1)), meets: null }
    : null,
});

/** The tail's cut on the fascia line of one side. */
export const tailCut = (bay: Bay, side: SideLine, name: string): EndCut => ({
  at: 'tail',
  name,
  keep: tailKeep(bay, side),
  meets: bay.job.timber.fascia === undefined ? null : memberId(bay, 'fascia', side.index),
});
