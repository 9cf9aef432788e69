import { SLACK_MM, halfSpace, v2, v3, type HalfSpace, type Vec2, type Vec3 } from '../../geom';
import type { Stock } from '../../job';
import type { Problem } from '../../problem';
import { heightAt, purlinDistance, runOfSide, type Slope } from '../../roof';
import { inMm, say, type Sentence } from '../../sentence';
import { isRafter, listedKind } from '../../kinds';
import { clashing } from '../joint/in-space';
import { notchedOver } from '../joint/notched-over';
import { makeMember, axisOf, memberId, type EndCut, type Member } from '../member/member';
import { cornersOf } from '../member/solid-of';
import { inPart, wholly, type Added, type Pass, type Withheld } from '../pass';
import { sideAt, type Site } from '../site';
import { withLips } from './lips';
import { parted, withoutIdleStops } from './parted';
import { endCuts, endOf, stretches, type Stretch, type Wanted } from './stretches';

/** The plane that the undersides of a slope's rafters lie in. */
const underside = (site: Site, { plane }: Slope): HalfSpace => ({
  normal: plane.normal,
  offset: plane.offset - site.job.timber.common.depth,
});

/**
 *   canted    square to the rafters: the narrow face against their undersides, the middle of it the reference line
 *
 *      ╲  rafter           ╲  rafter
 *     ╱╲╲                  ┌╲╲
 *    ╱  ╱╲                 │ │╲
 *    ╲ ╱                   │ │
 *     ╲╱  canted           └─┘  plumb: its top bevelled to the slope, the middle of it the reference line
 */
const memberOf = (
  site: Site,
  wanted: Wanted,
  stock: Stock,
  distance: number,
  stretch: Stretch,
  id: string,
): Member => {
  const { slope, low, high } = stretch;
  const line = sideAt(site, wanted.block, wanted.side);
  const under = underside(site, slope);
  const at = (t: number): Vec2 =>
    v2.add(v2.add(line.start, v2.scale(line.inward, distance)), v2.scale(slope.along, t));
  const [x, y] = at(low);
  const a: Vec3 = [slope.along[0], slope.along[1], 0];
  const canted = wanted.set === 'canted';
  const e: Vec3 = canted ? slope.plane.normal : [0, 0, 1];
  const cuts = (which: 'top' | 'bottom'): readonly EndCut[] => {
    const tag = which === 'top' ? stretch.highTag : stretch.lowTag;
    if (tag.of === 'stop') return tag.cuts;
    const p = at(which === 'top' ? high : low);
    const { normal, mitre } = endOf(site, wanted, distance, stretch, which);
    return endCuts(which, halfSpace([p[0], p[1], 0], [normal[0], normal[1], 0]), mitre);
  };
  return makeMember({
    id,
    kind: 'under-purlin',
    block: wanted.block,
    side: wanted.side,
    stock,
    frame: { origin: [x, y, heightAt({ plane: under }, [x, y])], a, e, s: v3.cross(e, a) },
    // A plumb one's uphill corner comes up to the rafters; the rest of its top is bevelled down from there.
    topMm: canted ? 0 : (slope.rise * stock.thickness) / 2,
    ends: [...cuts('top'), ...cuts('bottom')],
    bevels: canted || wanted.top === 'square' ? [] : [{ keep: under, beyond: null }],
    axis: axisOf(high - low, 0),
    pair: { rise: slope.rise, run: 1 },
  });
};

/** A bevel of half the depth is half the depth: rounding. mm */
const BEVEL_SLACK_MM = SLACK_MM.rounding;

