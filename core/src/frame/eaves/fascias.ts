import { SLACK_MM, v2, v3, type BoardFrame } from '../../geom';
import type { Stock } from '../../job';
import { backOf, CORNER_REACH_MM, endAt, isSquareFascia, slopeUnder } from './fascia-ends';
import { makeMember, axisOf, type EndCut, type Member } from '../member/member';
import { clearInSpace } from '../joint/in-space';
import { solidOf } from '../member/solid-of';
import {
  boxesPart,
  clearOfAll,
  cutsOf,
  cutAll,
  openStrip,
  type PlanCut,
  type Strip,
} from '../joint/strip';
import type { StripGrid } from '../joint/strip-grid';
import { planedToRoof } from '../to-member';
import { heightOn, type FasciaPlace, type Site } from '../site';

/** A timber this little above a slope's plane lies under it. mm */
const UNDER_MM = SLACK_MM.beside;

/**
 * The board's frame, its origin on the centre of its thickness at the first corner. Its back lies on the tails.
 *
 *    plumb tail   │▌        square tail   ╱▌╲
 *                 │▌ fascia               ╱▌
 */
const fasciaFrame = (site: Site, place: FasciaPlace, thickness: number): BoardFrame => {
  const { from, to } = place;
  // Level along an eave; over a high wall out of line with it, it rises a hair.
  const a = v3.unit(v3.sub(to, from));
  const out = backOf(site, place).normal;
  const across = v3.cross(a, out);
  const e = across[2] < 0 ? v3.scale(across, -1) : across;
  return { origin: v3.add(from, v3.scale(out, thickness / 2)), a, s: v3.cross(e, a), e };
};

/** A fascia's outline in plan, `inner` in from its back and `outer` out, with its own ends cut. mm */
const outlineOf = (
  place: FasciaPlace,
  ends: readonly PlanCut[],
  [inner, outer]: readonly [number, number],
  depth: number,
  topMm: number,
): Strip | null => {
  const { along, outward } = place;
  const out = v2.scale(outward, (outer - inner) / 2);
  const reach = v2.scale(along, CORNER_REACH_MM + 4 * (inner + outer));
  const from = v2.add(v3.inPlan(place.from), out);
  const to = v2.add(v3.inPlan(place.to), out);
  const z = place.from[2] + topMm;
  const whole = openStrip(v2.sub(from, reach), v2.add(to, reach), inner + outer, {
    id: place.id,
    kind: 'fascia',
    heading: along,
    topAt: () => z,
    plumbMm: depth,
    anchor: v2.scale(v2.add(from, to), 0.5),
  });
  return cutAll(whole, ends);
};

/** Stopped short of what it only passes, a fascia bears on nothing there. */
const stopsShort =
  (own: readonly PlanCut[]) =>
  (cut: EndCut): EndCut =>
    own.some((one) => one.cut === cut) ? cut : { ...cut, name: 'end cut', meets: null };

/** A fascia with the ends that its strip was cut to. */
const memberOf = (
  site: Site,
  place: FasciaPlace,
  stock: Stock,
  topMm: number,
  strip: Strip,
  own: readonly PlanCut[],
): Member =>
  makeMember({
    id: place.id,
    kind: 'fascia',
    block: place.block,
    side: place.side.index,
    stock,
    frame: fasciaFrame(site, place, stock.thickness),
    topMm,
    ends: cutsOf(strip).map(stopsShort(own)),
    axis: axisOf(
      v2.distance(v3.inPlan(place.from), v3.inPlan(place.to)),
      place.to[2] - place.from[2],
    ),
    pair: { rise: place.slope.rise, run: 1 },
    longMm: site.job.framing.fasciaLong ?? 0,
  });

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
    // A plumb fascia's outer top arris lies in the roof plane, so that nothing stands proud; over a high wall its inner one.
    const high = place.side.roof === 'high';
    const square = isSquareFascia(site, place);
    const topMm = square || high ? 0 : -place.slope.rise * stock.thickness;
    // Set square with the tails, it leans in below them; over a high wall out, and they reach out below it.
    const lean = square ? stock.depth * Math.sin(place.slope.slopeRad) : 0;
    const tails =
      square && high ? site.job.timber.common.depth * Math.sin(place.slope.slopeRad) : 0;
    const thin = outlineOf(place, ends, [-tails, tails + stock.thickness], stock.depth, topMm);
    const around =
      thin === null ? [] : standing.flatMap((grid) => grid.near(thin)).filter(inTheWay);
    const clear = thin === null ? null : clearOfAll(thin, around);
    if (clear === null) continue;
    const whole = outlineOf(
      place,
      planCutsOf(clear, ends),
      high ? [0, stock.thickness + lean] : [lean, stock.thickness],
      stock.depth,
      topMm,
    );
    if (whole === null) continue;
    const uncut = memberOf(site, place, stock, topMm, whole, ends);
    // Leaning ones may pass where their outlines in plan do not.
    const others = set.filter(
      (one) =>
        !mates.includes(one.strip.id) &&
        !boxesPart(whole.box, one.strip.box) &&
        inTheWay(one.strip),
    );
    const middle = v3.lerp(place.from, place.to, 0.5);
    const member = clearInSpace(
      uncut,
      others.map((one) => one.member),
      v3.add(middle, v3.scale(uncut.frame.e, topMm - stock.depth / 2)),
    );
    // Two mitres can leave nothing of a length as short as the board is thick.
    if (member === null) continue;
    set.push({ strip: whole, member: { ...member, ends: member.ends.map(stopsShort(ends)) } });
  }
  // Where two roofs part by less than the board is deep, the slope it runs in over can take all of it.
  const left = set
    .map(({ member }) => planedToRoof(site, member))
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
