import { v2, type Vec2 } from '../geom';
import { inPlan, kingReachesRidge, memberId, ridgePast, type Bay } from './bay';
import { plumbFrame, plumbKeep } from './board';
import type { EndCut, Member } from './member';

/**
 * How far the ridge's top lies below the planes' line: level with the rafters' tops where they touch its faces, and at
 * a hip end no higher than the end slope where the ridge runs past the meeting point.
 */
const topBelowLine = (bay: Bay, thickness: number): number => {
  const pasts = bay.ends.map((end) => (end.kind === 'hip' ? ridgePast(bay) : 0));
  return bay.rise * Math.max(thickness / 2, ...pasts);
};

/** The ridge, level. */
export const ridges = (bay: Bay): Member[] => {
  if (!bay.hasRidge) return [];
  const stock = bay.job.timber.ridge;
  if (stock === undefined) throw new Error('frame: a ridge without a size passed the check');
  const heading: Vec2 = bay.a.along;
  const ends = bay.ends.map((end, i): EndCut => {
    const outward = i === 0 ? v2.scale(heading, -1) : heading;
    const past = end.kind === 'hip' ? ridgePast(bay) : 0;
    const at = v2.add(inPlan(end.point), v2.scale(outward, past));
    return {
      at: i === 0 ? 'bottom' : 'top',
      name: 'end cut',
      keep: plumbKeep(at, outward),
      meets:
        end.kind === 'hip' && kingReachesRidge(bay)
          ? memberId(bay, 'king-common', end.side.index, 0)
          : null,
    };
  });
  return [
    {
      id: memberId(bay, 'ridge'),
      kind: 'ridge',
      block: bay.roof.id,
      side: null,
      stock,
      frame: plumbFrame(bay.ends[0].point, heading, 0),
      topMm: -topBelowLine(bay, stock.thickness),
      ends,
      notch: null,
      bevels: [],
      mayStandProud: false,
      plan: {
        runMm: v2.distance(inPlan(bay.ends[0].point), inPlan(bay.ends[1].point)),
        slopeRad: 0,
        commonRise: bay.rise,
        runPerCommon: 1,
        eaveAngleRad: null,
        backingRad: null,
        dropMm: null,
      },
    },
  ];
};
