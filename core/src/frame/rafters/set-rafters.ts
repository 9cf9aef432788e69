import {
  SLACK_MM,
  SLACK_SINE,
  planeAt,
  SAME_POINT_MM,
  v2,
  v3,
  type Vec2,
  SAME_WAY_SINE,
} from '../../geom';
import { heightAt } from '../../roof';
import { plumbKeep } from '../member/board';
import { isRafter, type Kind } from '../../kinds';
import { memberId, type CutAt, type EndCut } from '../member/member';
import { kindOf, type Span, type SpanEnd } from '../layout/spans';
import { planPoint } from '../site/slope-plan';
import {
  clearOfAll,
  closeEnds,
  cutAll,
  faceLengths,
  squareAcross,
  openStrip,
  withPolygon,
  type PlanCut,
  type Strip,
} from '../joint/strip';
import type { StripGrid } from '../joint/strip-grid';
import { highTail, tailOf, tailOfSide } from '../eaves/tails';
import { blockAt, coveredAt, heightOn, rafterStock, runFrom, sideAt, type Site } from '../site';

/** A rafter with its joints cut. */
export interface SetRafter {
  readonly id: string;
  readonly kind: Kind;
  readonly span: Span;
  readonly strip: Strip;
  /** Tail cuts that lean and so can cut its lower part only, unseen in plan. */
  readonly leaning: readonly EndCut[];
}

/** A rafter in its place, its joints not cut yet. */
export interface RafterPlace {
  readonly id: string;
  readonly kind: Kind;
  readonly span: Span;
}

/** What an open end runs on past the longest point its cheek can have, in thicknesses. */
const TO_SPARE = 4;
/** A rafter whose shorter face is less than this has no wood to nail. mm */
const LEAST_FACE_MM = SLACK_MM.nothing;

/** Where the span's theory line starts: over the plate's outside face, or on the line it stands on. */
export const startOf = ({ foot, low }: Span): number => foot?.v ?? low.v;

/** Where it ends: at what stops it, or over the outside face of the high wall that it runs on over. */
export const topOf = ({ slope, high }: Span): number =>
  high.over === null
    ? high.v
    : high.v + high.over.side.overhangMm / v2.dot(high.over.side.inward, slope.uphill);

/** Numbers the spans of every side along its eave. */
export const placeRafters = (spans: readonly Span[]): RafterPlace[] => {
  const numbers = new Map<string, number>();
  return spans.map((span) => {
    const kind = kindOf(span);
    const key = `${span.block} ${kind} ${span.side}`;
    const number = numbers.get(key) ?? 0;
    numbers.set(key, number + 1);
    return { id: memberId(span.block, kind, span.side, number), kind, span };
  });
};

/** A cut along a wall's face or the roof's edge. */
const atLine = (end: SpanEnd, at: CutAt, uphill: Vec2): PlanCut | null => {
  if (end.line === null) return null;
  const { point, outward } = end.line;
  const square = Math.abs(v2.cross(outward, uphill)) < SAME_WAY_SINE;
  const name = at === 'tail' ? 'tail cheek' : square ? 'plumb cut' : 'cheek cut';
  return { point, outward, cut: { at, name, keep: plumbKeep(point, outward), meets: null } };
};

/** A wall covered to within this of its corner is covered to the corner. mm */
const AT_CORNER_MM = SLACK_MM.nothing;

/** Near a corner, a tail can reach the fascia of the next side too. */
const cornerTails = (site: Site, span: Span): PlanCut[] => {
  const at = planPoint(span.slope, span.station.u, Math.min(startOf(span), span.low.v));
  const { sides } = blockAt(site, span.block);
  return [span.side, span.side + 1, span.side - 1 + sides.length].flatMap((index): PlanCut[] => {
    const side = sideAt(site, span.block, index);
    const reach = side.overhangMm + site.job.timber.common.depth;
    const plane = blockAt(site, span.block).planes[side.index];
    if (side.roof !== 'eave' || plane == null || runFrom(side, at) > reach) return [];
    // The eave of a wall that stands much higher passes over it.
    const above = heightAt(plane, at) - heightOn(span.slope, at);
    if (above > site.job.timber.common.depth / Math.cos(span.slope.slopeRad)) return [];
    const own = span.foot !== null;
    if (own && side.index === span.side) return [];
    // Where another roof covers the wall there is no eave to reach.
    const along = v2.dot(v2.sub(at, side.start), side.along);
    const covered = coveredAt(site, span.block, side.index);
    if (covered.some(([low, high]) => along > low - AT_CORNER_MM && along < high)) return [];
    const tail = tailOfSide(site, span.block, side.index, at, 'tail cheek');
    return [{ ...tail, cut: own ? tail.cut : { ...tail.cut, at: 'bottom', name: 'cheek cut' } }];
  });
};

/** What ends a span by itself, before any neighbour does: its tail, a wall. */
const ownCuts = (site: Site, span: Span): PlanCut[] => {
  const { foot, low, high, slope, station, index } = span;
  const cuts: (PlanCut | null)[] = [
    high.over === null
      ? atLine(high, 'top', slope.uphill)
      : highTail(site, slope, high.over.block, high.over.side),
  ];
  if (foot !== null) {
    cuts.push(tailOf(site, index, planPoint(slope, station.u, foot.v), 'tail cut'));
    if (low.stop === 'edge' || low.stop === 'wall') cuts.push(atLine(low, 'tail', slope.uphill));
  } else cuts.push(atLine(low, 'bottom', slope.uphill));
  cuts.push(...cornerTails(site, span));
  return cuts.filter((cut) => cut !== null);
};

