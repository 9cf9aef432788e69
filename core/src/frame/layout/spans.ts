import { SLACK_MM, chordOf, edgesOf, joinedChords, v2, v3, type Vec2, type Vec3 } from '../../geom';
import {
  carryRidge,
  outside,
  shareSide,
  type Carrier,
  type SideLine,
  type Slope,
} from '../../roof';
import type { LinePlace } from '../site/line-places';
import type { Kind } from '../../kinds';
import { ledgerBefore } from '../walls/at-wall';
import { onSlope, planPoint } from '../site/slope-plan';
import { ACROSS, type Station } from './stations';
import { blockAt, sideAt, slopeAt, standingAt, type Site } from '../site';

/** What stops a rafter's centre line at one end. */
export type Stop =
  | 'ridge'
  | 'hip'
  | 'valley'
  | 'break'
  | 'wall'
  | 'high'
  | 'eave'
  | 'header'
  | 'opening'
  | 'edge';

export interface SpanEnd {
  readonly stop: Stop;
  /** Distance up the slope, plan. mm */
  readonly v: number;
  /** The point of the roof it comes up to, where a hip's planes meet. */
  readonly node: number | null;
  /** The slope on the other side of a hip or valley. */
  readonly beside: number | null;
  /** What a wall's face or a roof's edge is, as a plan line that looks out of the rafter. */
  readonly line: { readonly point: Vec2; readonly outward: Vec2 } | null;
  /** The high wall that it runs on over. */
  readonly over: { readonly block: string; readonly side: SideLine } | null;
}

/** A rafter's centre line on its slope, before its joints are cut. */
export interface Span {
  readonly slope: Slope;
  readonly index: number;
  readonly station: Station;
  readonly low: SpanEnd;
  readonly high: SpanEnd;
  /** The plate it is seated on; null where it starts on a valley or a wall. */
  readonly foot: { readonly block: string; readonly side: SideLine; readonly v: number } | null;
  /** Where it belongs. */
  readonly block: string;
  readonly side: number;
}

/** Parts of one line up a slope this near are one. mm */
const NEAR_MM = SLACK_MM.rounding;
/** A centre line this near a point runs to it. mm */
const POINT_MM = SLACK_MM.shut;

interface Run {
  low: number;
  high: number;
  lowTag: Carrier;
  highTag: Carrier;
  block: string;
  side: number;
}

/** What ends a slope at a point where two of its pieces and its edge meet: the edge, not the seam. */
const edgeAt = ({ pieces }: Slope, tag: Carrier, p: Vec2): Carrier => {
  if (tag.of !== 'seam') return tag;
  for (const { polygon } of pieces) {
    for (const { point, inward, tag: other } of edgesOf(polygon)) {
      const onLine = Math.abs(v2.dot(v2.sub(p, point), inward)) < NEAR_MM;
      const within = polygon.points.some((q) => v2.distance(p, q) < NEAR_MM);
      if (other.of !== 'seam' && onLine && within) return other;
    }
  }
  return tag;
};

/** The stretches of the line at station u that lie on the slope. */
const runsAt = (slope: Slope, u: number): Run[] => {
  const from = planPoint(slope, u, 0);
  const chords: Run[] = [];
  for (const { plane, polygon } of slope.pieces) {
    const chord = chordOf(polygon, from, slope.uphill);
    if (chord === null) continue;
    const { low, high } = chord;
    const lowTag = edgeAt(slope, chord.lowTag, planPoint(slope, u, low));
    const highTag = edgeAt(slope, chord.highTag, planPoint(slope, u, high));
    chords.push({ low, high, lowTag, highTag, block: plane.block, side: plane.side });
  }
  return joinedChords(chords, NEAR_MM);
};

/** The high wall whose edge of the roof this is. */
const overHigh = (site: Site, tag: Carrier): SpanEnd['over'] => {
  if (tag.of !== 'outline') return null;
  const side = sideAt(site, tag.block, tag.side);
  return side.roof === 'high' ? { block: tag.block, side } : null;
};

const stopOf = (site: Site, slope: Slope, tag: Carrier, upper: boolean): Stop => {
  if (tag.of === 'wall') return 'wall';
  if (tag.of === 'outline') {
    if (overHigh(site, tag) !== null) return 'high';
    const own = slope.sides.some(({ block, side }) => block === tag.block && side === tag.side);
    return own && !upper ? 'eave' : 'edge';
  }
  if (tag.of !== 'slope') return 'edge';
  const other = site.roof.slopes[tag.slope];
  if (other === undefined) return 'edge';
  if (shareSide(slope, other)) return 'break';
  // Seen up the slope: a roof that falls away faster beyond makes a fold, one that rises above makes a valley.
  const climb = other.rise * v2.dot(other.uphill, slope.uphill);
  const fold = upper ? climb < slope.rise : climb > slope.rise;
  if (!fold) return 'valley';
  return carryRidge(slope, other) ? 'ridge' : 'hip';
};

