import {
  halfSpace,
  intervals,
  SAME_POINT_MM,
  v2,
  v3,
  type Interval,
  type Vec2,
  type Vec3,
} from '../../geom';
import { plateWidthOf, type Job, type Stock } from '../../job';
import type { Problem } from '../../problem';
import { inMm, leastMm, say } from '../../sentence';
import { clashing } from '../joint/in-space';
import { bellyOf } from '../member/board';
import { axisOf, makeMember, memberId, type Member } from '../member/member';
import { inPart, wholly, type Added, type Pass, type Withheld } from '../pass';
import { blockAt, runFrom, type Site } from '../site';

type Block = Job['blocks'][number];
type RidgeBeam = NonNullable<Block['ridgeBeam']>;

/** A post shorter than this is none. mm */
const SHORTEST_MM = 200;

const headingOf = ({ frame }: Member): Vec2 => v2.unit(v3.inPlan(frame.a));

/** The middle of a ridge's underside, so far along it in plan. */
const underAt = (ridge: Member, t: number): Vec3 => {
  const [x, y] = v2.add(v3.inPlan(ridge.frame.origin), v2.scale(headingOf(ridge), t));
  const { normal, offset } = bellyOf(ridge);
  return [x, y, (offset - normal[0] * x - normal[1] * y) / normal[2]];
};

/** Whether a point of the plan lies over a gable's plate. */
const inGable = (site: Site, block: string, p: Vec2): boolean =>
  blockAt(site, block).sides.some(
    (side) => side.roof === 'gable' && runFrom(side, p) < plateWidthOf(site.job),
  );

/** A post under a ridge, its wide face along it. */
const postAt = (
  site: Site,
  { id, plate }: Block,
  { foot = 0 }: RidgeBeam,
  ridge: Member,
  stock: Stock,
  t: number,
): Member => {
  const [x, y, head] = underAt(ridge, t);
  const wall = inGable(site, id, [x, y]);
  const ground = plate + (wall ? 0 : foot);
  const a: Vec3 = [0, 0, 1];
  const [along, aside] = headingOf(ridge);
  const e: Vec3 = [along, aside, 0];
  return makeMember({
    id: '',
    kind: 'ridge-post',
    block: id,
    side: null,
    stock,
    frame: { origin: [x, y, ground], a, e, s: v3.cross(e, a) },
    topMm: stock.depth / 2,
    ends: [
      { at: 'top', name: 'head', keep: bellyOf(ridge), meets: ridge.id },
      { at: 'bottom', name: 'foot', keep: halfSpace([x, y, ground], [0, 0, -1]), meets: null },
    ],
    axis: axisOf(0, head - ground),
    pair: { rise: 0, run: 1 },
  });
};

/** Whether an end of a ridge is carried by another timber: by a hip that it breaks to, a header or the valleys it runs into. */
const isCarried = (ridge: Member, at: 'top' | 'bottom'): boolean =>
  ridge.ends.some((end) => end.at === at && end.meets !== null);

/** From where to where a ridge reaches along itself in plan: past the points where its planes meet, or short of them. mm */
const reachOf = ({ frame: { a, e, origin }, topMm, stock, ends, axis }: Member): Interval => {
  const middle = v3.add(origin, v3.scale(e, topMm - stock.depth / 2));
  const off = (topMm - stock.depth / 2) * Math.sin(axis.slopeRad);
  const at = (which: 'top' | 'bottom'): number[] =>
    ends
      .filter((end) => end.at === which)
      .map(({ keep }) => {
        const along = (keep.offset - v3.dot(keep.normal, middle)) / v3.dot(keep.normal, a);
        return along * Math.cos(axis.slopeRad) - off;
      });
  return [Math.max(...at('bottom')), Math.min(...at('top'))];
};

