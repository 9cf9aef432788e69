import { SAME_POINT_MM, v2, v3, type Vec2, type Vec3 } from '../../geom';
import type { SideLine, Slope } from '../../roof';
import { besideEdges, between, SAME_STATION_MM } from './bays';
import type { LineEnd, LinePlace } from '../site/line-places';
import { withTrimmers } from './trimmers';
import { onSlope, planPoint } from '../site/slope-plan';
import { blockAt, runFrom, sideAt, slopeAt, type Site } from '../site';

/** A distance along a slope's eave at which a rafter's centre line stands. mm */
export interface Station {
  readonly u: number;
  /** The point of the roof that it stands on, where a hip's planes meet. */
  readonly node: number | null;
  /** It stands beside an opening. */
  readonly trimmer?: true;
}

export interface Stations {
  readonly at: readonly Station[];
  /** Stations left out because a rafter that must stand there is nearer than a rafter's thickness. */
  readonly leftOut: readonly number[];
}

/** How one end of a stretch of a slope's upper edge holds its rafters. */
type EndKind =
  /** A rafter stands on the point where a hip's planes meet. */
  | 'point'
  /** The last rafter is flush inside a gable or a wall. */
  | 'flush'
  /** None stands at the end itself: a plate's corner, a valley. */
  | 'free';

interface UpperEdge {
  /** The end that spacing is counted from, and the other. */
  readonly first: { readonly u: number; readonly kind: EndKind };
  readonly last: { readonly u: number; readonly kind: EndKind };
  /** A hip: counted from its corner when the crew lays out from corners. */
  readonly fromCorner: boolean;
}

const topsAt = (places: readonly LinePlace[], end: LineEnd, at: Vec3, slope: number): boolean =>
  places.some(
    ({ kind, line, high, highEnd }) =>
      kind === 'hip' &&
      line.slopes.includes(slope) &&
      (end.node === null
        ? highEnd.wall !== null && v2.distance(v3.inPlan(high), v3.inPlan(at)) < 1
        : highEnd.node === end.node),
  );

const endKind = (places: readonly LinePlace[], end: LineEnd, at: Vec3, slope: number): EndKind =>
  topsAt(places, end, at, slope) ? 'point' : end.wall !== null ? 'flush' : 'free';

const ridgeEdge = (
  places: readonly LinePlace[],
  place: LinePlace,
  index: number,
  slope: Slope,
): UpperEdge => {
  const kinds = place.line.slopes.map((own) => ({
    low: endKind(places, place.lowEnd, place.low, own),
    high: endKind(places, place.highEnd, place.high, own),
  }));
  const own = kinds[place.line.slopes[0] === index ? 0 : 1] ?? { low: 'free', high: 'free' };
  const low = { u: onSlope(slope, v3.inPlan(place.low))[0], kind: own.low };
  const high = { u: onSlope(slope, v3.inPlan(place.high))[0], kind: own.high };
  // Counted from the ridge's first end, or from the other where nothing stands at the first.
  const swap = kinds.every((k) => k.low === 'free') && kinds.some((k) => k.high !== 'free');
  return { first: swap ? high : low, last: swap ? low : high, fromCorner: false };
};

const hipEdge = (place: LinePlace, slope: Slope): UpperEdge => ({
  first: { u: onSlope(slope, v3.inPlan(place.high))[0], kind: 'point' },
  last: { u: onSlope(slope, v3.inPlan(place.low))[0], kind: 'free' },
  fromCorner: place.foot !== null,
});

