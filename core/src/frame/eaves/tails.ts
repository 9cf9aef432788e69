import {
  SLACK_MM,
  SLACK_MM3,
  flip,
  halfSpace,
  v2,
  v3,
  SAME_WAY_SINE,
  type HalfSpace,
  type Vec2,
  type Vec3,
} from '../../geom';
import { heightAt, type RoofLine, type RoofPlane, type SideLine, type Slope } from '../../roof';
import { plumbFrame, plumbKeep } from '../member/board';
import { fasciaAlong } from './fascia-places';
import type { LinePlace } from '../site/line-places';
import type { CutName, EndCut, Member } from '../member/member';
import { woodWithin } from '../member/solid-of';
import type { PlanCut } from '../joint/strip';
import { blockAt, blocksOf, runFrom, sideAt, slopeAt, type Site } from '../site';

/** A tail this near a gable's line ends in it. mm */
const AT_EDGE_MM = SLACK_MM.place;

/** Where a line runs out over a gable's line before it comes to its fascias, it ends there. */
const roofEdge = (site: Site, { slopes, from }: RoofLine): PlanCut | null => {
  for (const id of slopes.flatMap((slope) => blocksOf(slopeAt(site, slope)))) {
    for (const side of blockAt(site, id).sides) {
      if (side.roof === 'eave' || Math.abs(runFrom(side, v3.inPlan(from))) > AT_EDGE_MM) continue;
      const outward = v2.scale(side.inward, -1);
      const keep = plumbKeep(side.start, outward);
      return {
        point: side.start,
        outward,
        cut: { at: 'tail', name: 'tail cut', keep, meets: null },
      };
    }
  }
  return null;
};

/** Whether a line starts at the corner of its two eaves' overhangs. */
const isEaveCorner = (site: Site, { slopes, from }: RoofLine): boolean =>
  slopes.every((slope) =>
    slopeAt(site, slope).sides.some(({ block, side }) => {
      const own = sideAt(site, block, side);
      return Math.abs(runFrom(own, v3.inPlan(from)) + own.overhangMm) < AT_EDGE_MM;
    }),
  );

/**
 * The two tail cuts of a hip, on the fascia lines it parts. A valley has one, through the inner corner of the fascias
 * and midway between their backs, for a board cannot be notched to both.
 */
export const tailCuts = (site: Site, { foot, line, kind, lowEnd }: LinePlace): PlanCut[] => {
  // What ends in its wall's face has none.
  if (foot === null || lowEnd.wall !== null) return [];
  const edge = roofEdge(site, line);
  if (edge !== null && !isEaveCorner(site, line)) return [edge];
  const both = line.slopes.map((slope) => tailOf(site, slope, v3.inPlan(foot.tail), 'tail cheek'));
  const [one, other] = both;
  const ends = edge === null ? [] : [edge];
  if (kind !== 'valley' || one === undefined || other === undefined) return [...both, ...ends];
  const normal = v3.add(one.cut.keep.normal, other.cut.keep.normal);
  const cut: EndCut = {
    at: 'tail',
    name: 'tail cut',
    keep: halfSpace(foot.tail, normal),
    meets: null,
  };
  const outward = v2.unit(v2.add(one.outward, other.outward));
  return [{ point: v3.inPlan(foot.tail), outward, cut }, ...ends];
};

/**
 * Whether the tails of a side are cut square: as the crew's way is, but not where there is no overhang, nor where it is
 * so short that a square cut would come in over the plate and take the seat. Those are cut plumb.
 *
 *        ╱╲
 *      ╱    ╲ hap         at the plate's level the square cut has come in by m · (hap − m · overhang)
 *    ╱╲______╲
 *      ╲ plate
 */
export const isSquareTail = (
  { job }: Pick<Site, 'job'>,
  { rise, line: { overhangMm, hapMm } }: RoofPlane,
): boolean => {
  if (job.framing.tail !== 'square' || overhangMm === 0) return false;
  return overhangMm >= rise * (hapMm - rise * overhangMm);
};