/** Where posts stand along a ridge: evenly, the end ones flush with ends that nothing else carries. mm */
const placesOn = (ridge: Member, wide: number, spacing: number): number[] => {
  const [from, to] = reachOf(ridge);
  const first = isCarried(ridge, 'bottom') ? from : from + wide / 2;
  const last = isCarried(ridge, 'top') ? to : to - wide / 2;
  return intervals
    .evenly(first, last, spacing)
    .filter((t) => t > from + wide / 2 - SAME_POINT_MM && t < to - wide / 2 + SAME_POINT_MM);
};

/** Beside what stands in its place, on the nearer face of that; null where it is clear nowhere near. */
const clearAt = (
  even: number,
  at: (t: number) => Member,
  ridge: Member,
  others: readonly Member[],
  most: number,
): Member | null => {
  const [low, high] = reachOf(ridge);
  const wanted = at(even);
  const half = wanted.stock.depth / 2;
  const beside = clashing(wanted, others).flatMap((other) => {
    const from = v2.dot(
      v2.sub(v3.inPlan(other.frame.origin), v3.inPlan(ridge.frame.origin)),
      headingOf(ridge),
    );
    const flat = other.stock.thickness / 2 + half;
    return [from - flat, from + flat];
  });
  const ways = [even, ...beside.sort((p, q) => Math.abs(p - even) - Math.abs(q - even))];
  return (
    ways
      .filter((t) => t > low + half - SAME_POINT_MM && t < high - half + SAME_POINT_MM)
      .filter((t) => Math.abs(t - even) <= most)
      .map(at)
      .find((post) => clashing(post, others).length === 0) ?? null
  );
};

const problem = (index: number, field: string, text: Problem['text']): Problem => ({
  code: 'not-framed',
  path: ['blocks', index, 'ridgeBeam', field],
  text,
});

/** Posts under the ridges that are beams, at their ends and between. */
export const ridgePosts: Pass = (site, _primary, before): Added => {
  const { blocks, timber } = site.job;
  const members: Member[] = [];
  const withheld: Withheld[] = [];
  for (const [index, block] of blocks.entries()) {
    const beam = block.ridgeBeam;
    if (beam === undefined) continue;
    const { post: stock } = timber;
    if (stock === undefined)
      return {
        members: [],
        problems: [
          {
            code: 'missing-timber',
            path: ['timber', 'post'],
            text: say`missing; this ‹ridge› stands on ‹posts›, so give their actual size as {"thickness": 90, "depth": 90}`,
          },
        ],
      };
    const ridges = before.filter((one) => one.kind === 'ridge' && one.block === block.id);
    if (ridges.length === 0)
      withheld.push(
        wholly(
          problem(
            index,
            'spacing',
            say`"${block.id}" has no ‹ridge›: its slopes meet in a point, or run up to a wall; accepted is none for it`,
          ),
        ),
      );
    let number = 0;
    for (const ridge of ridges) {
      const at = (t: number): Member => postAt(site, block, beam, ridge, stock, t);
      const low = Math.min(
        ...placesOn(ridge, stock.depth, beam.spacing).map((t) => at(t).axis.riseMm),
      );
      if (low < SHORTEST_MM) {
        withheld.push(
          wholly(
            problem(
              index,
              'foot',
              say`a ‹ridge post› would be ${inMm(low)} long under the ‹ridge›; accepted is at least ${leastMm(SHORTEST_MM)}`,
            ),
          ),
        );
        continue;
      }
      const others = [...before.filter((one) => one !== ridge), ...members];
      for (const even of placesOn(ridge, stock.depth, beam.spacing)) {
        const post = clearAt(even, at, ridge, others, site.job.framing.spacing / 2);
        if (post === null)
          withheld.push(
            inPart(
              problem(
                index,
                'spacing',
                say`the ‹ridge post› ${inMm(even)} along the ‹ridge› of "${block.id}" would stand in other timber; accepted is a ‹ridge› at least as deep as the rafters’ plumb cuts, or another spacing`,
              ),
              [at(even)],
            ),
          );
        else {
          members.push({ ...post, id: memberId(block.id, 'ridge-post', number) });
          number += 1;
        }
      }
    }
  }
  return { members, problems: [], withheld };
};
