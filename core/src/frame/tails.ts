import { halfSpace, TOUCHING_MM, v2, v3, type Vec2, type Vec3 } from '../geom';
import { heightAt } from '../roof';
import { plumbFrame, plumbKeep } from './board';
import { fasciaAlong } from './fascia-places';
import type { LinePlace } from './line-places';
import type { EndCut } from './member';
import type { PlanCut } from './strip';
import { blockAt, runFrom, sideAt, slopeAt, type Site } from './timbers';

/**
 * The two tail cuts of a hip, on the fascia lines it parts. A valley has one, through the inner corner of the fascias
 * and midway between their backs, for a board cannot be notched to both.
 */
export const tailCuts = (site: Site, { foot, line, kind }: LinePlace): PlanCut[] => {
  if (foot === null) return [];
  const both = line.slopes.map((slope) => tailOf(site, slope, v3.inPlan(foot.tail), 'tail cheek'));
  const [one, other] = both;
  if (kind !== 'valley' || one === undefined || other === undefined) return both;
  const normal = v3.add(one.cut.keep.normal, other.cut.keep.normal);
  const cut: EndCut = {
    at: 'tail',
    name: 'tail cut',
    keep: halfSpace(foot.tail, normal),
    meets: null,
  };
  return [
    { point: v3.inPlan(foot.tail), outward: v2.unit(v2.add(one.outward, other.outward)), cut },
  ];
};

/** The tail's cut on the fascia line of one eave side, for a timber that comes to it near a point of the plan. */
export const tailOfSide = (
  site: Site,
  block: string,
  index: number,
  near: Vec2,
  name: string,
): PlanCut => {
  const side = sideAt(site, block, index);
  const plane = blockAt(site, block).planes[index];
  if (!plane) throw new Error(`frame: side ${index} of ${block} carries no roof plane`);
  const point = v2.add(side.start, v2.scale(side.inward, -side.overhangMm));
  const outward = v2.scale(side.inward, -1);
  const leans = site.job.framing.tail === 'square' && side.overhangMm > 0;
  const along = plumbFrame([0, 0, 0], side.inward, plane.slopeRad).a;
  const keep = leans
    ? halfSpace([point[0], point[1], heightAt(plane, point)], v3.scale(along, -1))
    : plumbKeep(point, outward);
  const meets = fasciaAlong(site, plane, near)?.id ?? null;
  return { point, outward, cut: { at: 'tail', name, keep, meets } };
};

/** Whether the fascia that a leaning tail cut lies on is deep enough to come against a part of it. */
export const fasciaReaches = (
  { job, fascias }: Site,
  { meets }: EndCut,
  sawn: readonly Vec3[],
): boolean => {
  const fascia = fascias.find(({ id }) => id === meets);
  const stock = job.timber.fascia;
  if (fascia === undefined || stock === undefined) return true;
  const highest = Math.max(...sawn.map((p) => p[2]));
  const below = (fascia.from[2] - highest) / Math.cos(fascia.slope.slopeRad);
  return below < stock.depth - TOUCHING_MM;
};

/** The tail's cut on the fascia line of the side of a slope nearest to `near`. */
export const tailOf = (site: Site, index: number, near: Vec2, name: string): PlanCut => {
  const distance = ({ block, side }: { block: string; side: number }): number => {
    const line = sideAt(site, block, side);
    const t = v2.dot(v2.sub(near, line.start), line.along);
    return Math.abs(runFrom(line, near)) + Math.max(0, -t, t - line.lengthMm);
  };
  const [first, ...others] = slopeAt(site, index).sides;
  if (first === undefined) throw new Error('frame: a slope without a side');
  const own = others.reduce((p, q) => (distance(q) < distance(p) ? q : p), first);
  return tailOfSide(site, own.block, own.side, near, name);
};