/** The top of a lean-to or a shed, or of a hip's end under a gablet: where its slope ends at a wall or a gablet across it. */
const wallEdges = (
  site: Site,
  places: readonly LinePlace[],
  index: number,
  slope: Slope,
): UpperEdge[] => {
  const spans = new Map<string, [number, number]>();
  for (const { polygon } of slope.pieces) {
    for (const [i, tag] of polygon.tags.entries()) {
      if (tag.of !== 'wall' && tag.of !== 'outline') continue;
      const side = sideAt(site, tag.block, tag.side);
      const across = v2.dot(side.inward, slope.uphill);
      const wall = tag.of === 'wall' || side.roof === 'high';
      const ends = side.roof === 'gablet' ? across > ACROSS : wall && across < -ACROSS;
      if (!ends) continue;
      // Past a high wall the gables beside it stand no longer.
      const edge =
        side.roof === 'high'
          ? [side.start, side.end]
          : [polygon.points[i], polygon.points[(i + 1) % polygon.points.length]];
      const us = edge.map((p) => (p === undefined ? 0 : onSlope(slope, p)[0]));
      const key = `${tag.block} ${tag.side}`;
      const [low, high] = spans.get(key) ?? [Infinity, -Infinity];
      spans.set(key, [Math.min(low, ...us), Math.max(high, ...us)]);
    }
  }
  return [...spans.values()].map(([low, high]): UpperEdge => {
    const kindAt = (u: number): EndKind =>
      places.some(
        (place) =>
          place.kind === 'hip' &&
          place.line.slopes.includes(index) &&
          Math.abs(onSlope(slope, v3.inPlan(place.high))[0] - u) < 1,
      )
        ? 'point'
        : 'flush';
    return {
      first: { u: low, kind: kindAt(low) },
      last: { u: high, kind: kindAt(high) },
      fromCorner: false,
    };
  });
};

/** A wall whose face looks down the slope by more than this (as a cosine) crosses it; one by less runs up it. */
export const ACROSS = 0.7;

interface Flush {
  /** The plate's corner, and the flush rafter's centre line. */
  readonly corner: number;
  readonly u: number;
  readonly inward: 1 | -1;
}

/** The rafters flush inside gables and walls, at the ends of a slope's plates. */
const flushRafters = (
  site: Site,
  places: readonly LinePlace[],
  index: number,
  slope: Slope,
  edges: readonly UpperEdge[],
): Flush[] => {
  const half = site.job.timber.common.thickness / 2;
  const endsAt = (corner: Vec2, side: SideLine): boolean => {
    if (side.roof !== 'eave' && side.roof !== 'open') return true;
    if (side.roof === 'open') return false;
    // A half-hip: the end's own eave stands high on its wall, and this slope runs on up to that wall.
    const hip = places.find(
      ({ kind, line, foot, low }) =>
        kind === 'hip' &&
        line.slopes.includes(index) &&
        foot !== null &&
        Math.abs(v2.dot(v2.sub(v3.inPlan(low), side.start), side.inward)) < 1,
    );
    if (hip === undefined) return false;
    return v2.distance(v3.inPlan(hip.low), corner) > site.job.framing.spacing + 1;
  };
  return slope.sides.flatMap(({ block, side }): Flush[] => {
    const { sides } = blockAt(site, block);
    const own = sideAt(site, block, side);
    const found: Flush[] = [];
    for (const inward of [1, -1] as const) {
      const neighbour = sideAt(site, block, side + sides.length - inward);
      const corner = inward === 1 ? own.start : own.end;
      if (!endsAt(corner, neighbour)) continue;
      const u = onSlope(slope, corner)[0];
      // Out of square, the whole rafter clears the wall at its plate and at its top.
      const tops = edges
        .flatMap(({ first, last }) => [first, last])
        .filter((end) => end.kind === 'flush' && Math.abs(end.u - u) < own.lengthMm / 2)
        .map((end) => end.u);
      const clear = inward === 1 ? Math.max(u, ...tops) : Math.min(u, ...tops);
      found.push({ corner: u, u: clear + inward * half, inward });
    }
    return found;
  });
};

