import { lineCrossing, v2, type HalfSpace } from '../geom';
import type { SideLine } from '../roof';
import {
  hipsOf,
  inPlan,
  kingIsNipped,
  kingReachesRidge,
  memberId,
  planeOf,
  ridgePast,
  ridgeThickness,
  runFrom,
  sideOf,
  stationOn,
  type Bay,
} from './bay';
import { besideTimber, plumbFrame, plumbKeep } from './board';
import { hipTimber } from './hip-line';
import { jackStations } from './layout';
import { hipEndsAt, ridgeStations } from './ridge-stations';
import type { EndCut, Kind, Member, Remark } from './member';
import { seatNotch, tailCut } from './plate-cuts';

interface RafterPlace {
  readonly kind: Extract<Kind, 'common' | 'king-common' | 'hip-jack'>;
  readonly side: SideLine;
  /** Distance from the side's start corner. mm */
  readonly station: number;
  readonly number: number;
  readonly runMm: number;
  readonly top: readonly EndCut[];
  readonly bevels?: readonly HalfSpace[];
}

const rafter = (bay: Bay, place: RafterPlace): Member => {
  const { side, station } = place;
  const { roof } = bay;
  const { slopeRad, rise } = planeOf(roof, side.index);
  const foot = v2.add(side.start, v2.scale(side.along, station));
  const frame = plumbFrame([foot[0], foot[1], roof.plateMm + roof.hapMm], side.inward, slopeRad);
  return {
    id: memberId(bay, place.kind, side.index, place.number),
    kind: place.kind,
    block: roof.id,
    side: side.index,
    stock: bay.job.timber.common,
    frame,
    topMm: 0,
    ends: [...place.top, tailCut(bay, side, 'tail cut')],
    notch: seatNotch(bay, foot, v2.scale(side.inward, -1), side.overhangMm > 0),
    bevels: place.bevels ?? [],
    mayStandProud: false,
    plan: {
      runMm: place.runMm,
      slopeRad,
      commonRise: rise,
      runPerCommon: 1,
      eaveAngleRad: null,
      backingRad: null,
      dropMm: null,
    },
  };
};

/** The hip cut that nips a rafter standing where the hip runs on to the ridge's side. */
const nip = (bay: Bay, side: SideLine, corner: number): EndCut => ({
  at: 'top',
  name: 'cheek cut',
  keep: hipFace(bay, side, corner),
  meets: memberId(bay, 'hip', corner),
});

/** The face of the hip at `corner` that looks at rafters of `side`. */
const hipFace = (bay: Bay, side: SideLine, corner: number): HalfSpace => {
  const { low, heading, stock } = hipTimber(bay, corner);
  return besideTimber(low, heading, stock.thickness, v2.scale(side.inward, -1));
};

const cornerAt = (side: SideLine, which: 'start' | 'end', count: number): number =>
  which === 'start' ? side.index : (side.index + 1) % count;

const commonTop = (bay: Bay, side: SideLine): EndCut => {
  const through = inPlan(bay.ends[0].point);
  const half = bay.hasRidge ? ridgeThickness(bay) / 2 : 0;
  const at = v2.add(through, v2.scale(side.inward, -half));
  return {
    at: 'top',
    name: 'plumb cut',
    keep: plumbKeep(at, side.inward),
    meets: memberId(bay, 'ridge'),
  };
};

const left = (dropped: readonly number[], what: string): Remark[] =>
  dropped.length === 0
    ? []
    : [
        {
          level: 'note',
          member: null,
          text: `${dropped.length} ${what} left out: a rafter that must stand there is nearer than its thickness`,
        },
      ];

/**
 * Where commons are thicker than the ridge, the one on a hip's meeting point reaches past the end slope by its top
 * corner, which is planed off.
 */
const planed = (bay: Bay, station: number): HalfSpace[] =>
  bay.job.timber.common.thickness <= ridgeThickness(bay)
    ? []
    : hipEndsAt(bay, station).map((end) => planeOf(bay.roof, bay.ends[end].side.index).plane);

/** Commons on both sides of the ridge, in pairs. A square plan has none: its kings meet instead. */
export const commons = (bay: Bay): { members: Member[]; remarks: Remark[] } => {
  if (!bay.hasRidge) return { members: [], remarks: [] };
  const { hipAtRidge } = bay.job.framing;
  const stations = ridgeStations(bay);
  const members = [bay.a, bay.b].flatMap((side) =>
    stations.at.map((station, i) => {
      const top = [commonTop(bay, side)];
      if (hipAtRidge === 'to-ridge') {
        for (const end of hipEndsAt(bay, station)) {
          const atStart = (side === bay.a) === (end === 0);
          top.push(
            nip(bay, side, cornerAt(side, atStart ? 'start' : 'end', bay.roof.sides.length)),
          );
        }
      }
      return rafter(bay, {
        kind: 'common',
        side,
        station: side === bay.a ? station : bay.a.lengthMm - station,
        number: i,
        runMm: runFrom(side, bay.ends[0].point),
        top,
        bevels: planed(bay, station),
      });
    }),
  );
  return { members, remarks: left(stations.dropped, 'common stations') };
};

