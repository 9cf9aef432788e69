import { isRow } from '../kinds';
import { boardOf, type CutListEntry } from '../cuts';
import type { Member } from '../frame';
import { v2, v3, type Vec2 } from '../geom';
import { plateThicknessOf, plateWidthOf, type Job } from '../job';
import { radians } from '../units';

/**
 * A common over its plate, cut through:
 *
 *   x = 0 at the plate's outside face, inward; z = 0 on the plate. mm
 */
export interface EaveSection {
  /** What is kept of the rafter's face: convex loops. */
  readonly rafter: readonly (readonly Vec2[])[];
  readonly plate: readonly Vec2[];
  readonly wall: readonly Vec2[];
  /** None where the crew sets no fascia. */
  readonly fascia: readonly Vec2[];
  readonly hapMm: number;
  readonly seatMm: number;
  readonly overhangMm: number;
  /** The level line that a soffit hangs under, z, from the tail to the wall; null where there is no tail. */
  readonly soffitMm: number | null;
  /** Of the seat, what lies on the plate; of the rafter, what is left over the notch, square to its edge. */
  readonly bearingMm: number;
  readonly leftMm: number;
  /** Of the rafter's depth, what the notch takes. */
  readonly share: number;
  /** Heights of the fascia's top and bottom, z; null where the crew sets none. */
  readonly fasciaMm: readonly [top: number, bottom: number] | null;
  /** Purlins over or between the rafters, cut through. */
  readonly purlins: readonly (readonly Vec2[])[];
  /** The head of a window under the eave, z; null where the crew gives none. */
  readonly windowMm: number | null;
  /** What the rafters' undersides have to clear: its outer top corner. */
  readonly obstruction: Vec2 | null;
  /** What a picture of the eave shows. */
  readonly left: number;
  readonly right: number;
  readonly low: number;
  readonly high: number;
}

const WALL_MM = 400;
const MARGIN_MM = 60;
/** How far inside the plate, and how much of the rafter's height there, a picture of the eave shows. */
const INSIDE_MM = 260;
const SHOWN_SHARE = 0.6;

const box = (left: number, right: number, top: number, low: number): Vec2[] => [
  [left, top],
  [right, top],
  [right, low],
  [left, low],
];

const fasciaAt = (job: Job, overhangMm: number, hapMm: number, slopeRad: number): Vec2[] => {
  const { fascia } = job.timber;
  if (fascia === undefined) return [];
  const { thickness: t, depth } = fascia;
  const z = hapMm - overhangMm * Math.tan(slopeRad);
  if (job.framing.tail === 'plumb') {
    const top = z - t * Math.tan(slopeRad);
    return box(-overhangMm - t, -overhangMm, top, top - depth);
  }
  const [c, s] = [Math.cos(slopeRad), Math.sin(slopeRad)];
  const at = (along: number, up: number): Vec2 => [
    -overhangMm + along * c - up * s,
    z + along * s + up * c,
  ];
  return [at(0, 0), at(-t, 0), at(-t, -depth), at(0, -depth)];
};

/** A purlin that lies on a rafter's side of the roof, cut through square, from that rafter's plate. */
const purlinOver = (
  { frame: rafter }: Member,
  hap: number,
  { frame: { origin, e, s }, stock, topMm }: Member,
): Vec2[] => {
  const heading = v2.unit(v3.inPlan(rafter.a));
  const corner = (aside: number, up: number): Vec2 => {
    const p = v3.sub(v3.add(origin, v3.add(v3.scale(s, aside), v3.scale(e, up))), rafter.origin);
    return [v2.dot(v3.inPlan(p), heading), p[2] + hap];
  };
  const half = stock.thickness / 2;
  const low = topMm - stock.depth;
  return [corner(half, low), corner(half, topMm), corner(-half, topMm), corner(-half, low)];
};

/**
 * The eave of the piece that a line of the list is cut to; null where that has no seat.
 *
 * @param members the frame's, for what lies on the rafter
 */
export const eaveSection = (
  job: Job,
  entry: CutListEntry,
  member: Member,
  members: readonly Member[],
): EaveSection | null => {
  if (entry.seat === null) return null;
  const board = boardOf(member);
  const heel = entry.cuts.findIndex((cut) => cut.at === 'heel');
  const tail = entry.cuts.findIndex((cut) => cut.at === 'tail');
  const zero = board.marks[heel === -1 ? tail : heel]?.topEdge[0];
  if (zero == null) return null;
  const slopeRad = radians(entry.slope);
  const [c, s] = [Math.cos(slopeRad), Math.sin(slopeRad)];
  const { hap, width } = entry.seat;
  const overhangMm = entry.length.tail * c;
  const place = ([x, y]: readonly [number, number]): Vec2 => {
    const along = zero - x;
    return [along * c + y * s, hap + along * s - y * c];
  };
  const plateWidth = plateWidthOf(job);
  const plateLow = -plateThicknessOf(job);
  const fascia = fasciaAt(job, overhangMm, hap, slopeRad);
  const right = plateWidth + INSIDE_MM;
  const rafter = board.left.map((loop) => loop.map(place));
  const kept = rafter.flat();
  const outside = kept.filter(([x]) => x < 0).map(([, z]) => z);
  const soffitMm = entry.length.tail > 0 && outside.length > 0 ? Math.min(...outside) : null;
  const heights = fascia.map(([, z]) => z);
  const { obstruction, windowHead } = job.framing;
  const purlins = members
    .filter((one) => isRow(one) && one.block === member.block && one.side === member.side)
    .map((purlin) => purlinOver(member, hap, purlin))
    .filter((loop) => loop.some(([x]) => x < right));
  return {
    rafter,
    plate: box(0, plateWidth, 0, plateLow),
    wall: box(0, plateWidth, plateLow, plateLow - WALL_MM),
    fascia,
    hapMm: hap,
    seatMm: width,
    overhangMm,
    soffitMm,
    bearingMm: Math.min(width, plateWidth),
    leftMm: entry.stock.depth * (1 - entry.seat.depthFraction),
    share: entry.seat.depthFraction,
    fasciaMm: fascia.length === 0 ? null : [Math.max(...heights), Math.min(...heights)],
    purlins,
    windowMm: windowHead === undefined ? null : -windowHead,
    obstruction: obstruction === undefined ? null : [-obstruction.out, -obstruction.below],
    left: Math.min(-overhangMm, ...[...fascia, ...purlins.flat()].map(([x]) => x)) - MARGIN_MM,
    right,
    low:
      Math.min(
        plateLow,
        soffitMm ?? 0,
        ...heights,
        -(obstruction?.below ?? 0),
        -Math.min(windowHead ?? 0, WALL_MM),
      ) - MARGIN_MM,
    high: hap + right * Math.tan(slopeRad) * SHOWN_SHARE + MARGIN_MM,
  };
};