/** Where a stretch's spacing is counted from, and the last it may reach. */
const countFrom = (
  site: Site,
  slope: Slope,
  edge: UpperEdge,
  flush: readonly Flush[],
): { origin: number; from: number; to: number } => {
  const { first, last } = edge;
  const toward = last.u >= first.u ? 1 : -1;
  const nearest = (u: number, inward: 1 | -1): Flush | undefined =>
    flush
      .filter((one) => one.inward === inward)
      .sort((p, q) => Math.abs(p.corner - u) - Math.abs(q.corner - u))[0];
  const wallU = (end: UpperEdge['first'], inward: 1 | -1): number =>
    end.kind === 'flush' ? (nearest(end.u, inward)?.corner ?? end.u) : end.u;
  const startWall = wallU(first, toward);
  const endWall = wallU(last, toward === 1 ? -1 : 1);
  const beyond = (a: number, b: number, sign: number): number =>
    sign === 1 ? Math.min(a, b) : Math.max(a, b);
  const from = beyond(first.u, startWall, toward);
  const to = beyond(last.u, endWall, -toward);
  const corners = slope.sides.flatMap(({ line }) => [line.start, line.end]);
  const us = corners.map((p) => onSlope(slope, p)[0]);
  const before = us.filter((u) => (first.u - u) * toward >= -1);
  const corner =
    before.length === 0 ? from : before.reduce((a, b) => (toward * (b - a) > 0 ? b : a));
  const fromCorner = site.job.framing.layout === 'corner' && first.kind === 'point';
  return {
    origin: first.kind === 'flush' ? startWall : fromCorner ? corner : first.u,
    from,
    to,
  };
};

const steps = (site: Site, slope: Slope, edge: UpperEdge, flush: readonly Flush[]): number[] => {
  const { spacing, layout } = site.job.framing;
  if (edge.fromCorner && layout === 'corner') {
    const sign = edge.first.u >= edge.last.u ? 1 : -1;
    const reach = Math.abs(edge.first.u - edge.last.u);
    return multiples(spacing, reach).map((d) => edge.last.u + sign * d);
  }
  const { origin, from, to } = countFrom(site, slope, edge, flush);
  const sign = to >= from ? 1 : -1;
  // Between a wall out of square and the rafter flush inside it, at its one end or its other, none stands where the room
  // is no wider than a space: it would be all taper.
  const inWedge = (u: number): boolean =>
    flush.some(({ u: own, inward }) => {
      const room = Math.max(...[from, to].map((end) => (own - end) * inward));
      return (own - u) * inward > 0 && room <= spacing;
    });
  // From the origin on; and, at an oblique wall, back from it to where the slope begins.
  return multiples(spacing, Math.abs(to - origin))
    .map((d) => origin + sign * d)
    .concat(multiples(spacing, (origin - from) * sign).map((d) => origin - sign * d))
    .filter(
      (u) => (u - from) * sign > SAME_POINT_MM && (to - u) * sign > SAME_POINT_MM && !inWedge(u),
    );
};

const multiples = (step: number, reach: number): number[] => {
  const found: number[] = [];
  for (let k = 1; k * step < reach - SAME_STATION_MM; k += 1) found.push(k * step);
  return found;
};

/** Whether a hip ends at the face of a gablet: no rafter stands on that point, for a header lies there. */
const endsAtGablet = ({ roof }: Site, { high }: LinePlace): boolean =>
  roof.blocks.some(({ sides }) =>
    sides.some(
      (side) =>
        side.roof === 'gablet' && Math.abs(runFrom(side, v3.inPlan(high))) < SAME_STATION_MM,
    ),
  );

/** The breaks in pitch that a slope comes up to. */
const breaksOver = (places: readonly LinePlace[], index: number): LinePlace[] =>
  places.filter(({ kind, line }) => kind === 'break' && line.slopes[1] === index);

/** A hip that ends at a break in pitch: its jacks go on from the last rafter that stands along the break. */
const brokenHipEdge = (place: LinePlace, slope: Slope, along: readonly number[]): UpperEdge => {
  const edge = hipEdge(place, slope);
  const nearest = along.reduce(
    (best, u) => (Math.abs(u - edge.first.u) < Math.abs(best - edge.first.u) ? u : best),
    along[0] ?? edge.first.u,
  );
  return { ...edge, first: { ...edge.first, u: nearest } };
};