/** How far an open end must run on, so that the timber on the line it comes to cuts it right across. mm */
const runsOn = (site: Site, { slope }: Span, { beside, stop }: SpanEnd): number => {
  const { common, hip, valley, ridge, purlin } = site.job.timber;
  const spare = TO_SPARE * common.thickness;
  const other = beside === null ? undefined : site.roof.slopes[beside];
  if (other === undefined) return spare + (stop === 'valley' ? FAR_MM : 0);
  const [x, y] = v3.cross(slope.plane.normal, other.plane.normal);
  const heading = v2.unit([x, y]);
  const sine = Math.abs(v2.cross(heading, slope.uphill));
  const cosine = Math.abs(v2.dot(heading, slope.uphill));
  const widest = Math.max(...[hip, valley, ridge, purlin].map((stock) => stock?.thickness ?? 0));
  return spare + (common.thickness * cosine + widest) / Math.max(sine, LEAST_SINE);
};

/** Room for a cheek on a valley that runs on across the slope, whatever its angle. mm */
const FAR_MM = 1000;
/** A line nearer than this to the slope's own direction parts no rafters. */
const LEAST_SINE = SLACK_SINE.side;

const cutByOwnEnds = (
  site: Site,
  { id, kind, span }: RafterPlace,
  ends: readonly PlanCut[],
): Strip | null => {
  const { slope, station, low, high } = span;
  const { thickness, depth } = rafterStock(site, kind);
  const at = (v: number): Vec2 => planPoint(slope, station.u, v);
  const start = Math.min(startOf(span), low.v);
  const strip = openStrip(
    at(start - runsOn(site, span, low)),
    at(high.v + runsOn(site, span, high)),
    thickness,
    {
      id,
      kind,
      heading: slope.uphill,
      topAt: (p) => heightOn(slope, p),
      plumbMm: depth / Math.cos(slope.slopeRad),
      anchor: at((startOf(span) + high.v) / 2),
    },
  );
  return cutAll(strip, ends);
};

/**
 * Cut clear of all that stands: the lines' timbers first, then the rafters, one of which may stop an end that no line
 * stops. What neither stops is cut square.
 */
const cutAgainstOthers = (
  unjointed: Strip,
  { slope, station, low, high }: Span,
  lines: StripGrid,
  rafters: StripGrid,
): Strip | null => {
  const clear = clearOfAll(unjointed, [...lines.near(unjointed), ...rafters.near(unjointed)]);
  if (clear === null) return null;
  const at = (v: number): Vec2 => planPoint(slope, station.u, v);
  return closeEnds(clear, { bottom: at(low.v), top: at(high.v) });
};

/** The rest of a rafter above its plate: whether both faces have wood there. */
const aboveFoot = (strip: Strip, span: Span): Strip | null => {
  if (span.foot === null) return strip;
  const point = planPoint(span.slope, span.station.u, span.foot.v);
  return cutAll(strip, [squareAcross(span.slope.uphill, 'bottom', point, 'plumb cut')]);
};

/** Rafters that are set however short: the crew's shortest jack is none of them. */
const WHOLE: ReadonlySet<Kind> = new Set(['common', 'king-common', 'trimmer', 'opening-jack']);

/**
 * Cuts a rafter against what stands there already; null where it would be too short to be one.
 *
 * @param lines what stands on the roof's lines
 * @param rafters those set before it
 */
export const setRafter = (
  site: Site,
  place: RafterPlace,
  lines: StripGrid,
  rafters: StripGrid,
): SetRafter | null => {
  const { id, kind, span } = place;
  const theory = (topOf(span) - startOf(span)) / Math.cos(span.slope.slopeRad);
  const jack = isRafter({ kind }) && !WHOLE.has(kind);
  if (jack && theory < site.job.framing.shortestJack) return null;
  const ends = ownCuts(site, span);
  const unjointed = cutByOwnEnds(site, place, ends);
  const strip = unjointed === null ? null : cutAgainstOthers(unjointed, span, lines, rafters);
  if (strip === null) return null;
  const body = aboveFoot(strip, span);
  if (body === null) return null;
  const faces = faceLengths(body);
  if (Math.min(faces.left, faces.right) < LEAST_FACE_MM) return null;
  const leans = site.job.framing.tail === 'square';
  const leaning = leans ? ends.map(({ cut }) => cut) : [];
  return { id, kind, span, strip: belowFoot(strip, span, leans), leaning };
};

/**
 * What cuts a seated rafter off below its heel's line, on the centre line, cuts its tail. A tail that leans may miss
 * what it was cut along.
 */
const belowFoot = (strip: Strip, { foot, slope, station }: Span, leans: boolean): Strip => {
  if (foot === null) return strip;
  const heel = planPoint(slope, station.u, foot.v);
  return withPolygon(strip, {
    points: strip.polygon.points,
    tags: strip.polygon.tags.map((tag) => {
      if (typeof tag === 'string' || tag.at !== 'bottom') return tag;
      const inside = planeAt(tag.keep, [heel[0], heel[1], 0]) > SAME_POINT_MM;
      return inside
        ? tag
        : { ...tag, at: 'tail', name: 'tail cheek', meets: leans ? null : tag.meets };
    }),
  });
};

export const topPoint = ({ span }: RafterPlace): Vec2 =>
  planPoint(span.slope, span.station.u, span.high.v);
