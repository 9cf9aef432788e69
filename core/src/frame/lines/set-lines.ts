import { SAME_WAY_SINE, SLACK_SINE, SLACK_MM, v2, v3, type Vec2 } from '../../geom';
import { LINE_TIMBER, runsThrough } from '../../roof';
import { plumbKeep } from '../member/board';
import type { LineEnd, LinePlace } from '../site/line-places';
import type { CutAt } from '../member/member';
import {
  clearOfAll,
  closeEnds,
  cutAll,
  squareAcross,
  openStrip,
  type PlanCut,
  type Strip,
} from '../joint/strip';
import { tailCuts } from '../eaves/tails';
import { stockOf, type Site } from '../site';
import { lineFrame } from './line-frame';

/** A line's timber with its joints to the other lines cut. */
export interface SetLine {
  readonly place: LinePlace;
  /** Before its joints were cut. */
  readonly unjointed: Strip;
  readonly strip: Strip;
}

/** An open end runs on this many thicknesses, more than any cheek is long, until a neighbour stops it. */
const RUNS_ON = 40;

const RANK = { ridge: 0, break: 1, valley: 2, hip: 3 } as const;
/** What runs nearer to a line's own direction does not come against its side. */
const ACROSS_SINE = SLACK_SINE.across;
/** A hip and a ridge nearer to one direction are in line. */
const ALONG_SINE = SAME_WAY_SINE;
/** Tops that part by less stand at one height, and lengths are alike. mm */
const LEVEL_MM = SLACK_MM.rounding;

const longOf = ({ low, high }: LinePlace): number => v2.distance(v3.inPlan(low), v3.inPlan(high));

/** Lines that turn by more than this, as a cosine, do not run on into each other. */
const RUNS_ON_INTO = 0.5;

/** At a break in pitch: the hip or valley that runs on from a point above the other's upper end, and that other. */
const partner = (
  places: readonly LinePlace[],
  own: LinePlace,
  upper: boolean,
): LinePlace | null => {
  const node = upper ? own.highEnd.node : own.lowEnd.node;
  const breaks = places.some(
    ({ kind, lowEnd, highEnd }) =>
      kind === 'break' && (lowEnd.node === node || highEnd.node === node),
  );
  if (node === null || !breaks || (own.kind !== 'hip' && own.kind !== 'valley')) return null;
  const found = places.find(
    (other) =>
      other !== own &&
      other.kind === own.kind &&
      (upper ? other.lowEnd.node : other.highEnd.node) === node &&
      v2.dot(other.heading, own.heading) > RUNS_ON_INTO,
  );
  return found ?? null;
};

/** A hip or valley that runs on above a break comes before the timber under that break, which ends on its side. */
const rankOf = (places: readonly LinePlace[], place: LinePlace): number =>
  partner(places, place, true) === null ? RANK[place.kind] : RANK.ridge;

/** Whether a hip comes up in line with a ridge to that one's end: the two bear on each other, and other hips on both. */
export const facesRidge = (
  places: readonly LinePlace[],
  { kind, heading, highEnd }: LinePlace,
): boolean =>
  kind === 'hip' &&
  highEnd.node !== null &&
  places.some(
    (other) =>
      other.kind === 'ridge' &&
      [other.lowEnd, other.highEnd].some(({ node }) => node === highEnd.node) &&
      Math.abs(v2.cross(other.heading, heading)) < ALONG_SINE,
  );

/**
 * Who is cut against whom: the higher line keeps its wood, for it carries the lower; at one height ridges before
 * breaks before valleys before hips, of those one that faces a ridge's end first, one that others end on before one that
 * none does, and the longer before the shorter.
 */