const lineOf = (site: Site, slope: Slope, tag: Carrier): SpanEnd['line'] => {
  if (tag.of === 'end') {
    const { start, along } = sideAt(site, tag.block, tag.side);
    return {
      point: v2.add(start, v2.scale(along, tag.at)),
      outward: v2.scale(along, tag.outward),
    };
  }
  if (tag.of !== 'wall' && tag.of !== 'outline') return null;
  const side = sideAt(site, tag.block, tag.side);
  if (tag.of === 'wall') {
    const before = v2.scale(side.inward, ledgerBefore(site, side, slope));
    return { point: v2.add(side.start, before), outward: v2.scale(side.inward, -1) };
  }
  const point = v2.add(side.start, v2.scale(side.inward, -side.overhangMm));
  const own = slope.sides.some(({ block }) => block === tag.block);
  return { point, outward: own ? v2.scale(side.inward, -1) : side.inward };
};

/**
 * On a point where lines meet, several edges end a centre line at once: a ridge first, then a wall across the slope,
 * then a hip.
 */
const stopAtPoint = (site: Site, index: number, p: Vec2, onNode: boolean): Stop | null => {
  if (endsAtRidge(site, index, p)) return 'ridge';
  if (endsAtGablet(site, p)) return 'edge';
  if (!onNode) return null;
  const { uphill, sides } = slopeAt(site, index);
  const across = sides.some(({ block }) =>
    blockAt(site, block).sides.some(
      (side) =>
        side.roof !== 'eave' &&
        v2.dot(side.inward, uphill) < -ACROSS &&
        Math.abs(v2.dot(v2.sub(p, side.start), side.inward)) < POINT_MM,
    ),
  );
  return across ? 'wall' : 'hip';
};

/** Whether a hip's upper end at a gablet's face is where a centre line ends: the face, and not rounding, says what ends it. */
const endsAtGablet = ({ roof }: Site, [x, y]: Vec2): boolean =>
  roof.blocks.some(({ sides }) =>
    sides.some(({ roof: what, start, along, inward, lengthMm }) => {
      if (what !== 'gablet') return false;
      const from = v2.sub([x, y], start);
      const t = v2.dot(from, along);
      return Math.abs(v2.dot(from, inward)) < POINT_MM && t > -POINT_MM && t < lengthMm + POINT_MM;
    }),
  );

const endsAtRidge = ({ roof }: Site, slope: number, [x, y]: Vec2): boolean =>
  roof.lines.some(
    ({ kind, slopes, from, to }) =>
      kind === 'ridge' &&
      (slopes[0] === slope || slopes[1] === slope) &&
      ((Math.abs(from[0] - x) < POINT_MM && Math.abs(from[1] - y) < POINT_MM) ||
        (Math.abs(to[0] - x) < POINT_MM && Math.abs(to[1] - y) < POINT_MM)),
  );

const crossingOf = (slope: Slope, u: number, from: Vec3, to: Vec3): number | null => {
  const [u0, v0] = onSlope(slope, v3.inPlan(from));
  const [u1, v1] = onSlope(slope, v3.inPlan(to));
  // The rafters it ends on are not parted by it.
  const inside = Math.min(u - Math.min(u0, u1), Math.max(u0, u1) - u);
  return inside > 1 ? v0 + ((u - u0) / (u1 - u0)) * (v1 - v0) : null;
};

/** A timber that lies across a slope and parts its rafters. */
export interface Divider {
  readonly slope: number;
  readonly from: Vec3;
  readonly to: Vec3;
  readonly stop: 'valley' | 'header' | 'opening';
}

export const dividersOf = (places: readonly LinePlace[]): Divider[] =>
  places.flatMap(({ runsOn, high }): Divider[] =>
    runsOn === null ? [] : [{ slope: runsOn.slope, from: runsOn.from, to: high, stop: 'valley' }],
  );

const footOf = (site: Site, slope: Slope, u: number, run: Run): Span['foot'] => {
  let foot: Span['foot'] = null;
  for (const { block, side } of slope.sides) {
    const line = sideAt(site, block, side);
    const [u0, v] = onSlope(slope, line.start);
    const [u1] = onSlope(slope, line.end);
    if (u < u0 - NEAR_MM || u > u1 + NEAR_MM) continue;
    if (v < run.low - NEAR_MM || v > run.high - NEAR_MM) continue;
    if (foot !== null && v >= foot.v) continue;
    const along = u - u0;
    const stands = standingAt(site, block, side).some(
      ([low, high]) => along > low - NEAR_MM && along < high + NEAR_MM,
    );
    if (stands) foot = { block, side: line, v };
  }
  return foot;
};

/**
 * Every stretch of rafter at a station of a slope.
 *
 * @param dividers those that lie across this slope
 */
