import { chordWithin, halfSpace, v2, v3, type Interval, type Vec3 } from '../../geom';
import type { Problem } from '../../problem';
import { purlinRows, purlinsOn, runOfSide, type Slope } from '../../roof';
import { inMm, leastMm, say } from '../../sentence';
import { isRafter, KINDS } from '../../kinds';
import { cutBetween, gapsAlong } from '../joint/between';
import { clashing, clearInSpace, facesOf } from '../joint/in-space';
import { makeMember, axisOf, memberId, type EndCut, type Member } from '../member/member';
import { inPart, wholly, type Added, type Pass, type Withheld } from '../pass';
import { blockAt, sideAt, type Site } from '../site';
import { holesOn, OVER_MM, partedAt, pointOf, type RoofPurlins, type Row } from './rows';
import { endCuts, endOf, stretches } from './stretches';

const level = ({ along }: Slope): Vec3 => [along[0], along[1], 0];

/** What a purlin on the roof is, wherever it lies. */
const purlinAt = (
  { set, block, side, stretch: { slope } }: Row,
  kind: 'roof-purlin' | 'purlin-between',
  origin: Vec3,
  lengthMm: number,
  ends: readonly EndCut[],
  id: string,
): Member => {
  const a = level(slope);
  const e = slope.plane.normal;
  return makeMember({
    id,
    kind,
    block,
    side,
    stock: set.stock,
    frame: { origin, a, e, s: v3.cross(e, a) },
    topMm: kind === 'roof-purlin' ? set.stock.depth : 0,
    ends,
    axis: axisOf(lengthMm, 0),
    pair: { rise: slope.rise, run: 1 },
  });
};

/** Where a purlin over the rafters ends, and how it is sawn there: it runs on over a gable, as far as the roof does. */
const endOver = (
  site: Site,
  row: Row,
  which: 'top' | 'bottom',
): { readonly t: number; readonly cuts: readonly EndCut[] } => {
  const { stretch } = row;
  const { along } = stretch.slope;
  const [t, tag] =
    which === 'top' ? [stretch.high, stretch.highTag] : [stretch.low, stretch.lowTag];
  const found = endOf(site, row, row.distance, stretch, which, ['hip', 'valley', 'ridge']);
  // Past a corner where unlike pitches meet, a slope's eave runs out to the next side's edge.
  const edge = tag.of === 'wall' || tag.of === 'outline' ? sideAt(site, tag.block, tag.side) : null;
  const normal = edge === null ? found.normal : v2.scale(edge.inward, -1);
  const past = tag.of === 'wall' && edge !== null ? edge.overhangMm : 0;
  const out = t + past / v2.dot(normal, along);
  const p = pointOf(site, row, out);
  return { t: out, cuts: endCuts(which, halfSpace(p, [normal[0], normal[1], 0]), found.mitre) };
};

/** Whether a rafter's top lies under a row within a reach: a stretch over none would lie in the air. */
const bears = (
  site: Site,
  row: Row,
  [low, high]: Interval,
  rafters: readonly Member[],
): boolean => {
  const from = v3.sub(pointOf(site, row, 0), v3.scale(row.stretch.slope.plane.normal, OVER_MM));
  const a = level(row.stretch.slope);
  return rafters.some((rafter) =>
    facesOf(rafter).some((piece) => {
      const chord = chordWithin(piece, from, a);
      return chord !== null && chord[0] < high && chord[1] > low;
    }),
  );
};

/** What a row comes to: its boards, and what others would stand in that cannot be sawn clear of it. */
interface Laid {
  readonly boards: readonly Member[];
  readonly inWay: readonly { readonly piece: Member; readonly other: Member }[];
}