/** Why a purlin cannot lie where it is wanted; null where it can. */
const amiss = (
  site: Site,
  wanted: Wanted,
  distance: number,
  stretch: Stretch,
  purlin: Member,
  before: readonly Member[],
): Sentence | null => {
  const { plateMm } = sideAt(site, wanted.block, wanted.side);
  const taken = wanted.set === 'plumb' ? purlin.pair.rise * purlin.stock.thickness : 0;
  const bevelled = wanted.top === 'square' ? 0 : taken;
  // Square to the rafter's edge.
  const notch = (taken - bevelled) * Math.cos(stretch.slope.slopeRad);
  const { depth } = site.job.timber.common;
  if (notch > depth * MOST_NOTCHED)
    return say`set plumb with a square top would be notched ${inMm(notch)} into rafters ${inMm(depth)} deep; bevel its top, set it canted, or take a thinner one`;
  if (bevelled > purlin.stock.depth / 2 + BEVEL_SLACK_MM)
    return say`set plumb would lose ${inMm(bevelled)} of its depth to the bevel; set it canted, or take a deeper or thinner one`;
  const low = Math.min(...cornersOf(purlin).map(([, , z]) => z));
  if (low < plateMm) return say`would hang ${inMm(plateMm - low)} below the ‹plate›’s top`;
  if ((['top', 'bottom'] as const).some((at) => endOf(site, wanted, distance, stretch, at).open))
    return say`would end in the open, under no ‹hip› or ‹valley› and at no wall`;
  const [other] = clashing(purlin, before);
  return other === undefined ? null : say`would stand in a ${listedKind(other.kind)} there`;
};

/** A rafter notched over a purlin by more than this share of its depth is cut in two where it bends most. */
const MOST_NOTCHED = 1 / 3;

const problem = (index: number, code: Problem['code'], text: Problem['text']): Problem => ({
  code,
  path: ['purlins', index, 'at'],
  text,
});

/** Purlins under the rafters, as many lengths a side as its roof has there. */
export const purlins: Pass = (site, _primary, before): Added => {
  const { purlins: wanted, timber } = site.job;
  if (wanted.length === 0) return { members: [], problems: [] };
  const stock = timber.purlin;
  if (stock === undefined)
    return {
      members: [],
      problems: [
        {
          code: 'missing-timber',
          path: ['timber', 'purlin'],
          text: say`missing; this roof has ‹purlins›, so give their actual size as {"thickness": 75, "depth": 150}`,
        },
      ],
    };
  const members: Member[] = [];
  const withheld: Withheld[] = [];
  const resawn = new Map<string, Member>();
  for (const [i, one] of wanted.entries()) {
    const distance = purlinDistance(site.roof, one);
    const run = runOfSide(site.roof, one.block, one.side);
    const found = stretches(site, one, distance);
    if (found.length === 0) {
      withheld.push(
        wholly(
          problem(
            i,
            'size',
            say`${inMm(distance)} in from the ‹plate› there is no roof of side ${one.side + 1} of "${one.block}" for a ‹purlin› to lie under; accepted is over 0 and under ${inMm(run)}`,
          ),
        ),
      );
      continue;
    }
    const amissHere: Withheld[] = [];
    const made = (stretch: Stretch, id: string): Member =>
      memberOf(site, one, stock, distance, stretch, id);
    const parts = found.flatMap((whole) =>
      parted(site, one, whole, (stretch) => made(stretch, ''), before),
    );
    for (const [n, stretch] of parts.entries()) {
      const id = memberId(one.block, 'purlin', one.side, i, n);
      if (site.without.has(id)) continue;
      const standing = before.map((member) => resawn.get(member.id) ?? member);
      const purlin = withLips(withoutIdleStops(made(stretch, id), standing), standing);
      const notched =
        one.set === 'plumb' && one.top === 'square'
          ? notchedOver(
              purlin,
              v2.scale(v2.left(v3.inPlan(purlin.frame.a)), -1),
              'purlin',
              standing.filter(isRafter),
            )
          : [];
      const over = new Map(notched.map((rafter) => [rafter.id, rafter]));
      const others = standing.map((member) => over.get(member.id) ?? member);
      const why = amiss(site, one, distance, stretch, purlin, [...others, ...members]);
      if (why === null) {
        members.push(purlin);
        for (const rafter of notched) resawn.set(rafter.id, rafter);
      } else
        amissHere.push(
          inPart(
            problem(
              i,
              'not-framed',
              say`a ‹purlin› ${inMm(distance)} in from the ‹plate› of side ${one.side + 1} of "${one.block}" ${why}; accepted is a place where it is clear of that, between the ‹plate› and the ‹ridge›`,
            ),
            [purlin],
          ),
        );
    }
    const [first] = amissHere;
    if (first !== undefined && amissHere.length === parts.length)
      withheld.push(wholly(first.problem));
    else withheld.push(...amissHere);
  }
  return { members, problems: [], withheld, resawn: [...resawn.values()] };
};
