import {
  SLACK_MM,
  boxRound,
  SAME_POINT_MM,
  v2,
  v3,
  type Vec2,
  type Vec3,
  SAME_HEIGHT_MM,
} from '../geom';
import { blocksAbout, LINE_TIMBER, roofAbout, type RoofOver, type Slope } from '../roof';
import { plumbFrame, plumbKeep } from './member/board';
import type { HeaderTheory } from './headers/headers';
import type { LinePlace } from './site/line-places';
import {
  makeMember,
  axisOf,
  type Bevel,
  type EndCut,
  type FoldPlan,
  type Member,
} from './member/member';
import { overPlates, seatNotch } from './joint/plate-notches';
import type { SetLine } from './lines/set-lines';
import { startOf, topOf, type SetRafter } from './rafters/set-rafters';
import { planPoint } from './site/slope-plan';
import { cornersOf, solidOf } from './member/solid-of';
import { cutsOf, type Strip } from './joint/strip';
import { standsInFascia, tailCuts } from './eaves/tails';
import { heightOn, rafterStock, sideAt, slopeAt, stockOf, type Site } from './site';
import { fitTop, lineFrame, planesOf } from './lines/line-frame';

/** A corner that stands above the roof by less than this is left. mm */
const PLANED_MM = SLACK_MM.rounding;
/** A board's corner can reach over this many other slopes at most, where hips run together. */
const MOST_PLANED = 6;

/** The slope over the highest of a board's corners above the roof; null where none stands above it. */
const mostProud = (
  site: Site,
  points: readonly Vec3[],
  { block, side }: Member,
): RoofOver | null => {
  const about = blocksAbout(site.roof, boxRound(points), block);
  let most = PLANED_MM;
  let found: RoofOver | null = null;
  for (const [x, y, z] of points) {
    const over = roofAbout(about, [x, y], block, side);
    if (z - over.z > most) [most, found] = [z - over.z, over];
  }
  return found;
};

/** Planes off, slope by slope, the corners of a board that reach above the roof. */
export const planedToRoof = (site: Site, member: Member): Member => {
  let planed = member;
  for (let i = 0; i < MOST_PLANED; i += 1) {
    const over = mostProud(site, cornersOf(planed), planed);
    if (over === null) break;
    const keep = over.plane.plane;
    if (planed.bevels.some((bevel) => bevel.keep === keep && bevel.beyond === null)) break;
    planed = { ...planed, bevels: [...planed.bevels, { keep, beyond: null }] };
  }
  return withoutIdleBevels(site, member, planed);
};

/**
 * Without flats that the others made needless: where a corner lies under the line between two slopes, rounding says which
 * of them it is planed to first.
 */
const withoutIdleBevels = (site: Site, before: Member, planed: Member): Member =>
  planed.bevels.length < before.bevels.length + 2
    ? planed
    : planed.bevels.slice(before.bevels.length).reduce<Member>((left, bevel) => {
        const next = { ...left, bevels: left.bevels.filter((one) => one !== bevel) };
        return mostProud(site, cornersOf(next), next) === null ? next : left;
      }, planed);

/**
 * The board with what its plan cannot show: cuts that lean, where they cut anything, and corners planed off to the
 * roof. A plumb board's top is highest over the corners of its outline, so that most are settled there.
 *
 * @param leaning cuts that may reach its lower part alone
 */
const finished = (
  site: Site,
  member: Member,
  strip: Strip,
  leaning: readonly EndCut[] = [],
): Member => {
  const more = leaning.filter((cut) => !cutsInto(strip, cut));
  const cut = overPlates(site, more.length === 0 ? member : withLeaning(site, member, more), strip);
  if (cut.mayStandProud) return cut;
  const drop = -cut.topMm / Math.cos(cut.axis.slopeRad);
  const tops = strip.polygon.points.map((p): Vec3 => [p[0], p[1], strip.topAt(p) - drop]);
  return mostProud(site, tops, cut) === null ? cut : planedToRoof(site, cut);
};

/** Whether a strip has this very cut already. */
const cutsInto = (strip: Strip, { keep }: EndCut): boolean =>
  cutsOf(strip).some(
    ({ keep: own }) =>
      Math.abs(own.offset - keep.offset) < SAME_POINT_MM &&
      v3.distance(own.normal, keep.normal) < SAME_POINT_MM,
  );

/**
 * With those of the leaning cuts that clear a fascia, and without any that they leave nothing of. A corner taken off
 * below to clear the next side's fascia bears on nothing.
 */
const withLeaning = (site: Site, member: Member, leaning: readonly EndCut[]): Member => {
  const all = { ...member, ends: [...member.ends, ...leaning] };
  const needed = leaning.filter((cut) => standsInFascia(site, all, cut));
  const ends = [...member.ends, ...needed.map((cut) => ({ ...cut, meets: null }))];
  const cut = { ...member, ends };
  const shown = new Set(solidOf(cut).flatMap((piece) => piece.map(({ tag }) => tag)));
  return { ...cut, ends: ends.filter((end) => shown.has(end)) };
};