const bySeniority = (places: readonly LinePlace[]): LinePlace[] => {
  const through = new Map(
    places.map((place) => [
      place,
      places.filter((other) => [other.low, other.high].some((end) => runsThrough(place.line, end)))
        .length,
    ]),
  );
  const ranks = new Map(
    places.map((place) => [place, rankOf(places, place) - (facesRidge(places, place) ? 0.5 : 0)]),
  );
  return [...places].sort((p, q) => {
    const height = q.high[2] - p.high[2];
    if (Math.abs(height) > LEVEL_MM) return height;
    const rank = (ranks.get(p) ?? 0) - (ranks.get(q) ?? 0);
    if (rank !== 0) return rank;
    const passed = (through.get(q) ?? 0) - (through.get(p) ?? 0);
    if (passed !== 0) return passed;
    const length = longOf(q) - longOf(p);
    return Math.abs(length) > LEVEL_MM ? length : 0;
  });
};

const thicknessOf = (site: Site, { kind }: LinePlace): number => stockOf(site, kind).thickness;

/** Whether hips end at a point against the rafters that stand there, and not against a ridge. */
export const meetsRafters = (site: Site, places: readonly LinePlace[], node: number): boolean =>
  site.job.framing.hipAtRidge === 'to-commons' ||
  !places.some(
    (place) =>
      (place.lowEnd.node === node && place.kind !== 'valley') ||
      (place.highEnd.node === node && place.kind === 'ridge'),
  );

/**
 * Whether the king stands first at a point on a ridge's end: where hips are cut against the ridge, before them, for
 * between them a king that is thicker than the ridge would be nipped and never come to its end; and where the ridge
 * slopes, before the commons too, which stand askew to it and would nip it likewise.
 */
export const kingStandsFirst = (
  { job }: Site,
  places: readonly LinePlace[],
  node: number,
): boolean =>
  places.some(
    ({ kind, low, high, lowEnd, highEnd }) =>
      kind === 'ridge' &&
      (lowEnd.node === node || highEnd.node === node) &&
      (job.framing.hipAtRidge === 'to-ridge' || high[2] - low[2] > LEVEL_MM),
  );

/**
 * How far the first timber at a point runs past it, so that all that end there bear on it whole. At a hip end: half
 * the commons' thickness, or half its own where the hips are cut against the ridge.
 */
const pastPoint = (
  site: Site,
  places: readonly LinePlace[],
  own: LinePlace,
  node: number,
  outward: Vec2,
): number => {
  const half = thicknessOf(site, own) / 2;
  const others = places.filter(
    (one) => one !== own && (one.lowEnd.node === node || one.highEnd.node === node),
  );
  const hips = others.filter((one) => one.kind === 'hip' && one.highEnd.node === node);
  const atHipEnd =
    hips.length === 0
      ? 0
      : site.job.framing.hipAtRidge === 'to-ridge'
        ? half
        : site.job.timber.common.thickness / 2;
  const bearing = others
    .filter((one) => !hips.includes(one))
    .map((one) => {
      const sine = Math.abs(v2.cross(one.heading, outward));
      const cosine = Math.abs(v2.dot(one.heading, outward));
      return sine < ACROSS_SINE ? 0 : (thicknessOf(site, one) / 2 + half * cosine) / sine;
    });
  return Math.max(atHipEnd, ...bearing);
};

/** The joint of two hips or valleys that run on into each other at a break in pitch, midway between their directions. */
const kneeCut = (upper: LinePlace, lower: LinePlace, of: 'upper' | 'lower'): PlanCut => {
  const turn = v2.unit(v2.add(upper.heading, lower.heading));
  const point = v3.inPlan(upper.low);
  const outward = of === 'upper' ? v2.scale(turn, -1) : turn;
  const keep = plumbKeep(point, outward);
  const [at, other] = of === 'upper' ? (['bottom', lower] as const) : (['top', upper] as const);
  return { point, outward, cut: { at, name: 'plumb cut', keep, meets: other.id } };
};

const wallCut = ({ point, outward }: NonNullable<LineEnd['wall']>, at: CutAt): PlanCut => ({
  point,
  outward,
  cut: { at, name: 'end cut', keep: plumbKeep(point, outward), meets: null },
});