/** The rafter in the middle of each hip end; on a square plan one on every side, in two pairs. */
export const kingCommons = (bay: Bay): Member[] => {
  const hipEnds = bay.ends.filter((end) => end.kind === 'hip');
  const king = (side: SideLine): string => memberId(bay, 'king-common', side.index, 0);
  const stopper = bay.hasRidge ? memberId(bay, 'ridge') : king(bay.a);
  const kings = hipEnds.map((end) => ({ side: end.side, stop: ridgePast(bay), meets: stopper }));
  // On a square plan sides a and b meet head to head and the other pair stops against their faces.
  if (!bay.hasRidge) {
    kings.push(
      { side: bay.a, stop: 0, meets: king(bay.b) },
      { side: bay.b, stop: 0, meets: king(bay.a) },
    );
  }
  return kings.map(({ side, stop, meets }) => {
    const end = hipEnds.find((one) => one.side === side) ?? bay.ends[0];
    const at = v2.add(inPlan(end.point), v2.scale(side.inward, -stop));
    const top: EndCut[] = kingReachesRidge(bay)
      ? [{ at: 'top', name: 'plumb cut', keep: plumbKeep(at, side.inward), meets }]
      : [];
    if (kingIsNipped(bay)) {
      for (const which of ['start', 'end'] as const) {
        top.push(nip(bay, side, cornerAt(side, which, bay.roof.sides.length)));
      }
    }
    return rafter(bay, {
      kind: 'king-common',
      side,
      station: stationOn(side, end.point),
      number: 0,
      runMm: runFrom(side, end.point),
      top,
      // Head to head on a square plan, the upper corners reach past the two side slopes.
      bevels:
        stop === 0 ? bay.ends.map(({ side: beside }) => planeOf(bay.roof, beside.index).plane) : [],
    });
  });
};

const jacksAtCorner = (
  bay: Bay,
  corner: number,
  side: SideLine,
): { members: Member[]; tooShort: number; dropped: number[] } => {
  const { spacing, layout, shortestJack } = bay.job.framing;
  const thickness = bay.job.timber.common.thickness;
  const { low, heading, high } = hipTimber(bay, corner);
  const fromStart = side.index === corner;
  const along = stationOn(side, high);
  const reach = fromStart ? along : side.lengthMm - along;
  const stations = jackStations(reach, spacing, thickness, layout);
  const keep = hipFace(bay, side, corner);
  const { slopeRad } = planeOf(bay.roof, side.index);
  let tooShort = 0;
  const members = stations.at.flatMap((distance, i): Member[] => {
    const station = fromStart ? distance : side.lengthMm - distance;
    const foot = v2.add(side.start, v2.scale(side.along, station));
    const meeting = lineCrossing(foot, side.inward, low, heading);
    if (meeting === null) throw new Error(`frame: jack at ${station} runs along its hip`);
    const runMm = v2.distance(foot, meeting);
    // Shorter than the limit, or so near the corner that its short point would end outside the plate.
    const shortRun = runMm - (thickness / 2) * (runMm / distance) - hipSetback(bay, corner, side);
    if (runMm / Math.cos(slopeRad) < shortestJack || shortRun <= 0) {
      tooShort += 1;
      return [];
    }
    return [
      rafter(bay, {
        kind: 'hip-jack',
        side,
        station,
        number: (fromStart ? 0 : 1000) + i,
        runMm,
        top: [{ at: 'top', name: 'cheek cut', keep, meets: memberId(bay, 'hip', corner) }],
      }),
    ];
  });
  return { members, tooShort, dropped: [...stations.dropped] };
};

/** Half the hip's thickness as a jack of `side` crosses it, in plan. */
const hipSetback = (bay: Bay, corner: number, side: SideLine): number => {
  const { heading, stock } = hipTimber(bay, corner);
  return stock.thickness / 2 / Math.abs(v2.dot(heading, side.along));
};

/** Jacks on both sides of every hip, longest first. */
export const hipJacks = (bay: Bay): { members: Member[]; remarks: Remark[] } => {
  const count = bay.roof.sides.length;
  const members: Member[] = [];
  const dropped: number[] = [];
  let tooShort = 0;
  for (const corner of bay.roof.sides.keys()) {
    const sides = [sideOf(bay.roof, corner - 1 + count), sideOf(bay.roof, corner)];
    if (!hipsOf(bay.roof).some((hip) => sides.every((side) => hip.sides.includes(side.index))))
      continue;
    for (const side of sides) {
      const jacks = jacksAtCorner(bay, corner, side);
      members.push(...jacks.members);
      dropped.push(...jacks.dropped);
      tooShort += jacks.tooShort;
    }
  }
  const remarks = left(dropped, 'jack stations');
  if (tooShort > 0) {
    remarks.push({
      level: 'note',
      member: null,
      text: `${tooShort} jacks shorter than the limit are left out; the fascia and blocking carry the corner`,
    });
  }
  return { members, remarks };
};
