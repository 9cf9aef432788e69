import { intervals, SAME_POINT_MM, v2, v3, type Vec2, type Vec3 } from '../../geom';
import { plateThicknessOf, type Job, type Stock } from '../../job';
import type { Problem } from '../../problem';
import { onSide, postedEaves, type PostedEave } from '../../roof';
import { inMm, leastMm, say } from '../../sentence';
import { clashing, clearInSpace } from '../joint/in-space';
import { plumbKeep } from '../member/board';
import { makeMember, axisOf, memberId, type EndCut, type Member } from '../member/member';
import { wholly, type Added, type Pass, type Withheld } from '../pass';
import type { Site } from '../site';

/** A post shorter than this is none. mm */
const SHORTEST_POST_MM = 300;

/** A beam under an eave's plate, from end to end, flush with its outside. */
const beamOf = (site: Site, { block, side }: PostedEave, stock: Stock): Member => {
  const top = side.plateMm - plateThicknessOf(site.job);
  const at = (u: number): Vec2 => onSide(side, u, stock.thickness / 2);
  const a: Vec3 = [side.along[0], side.along[1], 0];
  const e: Vec3 = [0, 0, 1];
  const end = (which: 'top' | 'bottom', u: number): EndCut => ({
    at: which,
    name: 'end cut',
    keep: plumbKeep(at(u), v2.scale(side.along, which === 'top' ? 1 : -1)),
    meets: null,
  });
  const [x, y] = at(0);
  return makeMember({
    id: memberId(block, 'beam', side.index),
    kind: 'beam',
    block,
    side: side.index,
    stock,
    frame: { origin: [x, y, top], a, e, s: v3.cross(e, a) },
    topMm: 0,
    ends: [end('top', side.lengthMm), end('bottom', 0)],
    axis: axisOf(side.lengthMm, 0),
    pair: { rise: 0, run: 1 },
  });
};

/** A post under a beam: its wide face along the wall, flush with its outside. */
const postAt = (
  { block, side, height }: PostedEave,
  stock: Stock,
  beam: Member,
  u: number,
  number: number,
): Member => {
  const [x, y] = onSide(side, u, stock.thickness / 2);
  const ground = side.plateMm - height;
  const head = beam.frame.origin[2] - beam.stock.depth;
  const a: Vec3 = [0, 0, 1];
  const e: Vec3 = [side.along[0], side.along[1], 0];
  const cut = (at: 'top' | 'bottom', z: number): EndCut => ({
    at,
    name: at === 'top' ? 'head' : 'foot',
    keep: { normal: [0, 0, at === 'top' ? 1 : -1], offset: at === 'top' ? z : -z },
    meets: at === 'top' ? beam.id : null,
  });
  return makeMember({
    id: memberId(block, 'post', side.index, number),
    kind: 'post',
    block,
    side: side.index,
    stock,
    frame: { origin: [x, y, ground], a, e, s: v3.cross(e, a) },
    topMm: stock.depth / 2,
    ends: [cut('top', head), cut('bottom', ground)],
    axis: axisOf(0, head - ground),
    pair: { rise: 0, run: 1 },
  });
};

/** From one end of a beam to the other, the end ones flush. mm */
const stationsOf = ({ side, spacing }: PostedEave, wide: number): number[] =>
  intervals.evenly(wide / 2, side.lengthMm - wide / 2, spacing);

const missing = (timber: Job['timber']): Problem[] =>
  (['beam', 'post'] as const).flatMap((kind) =>
    timber[kind] !== undefined
      ? []
      : [
          {
            code: 'missing-timber' as const,
            path: ['timber', kind],
            text: say`missing; this roof stands on ‹posts›, so give its actual size as {"thickness": 90, "depth": 90}`,
          },
        ],
  );

const tooShort = ({ index, side, height }: PostedEave, length: number): Problem => ({
  code: 'size',
  path: ['blocks', index, 'sides', side.index, 'posts', 'height'],
  text: say`the ‹posts› would be ${inMm(length)} long under the ‹plate› and its ‹beam›; accepted is at least ${leastMm(height - length + SHORTEST_POST_MM)}`,
});

/** Beams under the eaves that stand on posts, and the posts under them. */
export const posts: Pass = (site, _primary, before): Added => {
  const carried = postedEaves(site.job, site.roof);
  if (carried.length === 0) return { members: [], problems: [] };
  const problems = missing(site.job.timber);
  const { beam: beamStock, post: postStock } = site.job.timber;
  if (beamStock === undefined || postStock === undefined) return { members: [], problems };
  const members: Member[] = [];
  const withheld: Withheld[] = [];
  for (const one of carried) {
    const whole = beamOf(site, one, beamStock);
    const middle = v3.add(whole.frame.origin, [
      (one.side.along[0] * one.side.lengthMm) / 2,
      (one.side.along[1] * one.side.lengthMm) / 2,
      -beamStock.depth / 2,
    ]);
    // At a corner the second of two beams comes against the first.
    const beam = clearInSpace(whole, clashing(whole, [...before, ...members]), middle);
    if (beam === null) continue;
    const { riseMm } = postAt(one, postStock, beam, 0, 0).axis;
    if (riseMm < SHORTEST_POST_MM) {
      withheld.push(wholly(tooShort(one, riseMm)));
      continue;
    }
    members.push(beam);
    for (const [i, u] of stationsOf(one, postStock.depth).entries()) {
      const post = postAt(one, postStock, beam, u, i);
      const inWay = clashing(post, members);
      if (inWay.length === 0 || post.axis.riseMm < SAME_POINT_MM) members.push(post);
    }
  }
  return { members, problems: [], withheld };
};
