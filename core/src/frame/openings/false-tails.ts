import { v2, v3, type Vec3 } from '../../geom';
import { onSlope, planPoint } from '../site/slope-plan';
import { plumbKeep } from '../member/board';
import { axisOf, memberId, type EndCut, type Member } from '../member/member';
import type { Pass } from '../pass';
import { heightOn, slopeAt, type OpeningPlace, type Site } from '../site';

/** A tail shorter than this, plan, is none. mm */
const LEAST_TAIL_MM = 50;

/** How far out a rafter's tail reaches from over the plate's outside face, plan; 0 where it has none. mm */
const tailRun = ({ frame, topMm }: Member, tails: readonly EndCut[]): number => {
  const onTop = v3.add(frame.origin, v3.scale(frame.e, topMm));
  const level = v2.length(v3.inPlan(frame.a));
  const out = tails.map(({ keep }) => {
    const rate = v3.dot(keep.normal, frame.a);
    return ((v3.dot(keep.normal, onTop) - keep.offset) / rate) * level;
  });
  return out.length === 0 ? 0 : Math.min(...out);
};

/**
 * Tails that carry the eave on before an opening that goes down to the plate, where a wall stands in it: at the places
 * of the rafters that are cut above it, plumb against the wall's outside face.
 *
 *            │ wall
 *   fascia ╲ │
 *      ▐█████│ false tail
 */
const tailsOf = (site: Site, opening: OpeningPlace, before: readonly Member[]): Member[] => {
  const { block, side, us, slope: index } = opening;
  const slope = slopeAt(site, index);
  const own = before.filter((one) => one.block === block && one.side === side);
  const trimmer = own.find(({ kind }) => kind === 'trimmer');
  const tails = trimmer?.ends.filter(({ at }) => at === 'tail') ?? [];
  if (trimmer === undefined) return [];
  const run = tailRun(trimmer, tails);
  if (run < LEAST_TAIL_MM) return [];
  const places = own.flatMap((one): number[] => {
    const [u] = onSlope(slope, v3.inPlan(one.frame.origin));
    return one.kind === 'opening-jack' && u > us[0] && u < us[1] ? [u] : [];
  });
  const rise = run * slope.rise;
  const out = v2.scale(slope.uphill, -1);
  const line = site.roof.blocks.find(({ id }) => id === block)?.sides[side];
  if (line === undefined) return [];
  const [, v] = onSlope(slope, line.start);
  const jack = own.find(({ kind }) => kind === 'opening-jack');
  return [...new Set(places)].map((u, i): Member => {
    const p = planPoint(slope, u, v - run);
    const origin: Vec3 = [p[0], p[1], heightOn(slope, p)];
    const wall: EndCut = {
      at: 'top',
      name: 'plumb cut',
      keep: plumbKeep(planPoint(slope, u, v), v2.scale(out, -1)),
      meets: null,
    };
    return {
      ...trimmer,
      stock: jack?.stock ?? trimmer.stock,
      id: memberId(block, 'false-tail', side, opening.index, i),
      kind: 'false-tail',
      frame: { ...trimmer.frame, origin },
      ends: [...tails, wall],
      notches: [],
      bevels: [],
      axis: axisOf(run, rise),
    };
  });
};

export const falseTails: Pass = (site, _primary, before) => ({
  members: site.openings
    .filter(({ atPlate }) => atPlate)
    .flatMap((opening) => tailsOf(site, opening, before)),
  problems: [],
});
