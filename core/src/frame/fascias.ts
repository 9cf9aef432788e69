import {
  clipSolid,
  flip,
  halfSpace,
  halfSpaceToLocal,
  lineCrossing,
  v2,
  v3,
  volume,
  type BoardFrame,
  type ConvexSolid,
  type HalfSpace,
  type Vec2,
  type Vec3,
} from '../geom';
import type { Stock } from '../job';
import type { Slope } from '../roof';
import { plumbFrame, plumbKeep } from './board';
import { FASCIA_CORNER_MM } from './fascia-places';
import { plainPlan, type EndCut, type Member } from './member';
import { solidOf } from './solid-of';
import { clearOfAll, cutsOf, cutAll, wholeStrip, type PlanCut, type Strip } from './strip';
import type { StripGrid } from './strip-grid';
import { isSquareTail } from './tails';
import { planedOff } from './to-member';
import { blockAt, heightOn, slopeAt, type FasciaPlace, type Site } from './timbers';

/** Ends of fascias this near the crossing of their lines make a corner. mm */
const CORNER_REACH_MM = 400;

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
  const at = lineCrossing(v3.inPlan(p), place.slope.along, v3.inPlan(q), next.slope.along);
  const reaches = (end: Vec3): boolean =>
    at !== null && v2.distance(v3.inPlan(end), at) < CORNER_REACH_MM;
  return reaches(p) && reaches(q) ? at : null;
};

/** A slope that rises before a fascia's end by less than this runs along it. mm per mm */
const RISES = 0.05;
/** A timber this little above a slope's plane lies under it. mm */
const UNDER_MM = 0.5;

/** The slope on which an eave comes to its end, above the eave of that slope. */
const slopeUnder = ({ roof }: Site, place: FasciaPlace, which: 'start' | 'end'): Slope | null => {
  const p = which === 'start' ? place.from : place.to;
  const away = v2.scale(place.slope.along, which === 'start' ? -1 : 1);
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
  const outward = v2.scale(place.slope.along, which === 'start' ? -1 : 1);
  const at = which === 'start' ? ('bottom' as const) : ('top' as const);
  const aside = Math.abs(v2.dot(slope.uphill, v2.left(outward))) * slope.rise;
  const rate = slope.rise * v2.dot(slope.uphill, outward);
  const reach = (aside * (site.job.timber.fascia?.thickness ?? 0)) / rate;
  const point = v2.add(v3.inPlan(p), v2.scale(outward, reach));
  const cut: EndCut = { at, name: 'roof cut', keep: flip(slope.plane), meets: null };
  return { point, outward, cut };
};

/** Mitred where two fascias meet, in the middle between their two directions; square where one ends alone. */
const endAt = (
  site: Site,
  place: FasciaPlace,
  which: 'start' | 'end',
  all: readonly FasciaPlace[],
): PlanCut => {
  const p = which === 'start' ? place.from : place.to;
  const away = v2.scale(place.slope.along, which === 'start' ? -1 : 1);
  const at = which === 'start' ? ('bottom' as const) : ('top' as const);
  for (const next of all) {
    const corner = cornerAt(site, place, which, next);
    if (corner === null) continue;
    const turn = v2.unit(v2.add(place.slope.along, next.slope.along));
    const outward = which === 'start' ? v2.scale(turn, -1) : turn;
    const cut: EndCut = { at, name: 'mitre', keep: plumbKeep(corner, outward), meets: next.id };
    return { point: corner, outward, cut };
  }
  const under = slopeUnder(site, place, which);
  if (under !== null) return onSlopeEnd(site, place, which, under);
  const point = v3.inPlan(p);
  const cut: EndCut = { at, name: 'end cut', keep: plumbKeep(point, away), meets: null };
  return { point, outward: away, cut };
};

const isSquare = (site: Site, { block, side }: FasciaPlace): boolean => {
  const plane = blockAt(site, block).planes[side.index];
  return plane != null && isSquareTail(site, plane);
};

/**
 * The board's frame, its origin on the centre of its thickness at the first corner. Its back lies on the tails.
 *
 *    plumb tail   │▌        square tail   ╱▌╲
 *                 │▌ fascia               ╱▌
 */
const fasciaFrame = (site: Site, place: FasciaPlace, thickness: number): BoardFrame => {
  const { slope } = place;
  const a: Vec3 = [slope.along[0], slope.along[1], 0];
  const e: Vec3 = isSquare(site, place)
    ? plumbFrame([0, 0, 0], slope.uphill, slope.slopeRad).e
    : [0, 0, 1];
  const s = v3.cross(e, a);
  return { origin: v3.add(place.from, v3.scale(s, -thickness / 2)), a, s, e };
};

/** A fascia's outline in plan, `inner` in from its back and `outer` out, with its own ends cut. mm */
const outlineOf = (
  place: FasciaPlace,
  ends: readonly PlanCut[],
  [inner, outer]: readonly [number, number],
  depth: number,
  topMm: number,
): Strip | null => {
  const { slope } = place;
  const out = v2.scale(slope.uphill, (inner - outer) / 2);
  const reach = v2.scale(slope.along, CORNER_REACH_MM + 4 * (inner + outer));
  const from = v2.add(v3.inPlan(place.from), out);
  const to = v2.add(v3.inPlan(place.to), out);
  const z = place.from[2] + topMm;
  const whole = wholeStrip(v2.sub(from, reach), v2.add(to, reach), inner + outer, {
    id: place.id,
    kind: 'fascia',
    heading: slope.along,
    topAt: () => z,
    plumbMm: depth,
    anchor: v2.scale(v2.add(from, to), 0.5),
  });
  return cutAll(whole, ends);
};