/** A purlin over the rafters along a row; none where no rafter lies under it. */
const overRafters = (
  site: Site,
  row: Row,
  before: readonly Member[],
  rafters: readonly Member[],
  next: () => string,
): Laid => {
  const [top, bottom] = [endOver(site, row, 'top'), endOver(site, row, 'bottom')];
  if (!bears(site, row, [bottom.t, top.t], rafters)) return { boards: [], inWay: [] };
  const origin = pointOf(site, row, bottom.t);
  const ends = [...top.cuts, ...bottom.cuts];
  const purlin = purlinAt(row, 'roof-purlin', origin, top.t - bottom.t, ends, next());
  // The rafters that it lies on end at its underside.
  const others = before.filter(
    (one) => !(isRafter(one) && one.block === row.block && one.side === row.side),
  );
  const met = clashing(purlin, others);
  // At a corner of the roof it meets the next side's rows; a timber of the frame it would stand in.
  const inWay = met.filter(({ kind }) => kind !== 'roof-purlin');
  const parted = (whole: Member): Member[] => partedAt(site, row, whole, bottom.t, next);
  if (met.length === 0) return { boards: parted(purlin), inWay: [] };
  const [other] = inWay;
  if (other !== undefined) return { boards: [], inWay: [{ piece: purlin, other }] };
  const middle = v3.add(
    pointOf(site, row, (bottom.t + top.t) / 2),
    v3.scale(purlin.frame.e, row.set.stock.depth / 2),
  );
  const clear = clearInSpace(purlin, met, middle);
  const [corner] = met;
  if (clear !== null || corner === undefined)
    return { boards: clear === null ? [] : parted(clear), inWay: [] };
  return { boards: [], inWay: [{ piece: purlin, other: corner }] };
};

/** The purlins dropped in between the rafters along a row, their tops flush. */
const betweenRafters = (
  site: Site,
  row: Row,
  bounding: readonly Member[],
  others: readonly Member[],
  next: () => string,
): Laid => {
  const { slope, low, high } = row.stretch;
  const { thickness, depth } = row.set.stock;
  const a = level(slope);
  const e = slope.plane.normal;
  const s = v3.cross(e, a);
  const at = (t: number): Vec3 => pointOf(site, row, t);
  const reads = [thickness / 2 - OVER_MM, OVER_MM - thickness / 2].flatMap((aside): Vec3[] =>
    [OVER_MM, depth - OVER_MM].map((down) =>
      v3.add(at(0), v3.sub(v3.scale(s, aside), v3.scale(e, down))),
    ),
  );
  const lying = {
    frame: { origin: at(0), a, e, s },
    middle: v3.sub(at(0), v3.scale(e, depth / 2)),
  };
  const boards: Member[] = [];
  const inWay: { readonly piece: Member; readonly other: Member }[] = [];
  const holes = holesOn(site, row);
  const inHole = (t: number): boolean => holes.some(([p, q]) => t > p && t < q);
  for (const gap of gapsAlong(reads, a, [low, high], 0, bounding)) {
    if (inHole((gap.from + gap.to) / 2)) continue;
    const make = (ends: readonly EndCut[]): Member =>
      purlinAt(row, 'purlin-between', at(gap.from), gap.to - gap.from, ends, next());
    const timbers = [...bounding, ...boards];
    const board = cutBetween(lying, gap, 2 * (thickness + depth), timbers, make);
    const [met] = board === null ? [gap.low] : clashing(board, others);
    if (board !== null && met === undefined) boards.push(board);
    if (met === undefined) continue;
    // Where none can be cut, the place where one would lie.
    const open = purlinAt(row, 'purlin-between', at(gap.from), gap.to - gap.from, [], '');
    inWay.push({ piece: board ?? open, other: met });
  }
  return { boards, inWay };
};

/** More boards than this are no roof that one list is for. */
const MOST_BOARDS = 6000;

