import { flip, lineCrossing, v2, v3, type HalfSpace, type Vec2, type Vec3 } from '../../geom';
import type { Slope } from '../../roof';
import { plumbKeep } from '../member/board';
import { FASCIA_CORNER_MM } from './fascia-places';
import type { EndCut } from '../member/member';
import type { PlanCut } from '../joint/strip';
import { blockAt, slopeAt, type FasciaPlace, type Site } from '../site';
import { isSquareHigh, isSquareTail, squareToSlope } from './tails';

/** Ends of fascias this near the crossing of their lines make a corner. mm */
export const CORNER_REACH_MM = 400;

/** The corner that one end of a fascia makes with the next: where their backs cross in plan. */
const cornerAt = (
  site: Site,
  place: FasciaPlace,
  which: 'start' | 'end',
  next: FasciaPlace,
): Vec2 | null => {
  const [p, q] = which === 'start' ? [place.from, next.to] : [place.to, next.from];
  const depth = site.job.timber.fascia?.depth ?? 0;
  if (next === place || Math.abs(p[2] - q[2]) > depth) return null;
  if (v2.distance(v3.inPlan(p), v3.inPlan(q)) < FASCIA_CORNER_MM) return v3.inPlan(p);
  // The eaves of one block that fall unlike still make a corner, if not a level one.
  if (next.block !== place.block) return null;
  const at = lineCrossing(v3.inPlan(p), place.along, v3.inPlan(q), next.along);
  const reaches = (end: Vec3): boolean =>
    at !== null && v2.distance(v3.inPlan(end), at) < CORNER_REACH_MM;
  return reaches(p) && reaches(q) ? at : null;
};

/** A slope that rises before a fascia's end by less than this runs along it. mm per mm */
const RISES = 0.05;

/** The slope on which an eave comes to its end, above the eave of that slope. */
export const slopeUnder = (
  { roof }: Site,
  place: FasciaPlace,
  which: 'start' | 'end',
): Slope | null => {
  const p = which === 'start' ? place.from : place.to;
  const away = v2.scale(place.along, which === 'start' ? -1 : 1);
  for (const { kind, from, slopes } of roof.lines) {
    if (kind !== 'valley' || v3.distance(from, p) > FASCIA_CORNER_MM) continue;
    for (const slope of slopes.map((i) => slopeAt({ roof }, i))) {
      if (slope !== place.slope && slope.rise * v2.dot(slope.uphill, away) > RISES) return slope;
    }
  }
  return null;
};

/**
 * A fascia that runs in over another slope is cut to lie on it, its upper edge the longer:
 *
 *    ──────────────╱ slope
 *      fascia    ╱
 *    ──────────╱
 */
const onSlopeEnd = (
  site: Site,
  place: FasciaPlace,
  which: 'start' | 'end',
  slope: Slope,
): PlanCut => {
  const p = which === 'start' ? place.from : place.to;
  const outward = v2.scale(place.along, which === 'start' ? -1 : 1);
  const at = which === 'start' ? ('bottom' as const) : ('top' as const);
  const aside = Math.abs(v2.dot(slope.uphill, v2.left(outward))) * slope.rise;
  const rate = slope.rise * v2.dot(slope.uphill, outward);
  const reach = (aside * (site.job.timber.fascia?.thickness ?? 0)) / rate;
  const point = v2.add(v3.inPlan(p), v2.scale(outward, reach));
  const cut: EndCut = { at, name: 'roof cut', keep: flip(slope.plane), meets: null };
  return { point, outward, cut };
};

/** The plane that a fascia's back lies in, looking out of the roof: plumb, or square to the slope with its tails. */
export const backOf = (site: Site, place: FasciaPlace): HalfSpace => {
  const { slope, from, along, outward } = place;
  if (!isSquareFascia(site, place)) return plumbKeep(v3.inPlan(from), outward);
  const square = squareToSlope(slope, v3.inPlan(from), along);
  return v2.dot(v3.inPlan(square.normal), outward) > 0 ? square : flip(square);
};

export const isSquareFascia = (site: Site, { block, side }: FasciaPlace): boolean => {
  if (side.roof === 'high') return isSquareHigh(site, side.overhangMm);
  const plane = blockAt(site, block).planes[side.index];
  return plane != null && isSquareTail(site, plane);
};

/**
 * The plane that a mitre is sawn on: midway between the two fascias' backs, so that backs meet backs and fronts fronts
 * however each leans. Between plumb ones that is plumb, midway between their directions in plan.
 *
 *        back a ╲   ╱ back b        n = a − b, through the line in which the backs cross, and so through
 *                ╲│╱                that in which the fronts do
 *                 │ mitre
 */
const mitrePlane = (site: Site, place: FasciaPlace, next: FasciaPlace, away: Vec2): HalfSpace => {
  const [own, other] = [backOf(site, place), backOf(site, next)];
  const normal = v3.sub(own.normal, other.normal);
  const offset = own.offset - other.offset;
  const size = v3.length(normal) * (v2.dot(v3.inPlan(normal), away) < 0 ? -1 : 1);
  return { normal: v3.scale(normal, 1 / size), offset: offset / size };
};

/** Mitred where two fascias meet, midway between the two; square where one ends alone. */
export const endAt = (
  site: Site,
  place: FasciaPlace,
  which: 'start' | 'end',
  all: readonly FasciaPlace[],
): PlanCut => {
  const p = which === 'start' ? place.from : place.to;
  const away = v2.scale(place.along, which === 'start' ? -1 : 1);
  const at = which === 'start' ? ('bottom' as const) : ('top' as const);
  for (const next of all) {
    const corner = cornerAt(site, place, which, next);
    if (corner === null) continue;
    const turn = v2.unit(v2.add(place.along, next.along));
    const outward = which === 'start' ? v2.scale(turn, -1) : turn;
    // Whose tops pass at unlike heights share no line to be mitred on: each is sawn plumb where the eaves cross.
    const q = which === 'start' ? next.to : next.from;
    const level = Math.abs(p[2] - q[2]) < FASCIA_CORNER_MM;
    const keep = level ? mitrePlane(site, place, next, away) : plumbKeep(corner, outward);
    const cut: EndCut = { at, name: 'mitre', keep, meets: next.id };
    return { point: corner, outward, cut };
  }
  const under = slopeUnder(site, place, which);
  if (under !== null) return onSlopeEnd(site, place, which, under);
  const point = v3.inPlan(p);
  const cut: EndCut = { at, name: 'end cut', keep: plumbKeep(point, away), meets: null };
  return { point, outward: away, cut };
};