/** A fascia with the ends that its strip was cut to. */
const memberOf = (
  site: Site,
  place: FasciaPlace,
  stock: Stock,
  topMm: number,
  strip: Strip,
  own: readonly PlanCut[],
): Member => ({
  id: place.id,
  kind: 'fascia',
  block: place.block,
  side: place.side.index,
  stock,
  frame: fasciaFrame(site, place, stock.thickness),
  topMm,
  // Stopped short of what it only passes, it bears on nothing there.
  ends: cutsOf(strip).map((cut) =>
    own.some((one) => one.cut === cut) ? cut : { ...cut, name: 'end cut', meets: null },
  ),
  notches: [],
  bevels: [],
  mayStandProud: false,
  plan: plainPlan(v2.distance(v3.inPlan(place.from), v3.inPlan(place.to)), 0, place.slope.rise),
});

/** What a board of one convex piece is made of, as half-spaces. */
const boundsOf = ({ frame: { origin, a, s, e }, stock, topMm, ends }: Member): HalfSpace[] => {
  const half = stock.thickness / 2;
  const at = (along: Vec3, by: number): HalfSpace =>
    halfSpace(v3.add(origin, v3.scale(along, by)), by < 0 ? v3.scale(along, -1) : along);
  return [
    at(s, half),
    at(s, -half),
    halfSpace(v3.add(origin, v3.scale(e, topMm)), e),
    halfSpace(v3.add(origin, v3.scale(e, topMm - stock.depth)), v3.scale(e, -1)),
    ...ends.map(({ keep }) => keep),
    at(a, FAR_MM),
    at(a, -FAR_MM),
  ];
};

/** No fascia is longer. mm */
const FAR_MM = 1e6;
/** Wood that two fascias may share before one is cut: rounding. mm³ */
const TOUCHING_MM3 = 1;

/** Whether two fascias would stand in each other: leaning ones may pass where their strips in plan do not. */
const shareWood = (one: Member, other: Member): boolean => {
  const bounds = boundsOf(other).map((keep) => halfSpaceToLocal(one.frame, keep));
  return solidOf(one).some((piece) => {
    let rest: ConvexSolid<unknown> = piece;
    for (const keep of bounds) rest = clipSolid<unknown>(rest, keep, null);
    return volume(rest) > TOUCHING_MM3;
  });
};

/** One fascia an eave, as long as the roof is there; where roofs pass each other, clear of what stands there. */
export const fascias = (site: Site, standing: readonly StripGrid[]): Member[] => {
  const stock = site.job.timber.fascia;
  if (stock === undefined) return [];
  const all = site.fascias;
  const set: { readonly strip: Strip; readonly member: Member }[] = [];
  for (const place of all) {
    const ends = [endAt(site, place, 'end', all), endAt(site, place, 'start', all)];
    const mates = ends.map(({ cut }) => cut.meets);
    const slopes = (['start', 'end'] as const).flatMap(
      (which) => slopeUnder(site, place, which) ?? [],
    );
    // What lies under a slope that it is cut to lie on is not in its way.
    const inTheWay = ({ polygon, topAt }: Strip): boolean =>
      !slopes.some((slope) =>
        polygon.points.every((p) => topAt(p) < heightOn(slope, p) + UNDER_MM),
      );
    // A plumb fascia's outer top arris lies in the roof plane, so that nothing stands proud.
    const topMm = isSquare(site, place) ? 0 : -place.slope.rise * stock.thickness;
    const thin = outlineOf(place, ends, [0, stock.thickness], stock.depth, topMm);
    const around =
      thin === null ? [] : standing.flatMap((grid) => grid.near(thin)).filter(inTheWay);
    const clear = thin === null ? null : clearOfAll(thin, around);
    if (clear === null) continue;
    // Set square with the tails, it leans in below them.
    const lean = isSquare(site, place) ? stock.depth * Math.sin(place.slope.slopeRad) : 0;
    const whole = outlineOf(
      place,
      planCutsOf(clear, ends),
      [lean, stock.thickness],
      stock.depth,
      topMm,
    );
    if (whole === null) continue;
    const uncut = memberOf(site, place, stock, topMm, whole, ends);
    const others = set.filter(
      (one) => !mates.includes(one.strip.id) && inTheWay(one.strip) && shareWood(uncut, one.member),
    );
    const strip = clearOfAll(
      whole,
      others.map((one) => one.strip),
    );
    // Two mitres can leave nothing of a length as short as the board is thick.
    if (strip === null) continue;
    set.push({ strip, member: memberOf(site, place, stock, topMm, strip, ends) });
  }
  // Where two roofs part by less than the board is deep, the slope it runs in over can take all of it.
  const left = set
    .map(({ member }) => planedOff(site, member))
    .filter((member) => solidOf(member).length > 0);
  return left.map((member) => ({
    ...member,
    ends: member.ends.map((cut) => (isMet(left, member.id, cut) ? cut : { ...cut, meets: null })),
  }));
};

/** The cuts a strip has, as lines in plan: its own, and the plumb ones it was cut clear with. */
const planCutsOf = (strip: Strip, own: readonly PlanCut[]): PlanCut[] =>
  cutsOf(strip).map((cut) => {
    const [x, y] = cut.keep.normal;
    const plumb = { point: v2.scale([x, y], cut.keep.offset), outward: [x, y] as const, cut };
    return own.find((one) => one.cut === cut) ?? plumb;
  });

/** A mitre has its like on the other fascia, unless that had to stop short. */
const isMet = (members: readonly Member[], id: string, { meets, name }: EndCut): boolean =>
  name !== 'mitre' ||
  members.some((other) => other.id === meets && other.ends.some((cut) => cut.meets === id));