/** The tail's cut on the fascia line of one eave side, for a timber that comes to it near a point of the plan. */
export const tailOfSide = (
  site: Site,
  block: string,
  index: number,
  near: Vec2,
  name: CutName,
): PlanCut => {
  const side = sideAt(site, block, index);
  const plane = blockAt(site, block).planes[index];
  if (!plane) throw new Error(`frame: side ${index} of ${block} carries no roof plane`);
  const point = v2.add(side.start, v2.scale(side.inward, -side.overhangMm));
  const outward = v2.scale(side.inward, -1);
  const leans = isSquareTail(site, plane);
  const along = plumbFrame([0, 0, 0], side.inward, plane.slopeRad).a;
  const keep = leans
    ? halfSpace([point[0], point[1], heightAt(plane, point)], v3.scale(along, -1))
    : plumbKeep(point, outward);
  const meets = fasciaAlong(site, plane, near)?.id ?? null;
  return { point, outward, cut: { at: 'tail', name, keep, meets } };
};

/**
 * The cut of the tails that run on over a high wall, at the edge of the roof above it. A square one comes out below, so that
 * the board reaches further in plan than its top corner.
 *
 *        ╱╲          overhang to here
 *      ╱    ╲╱ tail
 *    ╱    ╱
 */
export const highTail = (
  site: Site,
  slope: Slope,
  block: string,
  { start, along, inward, overhangMm, index }: SideLine,
): PlanCut => {
  const { job } = site;
  const outward = v2.scale(inward, -1);
  const edge = v2.add(start, v2.scale(outward, overhangMm));
  const leans = isSquareHigh(site, overhangMm);
  const reach = leans ? job.timber.common.depth * Math.sin(slope.slopeRad) : 0;
  const keep = leans ? squareToSlope(slope, edge, along) : plumbKeep(edge, outward);
  const square = Math.abs(v2.cross(outward, slope.uphill)) < SAME_WAY_SINE;
  const fascia = site.fascias.find((one) => one.block === block && one.side.index === index);
  return {
    point: v2.add(edge, v2.scale(outward, reach)),
    outward,
    cut: { at: 'top', name: square ? 'tail cut' : 'tail cheek', keep, meets: fascia?.id ?? null },
  };
};

/** The plane through a line of a slope, given by a point of it in plan and its way there, square to the slope. */
export const squareToSlope = ({ plane }: Slope, p: Vec2, along: Vec2): HalfSpace => {
  const { normal } = plane;
  const rise = -(normal[0] * along[0] + normal[1] * along[1]) / normal[2];
  const line = v3.unit([along[0], along[1], rise]);
  const point: Vec3 = [p[0], p[1], heightAt({ plane }, p)];
  return halfSpace(point, v3.unit(v3.cross(line, normal)));
};

/** Whether the tails over a high wall are cut square: as the crew's way is, but not where there is no overhang. */
export const isSquareHigh = ({ job }: Pick<Site, 'job'>, overhangMm: number): boolean =>
  job.framing.tail === 'square' && overhangMm > 0;

/** Wood that a fascia may share with a tail before that is cut: rounding along its back. mm³ */
const TOUCHING_MM3 = SLACK_MM3.nothing;

/** Whether a board without one of its leaning tail cuts would stand in the fascia which that cut lies along. */
export const standsInFascia = ({ job, fascias }: Site, member: Member, cut: EndCut): boolean => {
  const fascia = fascias.find(({ id }) => id === cut.meets);
  const stock = job.timber.fascia;
  if (fascia === undefined || stock === undefined) return true;
  const { normal, offset } = cut.keep;
  const up = plumbFrame([0, 0, 0], fascia.slope.uphill, fascia.slope.slopeRad).e;
  const board: HalfSpace[] = [
    flip(cut.keep),
    { normal, offset: offset + stock.thickness },
    halfSpace(v3.sub(fascia.from, v3.scale(up, stock.depth)), v3.scale(up, -1)),
  ];
  const uncut = { ...member, ends: member.ends.filter((end) => end !== cut) };
  return woodWithin(uncut, board) > TOUCHING_MM3;
};

/** The tail's cut on the fascia line of the side of a slope nearest to `near`. */
export const tailOf = (site: Site, index: number, near: Vec2, name: CutName): PlanCut => {
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