/** The timber as long as it could be: tails and walls cut, open where others will stop it. */
const cutByOwnEnds = (
  site: Site,
  places: readonly LinePlace[],
  place: LinePlace,
  first: (node: number) => boolean,
): Strip | null => {
  const thickness = thicknessOf(site, place);
  const frame = lineFrame(place.low, place.high);
  const rise = Math.tan(frame.slopeRad);
  const top = (p: Vec2): number =>
    place.low[2] + rise * v2.dot(v2.sub(p, v3.inPlan(place.low)), place.heading);
  const anchor = v2.scale(v2.add(v3.inPlan(place.low), v3.inPlan(place.high)), 0.5);
  const more = RUNS_ON * thickness;
  const back =
    place.foot === null ? 0 : v2.distance(v3.inPlan(place.low), v3.inPlan(place.foot.tail));
  const low = v2.add(v3.inPlan(place.low), v2.scale(place.heading, -back - more));
  const high = v2.add(v3.inPlan(place.high), v2.scale(place.heading, more));
  const plumbMm = stockOf(site, place.kind).depth / Math.cos(frame.slopeRad);
  const { id, heading } = place;
  const kind = LINE_TIMBER[place.kind];
  const board = { id, kind, heading, topAt: top, plumbMm, anchor };
  const ends = [false, true].flatMap((upper): PlanCut[] => {
    const end = upper ? place.highEnd : place.lowEnd;
    const at = upper ? ('top' as const) : ('bottom' as const);
    if (end.wall !== null) return [wallCut(end.wall, at)];
    const other = partner(places, place, upper);
    if (other !== null)
      return upper ? [kneeCut(other, place, 'lower')] : [kneeCut(place, other, 'upper')];
    if (end.node === null || !first(end.node) || (!upper && place.foot !== null)) return [];
    const outward = upper ? heading : v2.scale(heading, -1);
    const past = pastPoint(site, places, place, end.node, outward);
    const point = v2.add(v3.inPlan(upper ? place.high : place.low), v2.scale(outward, past));
    return [squareAcross(heading, at, point, 'end cut')];
  });
  return cutAll(openStrip(low, high, thickness, board), [...tailCuts(site, place), ...ends]);
};

/**
 * Cuts the lines' timbers against each other, the senior first.
 *
 * @param headers strips that stand before any line: the lines that reach them are cut against them
 * @returns seniors before juniors
 */
export const setLines = (
  site: Site,
  places: readonly LinePlace[],
  headers: readonly Strip[],
): SetLine[] => {
  const set: SetLine[] = [];
  const begun = new Set<number>();
  for (const place of bySeniority(places)) {
    const unjointed = cutByOwnEnds(site, places, place, (node) => !begun.has(node));
    for (const { node } of [place.lowEnd, place.highEnd]) if (node !== null) begun.add(node);
    if (unjointed === null) continue;
    const strip = cutAgainstOthers(place, unjointed, [...headers, ...set.map((one) => one.strip)]);
    if (strip !== null) set.push({ place, unjointed, strip });
  }
  return set;
};

const cutAgainstOthers = (
  place: LinePlace,
  unjointed: Strip,
  others: readonly Strip[],
): Strip | null => {
  const clear = clearOfAll(unjointed, others);
  return clear === null
    ? null
    : closeEnds(clear, { bottom: v3.inPlan(place.low), top: v3.inPlan(place.high) });
};

/** The lines again, with every hip that ends between rafters cut against those first. */
export const withRafters = (
  site: Site,
  places: readonly LinePlace[],
  set: readonly SetLine[],
  headers: readonly Strip[],
  rafters: readonly Strip[],
): SetLine[] => {
  const done: SetLine[] = [];
  for (const one of set) {
    const { place, unjointed } = one;
    const { node } = place.highEnd;
    const between =
      place.kind === 'hip' &&
      node !== null &&
      !facesRidge(places, place) &&
      (meetsRafters(site, places, node) || kingStandsFirst(site, places, node));
    const others = [...rafters, ...headers, ...done.map(({ strip }) => strip)];
    const strip = between ? cutAgainstOthers(place, unjointed, others) : one.strip;
    if (strip !== null) done.push({ ...one, strip });
  }
  return done;
};