/**
 * Every station of one slope: on the points of its hips and flush at its gables first, then under the rafters above a
 * break in its pitch, then at the spacing under each ridge, hip and wall above it.
 *
 * @param along where rafters stand on the breaks it comes up to
 */
const rafterStations = (
  site: Site,
  places: readonly LinePlace[],
  index: number,
  slope: Slope,
  along: readonly number[],
): Stations => {
  const { thickness } = site.job.timber.common;
  const breaks = breaksOver(places, index);
  const endsAtBreak = ({ line }: LinePlace): boolean =>
    breaks.some(({ line: { ends } }) => ends.includes(line.ends[1]));
  const above = places.filter(({ line }) => line.slopes.includes(index));
  const hips = above.filter(({ kind }) => kind === 'hip');
  const edges = [
    ...above
      .filter(({ kind }) => kind === 'ridge')
      .map((place) => ridgeEdge(places, place, index, slope)),
    ...wallEdges(site, places, index, slope),
    ...hips.map((place) =>
      endsAtBreak(place) ? brokenHipEdge(place, slope, along) : hipEdge(place, slope),
    ),
  ];
  const flush = flushRafters(site, places, index, slope, edges);
  const clear = (u: number): boolean =>
    flush.every((one) => (u - one.corner) * one.inward >= thickness / 2 - SAME_POINT_MM);
  const points = hips
    .filter((place) => place.highEnd.node !== null || place.highEnd.wall !== null)
    .filter((place) => !endsAtBreak(place) && !endsAtGablet(site, place))
    .map(({ high, line }) => ({ u: onSlope(slope, v3.inPlan(high))[0], node: line.ends[1] }))
    .filter(({ u }) => clear(u));
  const at: Station[] = [];
  const leftOut: number[] = [];
  const same = (u: number, other: Station): boolean => Math.abs(other.u - u) <= SAME_STATION_MM;
  const place = (u: number, node: number | null = null): void => {
    if (at.some((other) => same(u, other))) return;
    if (at.some((other) => Math.abs(other.u - u) < thickness)) leftOut.push(u);
    else at.push({ u, node });
  };
  for (const { u, node } of points) place(u, node);
  for (const one of flush) place(one.u);
  for (const u of along) place(u);
  for (const edge of edges) for (const u of steps(site, slope, edge, flush)) place(u);
  for (const u of besideEdges(site, slope)) {
    if (!at.some((other) => Math.abs(other.u - u) < thickness)) at.push({ u, node: null });
  }
  const all = withTrimmers(
    site,
    index,
    at.sort((p, q) => p.u - q.u),
  );
  const more = between(
    site,
    slope,
    all.map(({ u }) => u),
  ).map((u): Station => ({ u, node: null }));
  return { at: [...all, ...more].sort((p, q) => p.u - q.u), leftOut };
};

/**
 * Where the rafters of every slope stand, by the slopes' numbers. Above a break in pitch and below it they stand in one
 * line: those above are laid out first.
 */
export const allStations = (site: Site, places: readonly LinePlace[]): Stations[] => {
  const { slopes } = site.roof;
  const done = new Map<number, Stations>();
  const of = (index: number): Stations => {
    const known = done.get(index);
    if (known !== undefined) return known;
    const slope = slopeAt(site, index);
    const along = breaksOver(places, index).flatMap(({ line: { slopes: pair, from, to } }) => {
      const upper = slopeAt(site, pair[0]);
      const ends = [from, to].map((p) => onSlope(slope, v3.inPlan(p))[0]);
      return of(pair[0])
        .at.map(({ u }) => onSlope(slope, planPoint(upper, u, 0))[0])
        .filter((u) => u > Math.min(...ends) && u < Math.max(...ends));
    });
    const found = rafterStations(site, places, index, slope, along);
    done.set(index, found);
    return found;
  };
  return slopes.map((_, index) => of(index));
};