/** Every row that is wanted and can be, and why others cannot. */
const rowsOf = (site: Site): { readonly rows: readonly Row[]; readonly withheld: Withheld[] } => {
  const withheld: Withheld[] = [];
  const rows = site.job.blocks.flatMap(({ id: block, sides }): Row[] =>
    sides.flatMap(({ roof }, side): Row[] => {
      const own = roof === 'eave' ? purlinsOn(site.job, block, side) : null;
      if (own === null) return [];
      const { set, index } = own;
      const found = purlinRows(site.roof, blockAt(site, block), side, set);
      const path = ['roofPurlins', index];
      if (found.length === 0) {
        withheld.push(
          inPart(
            {
              code: 'size',
              path: [...path, 'first'],
              text: say`between the first ‹purlin› ${inMm(set.first)} up from the tail and the last ${inMm(set.last)} below the top nothing is left of side ${side + 1} of "${block}"; accepted is less of both`,
            },
            [],
          ),
        );
        return [];
      }
      return found.flatMap(({ distance, along }): Row[] =>
        stretches(site, { block, side }, distance).map((stretch) => ({
          set,
          block,
          side,
          distance,
          along,
          stretch,
        })),
      );
    }),
  );
  const never = new Set<RoofPurlins>();
  for (const [index, set] of site.job.roofPurlins.entries()) {
    const problems: Problem[] = [];
    const own = rows.filter((row) => row.set === set);
    const boards = own.reduce(
      (sum, { stretch: { low, high } }) =>
        sum + (set.set === 'over' ? 1 : (high - low) / site.job.framing.spacing),
      0,
    );
    if (boards > MOST_BOARDS)
      problems.push({
        code: 'size',
        path: ['roofPurlins', index, 'spacing'],
        text: say`some ${Math.round(boards)} ‹purlins› at this spacing; accepted are at most ${MOST_BOARDS}: a wider spacing, or the building in several jobs`,
      });
    if (set.spacing < set.stock.thickness)
      problems.push({
        code: 'size',
        path: ['roofPurlins', index, 'spacing'],
        text: say`${inMm(set.spacing, 1)} ‹on centre› leaves no gap between ‹purlins› ${inMm(set.stock.thickness, 1)} thick; accepted is at least ${leastMm(set.stock.thickness, 1)}`,
      });
    if (set.last < set.stock.thickness / 2)
      problems.push({
        code: 'size',
        path: ['roofPurlins', index, 'last'],
        text: say`the highest ‹purlins› would reach past the top and into each other; accepted is at least half their thickness, ${leastMm(set.stock.thickness / 2, 1)}`,
      });
    if (problems.length > 0) never.add(set);
    withheld.push(...problems.map(wholly));
  }
  return { rows: rows.filter(({ set }) => !never.has(set)), withheld };
};

/** A row that cannot be sawn clear of what stands there. */
const standsIn = (
  site: Site,
  { set, block, side, distance, along }: Row,
  other: Member,
): Problem => {
  const index = site.job.roofPurlins.indexOf(set);
  const top = distance > runOfSide(site.roof, block, side) - set.last;
  return {
    code: 'not-framed',
    path: ['roofPurlins', index, top ? 'last' : 'first'],
    text: say`the row of ‹purlins› ${inMm(along)} up the slope of side ${side + 1} of "${block}" would stand in a ${KINDS[other.kind].term} there; accepted is a row clear of it: another first, spacing or last, or a shallower ‹purlin›`,
  };
};

/** Purlins and battens over the rafters, or dropped in between them, row by row. */
export const roofPurlins: Pass = (site, _primary, before): Added => {
  if (site.job.roofPurlins.length === 0) return { members: [], problems: [] };
  const { rows, withheld } = rowsOf(site);
  const rafters = before.filter(isRafter);
  const bounds = (member: Member): boolean =>
    isRafter(member) || ['hip', 'valley', 'ridge', 'fascia'].includes(member.kind);
  const bounding = before.filter(bounds);
  const others = before.filter((member) => !bounds(member));
  const members: Member[] = [];
  const numbers = new Map<string, number>();
  const next = ({ block, side }: Row): string => {
    const key = memberId(block, 'purlin', side);
    const n = numbers.get(key) ?? 0;
    numbers.set(key, n + 1);
    return `${key}.row.${n}`;
  };
  for (const row of rows) {
    const { boards, inWay } =
      row.set.set === 'between'
        ? betweenRafters(site, row, bounding, others, () => next(row))
        : overRafters(site, row, [...before, ...members], rafters, () => next(row));
    members.push(...boards);
    const [first] = inWay;
    if (first !== undefined)
      withheld.push(
        inPart(
          standsIn(site, row, first.other),
          inWay.map(({ piece }) => piece),
        ),
      );
  }
  return { members, problems: [], withheld };
};
