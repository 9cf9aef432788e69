import { planeAt, v2, v3, type HalfSpace, type Vec3 } from '../geom';
import type { SideLine } from '../roof';
import { inPlan, memberId, planeOf, ridgeThickness, runFrom, sideOf, type Bay } from './bay';
import { plumbFrame, plumbKeep } from './board';
import { hipTimber, type HipTimber } from './hip-line';
import type { EndCut, Member } from './member';
import { seatNotch, tailCut } from './plate-cuts';
import { ridgeStations } from './ridge-stations';

/** The common or king common of one side that stands where the hip ends. */
const rafterAtTop = (bay: Bay, hip: HipTimber, side: SideLine): string => {
  if (!bay.hasRidge || (side !== bay.a && side !== bay.b)) {
    return memberId(bay, 'king-common', side.index, 0);
  }
  const atFirst = hip.sides.includes(bay.ends[0].side);
  return memberId(bay, 'common', side.index, atFirst ? 0 : ridgeStations(bay).at.length - 1);
};

/** Faces of the two rafters that stand at the hip's top: the piece is cut into the corner between them. */
const toCommons = (bay: Bay, hip: HipTimber): EndCut[] =>
  hip.sides.map((side, i): EndCut => {
    const towardCorner = i === 0 ? side.along : v2.scale(side.along, -1);
    const half = bay.job.timber.common.thickness / 2;
    const at = v2.add(inPlan(hip.high), v2.scale(towardCorner, half));
    return {
      at: 'top',
      name: 'cheek cut',
      keep: plumbKeep(at, v2.scale(towardCorner, -1)),
      meets: rafterAtTop(bay, hip, side),
    };
  });

/** One cheek, on the ridge's side face. */
const toRidge = (bay: Bay, hip: HipTimber): EndCut[] => {
  const side = hip.sides.find((one) => one === bay.a || one === bay.b);
  if (side === undefined) throw new Error('frame: a hip parts a side of the ridge from an end');
  const at = v2.add(inPlan(hip.high), v2.scale(side.inward, -ridgeThickness(bay) / 2));
  return [
    {
      at: 'top',
      name: 'cheek cut',
      keep: plumbKeep(at, side.inward),
      meets: memberId(bay, 'ridge'),
    },
  ];
};

/**
 * How the hip's top is fitted under the two roof planes, read off the planes themselves:
 *
 *      \ plane a | plane b /      drop: lower the square top until its arrises touch
 *       \________|________/       backing: bevel each half down to the planes
 */
const fitTop = (bay: Bay, hip: HipTimber, e: Vec3, across: Vec3) => {
  const planes = hip.sides.map((side) => planeOf(bay.roof, side.index).plane);
  const [before, after] = planes;
  if (before === undefined || after === undefined) throw new Error('frame: a hip parts two planes');
  const origin: Vec3 = [hip.low[0], hip.low[1], bay.roof.plateMm + bay.roof.hapMm];
  const arris = [1, -1].map((k) => v3.add(origin, v3.scale(across, (k * hip.stock.thickness) / 2)));
  // Height of an arris above the plane beneath it, plumb. The lowest plane governs.
  const proud = arris.map((p) =>
    Math.max(...planes.map((plane) => planeAt(plane, p) / plane.normal[2])),
  );
  const bevel = (normal: Vec3): number => Math.acos(Math.min(1, v3.dot(normal, e)));
  const backing: readonly [number, number] = [bevel(before.normal), bevel(after.normal)];
  return { drop: Math.max(...proud), backing, planes };
};

const hip = (bay: Bay, corner: number): Member => {
  const timber = hipTimber(bay, corner);
  const { roof, job } = bay;
  const [before, after] = timber.sides;
  const z = roof.plateMm + roof.hapMm;
  const runMm = v2.distance(timber.low, inPlan(timber.high));
  const slopeRad = Math.atan2(timber.high[2] - z, runMm);
  const frame = plumbFrame([timber.low[0], timber.low[1], z], timber.heading, slopeRad);
  const fit = fitTop(bay, timber, frame.e, frame.s);
  const dropMm = job.framing.hipTop === 'drop' ? fit.drop : 0;
  const angleTo = (side: SideLine): number =>
    Math.acos(Math.abs(v2.dot(timber.heading, side.along)));
  const hasTail = before.overhangMm > 0 && after.overhangMm > 0;
  const bevels: HalfSpace[] = job.framing.hipTop === 'back' ? fit.planes : [];
  return {
    id: memberId(bay, 'hip', corner),
    kind: 'hip',
    block: roof.id,
    side: null,
    stock: timber.stock,
    frame,
    topMm: dropMm === 0 ? 0 : -dropMm * Math.cos(slopeRad),
    ends: [
      ...(bay.hasRidge && job.framing.hipAtRidge === 'to-ridge'
        ? toRidge(bay, timber)
        : toCommons(bay, timber)),
      tailCut(bay, before, 'tail cheek'),
      tailCut(bay, after, 'tail cheek'),
    ],
    notch: seatNotch(bay, timber.low, v2.scale(timber.heading, -1), hasTail),
    bevels,
    mayStandProud: job.framing.hipTop === 'none',
    plan: {
      runMm,
      slopeRad,
      commonRise: bay.rise,
      runPerCommon: runMm / runFrom(before, timber.high),
      eaveAngleRad: [angleTo(before), angleTo(after)],
      backingRad: fit.backing,
      dropMm,
    },
  };
};

export const hips = (bay: Bay): Member[] =>
  [...bay.roof.sides.keys()]
    .filter((corner) => {
      const before = sideOf(bay.roof, corner - 1 + bay.roof.sides.length);
      return before.roof === 'eave' && sideOf(bay.roof, corner).roof === 'eave';
    })
    .map((corner) => hip(bay, corner));