export const rafterMember = (site: Site, { id, kind, span, strip, leaning }: SetRafter): Member => {
  const { slope, station, foot, block, side } = span;
  const start = startOf(span);
  const p = planPoint(slope, station.u, start);
  const outward = v2.scale(slope.uphill, -1);
  const run = topOf(span) - start;
  const member: Member = makeMember({
    id,
    kind,
    block,
    side,
    stock: rafterStock(site, kind),
    frame: plumbFrame([p[0], p[1], heightOn(slope, p)], slope.uphill, slope.slopeRad),
    topMm: 0,
    ends: cutsOf(strip),
    notches:
      foot === null ? [] : [seatNotch(p, foot.side.plateMm, outward, foot.side.overhangMm > 0)],
    axis: { ...axisOf(run, run * slope.rise), slopeRad: slope.slopeRad },
    pair: { rise: slope.rise, run: 1 },
  });
  return finished(site, member, strip, leaning);
};

/** How the two slopes of a hip or valley lie to it. */
const foldOf = (
  site: Site,
  { heading, line }: LinePlace,
  backingRad: FoldPlan['backingRad'],
): FoldPlan => {
  const [left, right] = [slopeAt(site, line.slopes[0]), slopeAt(site, line.slopes[1])];
  const angle = ({ along }: Slope): number =>
    Math.acos(Math.min(1, Math.abs(v2.dot(heading, along))));
  const fall = ({ rise, uphill }: Slope, off: Vec2): number => -rise * v2.dot(uphill, off);
  return {
    rises: [left.rise, right.rise],
    cornerRad: Math.PI - Math.acos(Math.max(-1, Math.min(1, v2.dot(left.uphill, right.uphill)))),
    falls: [fall(left, v2.left(heading)), fall(right, v2.scale(v2.left(heading), -1))],
    eaveAngleRad: [angle(left), angle(right)],
    backingRad,
  };
};

/** Bevels of a hip's or valley's top edge, along its line. */
const lineBevels = (site: Site, { line, kind, runsOn, heading }: LinePlace): Bevel[] => {
  if (kind === 'hip' && site.job.framing.hipTop === 'back')
    return planesOf(site, line).map((keep) => ({ keep, beyond: null }));
  if (runsOn === null) return [];
  // On the stretch that runs on across one slope, the uphill corner would stand above that slope.
  const beyond = plumbKeep(runsOn.bevelFrom, heading);
  return [{ keep: slopeAt(site, runsOn.slope).plane, beyond }];
};

export const lineMember = (site: Site, set: SetLine): Member => {
  const { place, strip } = set;
  const { kind, block, id, line, foot, heading } = place;
  const { hipTop, hipLowered = 0 } = site.job.framing;
  const loweredMm = kind === 'hip' && hipTop === 'drop' ? hipLowered : 0;
  const stock = stockOf(site, kind);
  const { slopeRad, ...frame } = lineFrame(place.low, place.high);
  const axis = axisOf(
    v2.distance(v3.inPlan(place.low), v3.inPlan(place.high)),
    place.high[2] - place.low[2],
  );
  const left = slopeAt(site, line.slopes[0]);
  const fit = fitTop(frame, planesOf(site, line), stock.thickness);
  const dropped = kind === 'ridge' || (kind === 'hip' && hipTop === 'drop');
  const drop = (dropped ? fit.dropMm : 0) + loweredMm;
  const overhangs = line.slopes.map((index) => {
    const own = slopeAt(site, index).sides[0];
    return own === undefined ? 0 : sideAt(site, own.block, own.side).overhangMm;
  });
  const hasTail =
    foot !== null && v2.distance(v3.inPlan(foot.tail), v3.inPlan(foot.point)) > SAME_HEIGHT_MM;
  const member: Member = makeMember({
    id,
    kind: LINE_TIMBER[kind],
    block,
    side: null,
    stock,
    frame,
    topMm: drop === 0 ? 0 : -drop * Math.cos(slopeRad),
    ends: cutsOf(strip),
    // A valley's notch follows the two plates of its inner corner, not its own direction.
    notches:
      foot === null || kind === 'valley'
        ? []
        : [
            seatNotch(
              v3.inPlan(foot.point),
              foot.plateMm,
              v2.scale(heading, -1),
              hasTail && Math.min(...overhangs) > 0,
            ),
          ],
    bevels: lineBevels(site, place),
    mayStandProud: kind === 'hip' && hipTop === 'none',
    axis,
    pair: { rise: left.rise, run: axis.level ? 1 : 1 / v2.dot(heading, left.uphill) },
    fold: kind === 'hip' || kind === 'valley' ? foldOf(site, place, fit.backingRad) : null,
    dropMm: kind === 'hip' ? (hipTop === 'drop' ? fit.dropMm : 0) : null,
    loweredMm,
  });
  return finished(
    site,
    member,
    strip,
    tailCuts(site, place).map(({ cut }) => cut),
  );
};

export const headerMember = (site: Site, header: HeaderTheory, strip: Strip): Member => {
  const slope = slopeAt(site, header.slope);
  const { slopeRad: _, ...frame } = lineFrame(header.from, header.to);
  const axis = axisOf(
    v2.distance(v3.inPlan(header.from), v3.inPlan(header.to)),
    header.to[2] - header.from[2],
  );
  return makeMember({
    id: header.id,
    kind: 'header',
    block: header.block,
    side: slope.sides.find(({ block }) => block === header.block)?.side ?? null,
    stock: header.stock,
    frame,
    topMm: 0,
    ends: cutsOf(strip),
    axis,
    pair: { rise: slope.rise, run: axis.level ? 1 : slope.rise / Math.tan(axis.slopeRad) },
  });
};