export const rafterSpans = (
  site: Site,
  index: number,
  slope: Slope,
  station: Station,
  dividers: readonly Divider[],
): Span[] =>
  runsAt(slope, station.u).flatMap((run) => {
    const nodeV =
      station.node === null
        ? null
        : onSlope(slope, v3.inPlan(site.roof.nodes[station.node] ?? [0, 0, 0]))[1];
    const end = (tag: Carrier, v: number, upper: boolean): SpanEnd => ({
      stop:
        (upper
          ? stopAtPoint(site, index, planPoint(slope, station.u, v), station.node !== null)
          : null) ?? stopOf(site, slope, tag, upper),
      v,
      node: upper && nodeV !== null && Math.abs(v - nodeV) < POINT_MM ? station.node : null,
      beside: tag.of === 'slope' ? tag.slope : null,
      line: lineOf(site, slope, tag),
      over: overHigh(site, tag),
    });
    const cuts = dividers
      .flatMap(({ from, to, stop }) => {
        const v = crossingOf(slope, station.u, from, to);
        return v === null || v <= run.low + NEAR_MM || v >= run.high - NEAR_MM
          ? []
          : [{ stop, v, node: null, beside: null, line: null, over: null }];
      })
      .sort((p, q) => p.v - q.v);
    const ends = [end(run.lowTag, run.low, false), ...cuts, end(run.highTag, run.high, true)];
    return ends.slice(1).flatMap((high, i): Span[] => {
      const low = ends[i];
      if (low === undefined) return [];
      const plate = i === 0 ? footOf(site, slope, station.u, run) : null;
      // Beside a valley it must reach its plate below the valley's face, or it stands on the valley alone.
      const onValley =
        plate !== null &&
        low.stop === 'valley' &&
        plate.v < low.v + cheekReachUpSlope(site, index, low.beside);
      const foot = onValley ? null : plate;
      // What starts at an eave without a plate below it hangs outside the walls: the tail of a hip's corner.
      if (foot === null && (low.stop === 'eave' || low.stop === 'edge')) return [];
      if (foot === null && !overWalls(site, slope, station.u, low.v, high.v)) return [];
      const home =
        foot === null
          ? { block: blockAt(site, run.block).partOf, side: run.side }
          : { block: foot.block, side: foot.side.index };
      const { block, side } = home;
      return [{ slope, index, station, low, high, foot, block, side }];
    });
  });

/**
 * How far up a slope, from the centre line of the valley that parts it from another, the higher corner of a rafter's
 * cheek lies. mm
 */
const cheekReachUpSlope = (site: Site, index: number, beside: number | null): number => {
  const line = site.roof.lines.find(
    ({ slopes, kind }) =>
      kind === 'valley' && beside !== null && slopes.includes(index) && slopes.includes(beside),
  );
  if (line === undefined) return 0;
  const { uphill } = slopeAt(site, index);
  const heading = v2.unit(v2.sub(v3.inPlan(line.to), v3.inPlan(line.from)));
  const sine = Math.abs(v2.cross(heading, uphill));
  const cosine = Math.abs(v2.dot(heading, uphill));
  const { valley, common } = site.job.timber;
  return ((valley?.thickness ?? 0) + common.thickness * cosine) / (2 * sine);
};

export const footOfCheek = (site: Site, { index, low }: Span): number =>
  low.stop === 'valley' ? cheekReachUpSlope(site, index, low.beside) : 0;

const overWalls = (site: Site, slope: Slope, u: number, low: number, high: number): boolean => {
  const p = planPoint(slope, u, (low + high) / 2);
  return site.roof.blocks.some(({ walls }) => outside(walls, p) < NEAR_MM);
};

/** What a rafter is called by what it stands between. */
export const kindOf = ({
  low,
  high,
  foot,
  station,
}: Span): Extract<
  Kind,
  | 'common'
  | 'king-common'
  | 'hip-jack'
  | 'valley-jack'
  | 'cripple-jack'
  | 'trimmer'
  | 'opening-jack'
> => {
  if (low.stop === 'opening' || high.stop === 'opening') return 'opening-jack';
  if (station.trimmer === true) return 'trimmer';
  const atRidge =
    high.stop === 'ridge' ||
    high.stop === 'wall' ||
    high.stop === 'high' ||
    high.stop === 'edge' ||
    high.stop === 'break';
  if (foot !== null || low.stop === 'wall' || low.stop === 'break') {
    if (station.node !== null) return atRidge ? 'common' : 'king-common';
    return atRidge ? 'common' : high.stop === 'hip' ? 'hip-jack' : 'valley-jack';
  }
  // Where a steep slope meets a low one, rafters of the one come down on the hip between them.
  if (low.stop === 'hip') return 'hip-jack';
  return atRidge || station.node !== null ? 'valley-jack' : 'cripple-jack';
};
