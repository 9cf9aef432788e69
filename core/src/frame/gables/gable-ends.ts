import { halfSpace, SAME_WAY_SINE, v2, v3, type Vec2, type Vec3 } from '../../geom';
import type { Stock } from '../../job';
import type { RoofBorder, Slope } from '../../roof';
import { say } from '../../sentence';
import { tailOfSide } from '../eaves/tails';
import { plumbFrame, plumbKeep } from '../member/board';
import { axisOf, memberId, type EndCut, type Member } from '../member/member';
import type { Added, Pass } from '../pass';
import { heightOn, runFrom, sideAt, slopeAt, type Site } from '../site';

/** Two plan points nearer than this are one. mm */
const SAME_MM = 1;
/** A gable this near square to its slope has a barge that lies flat in it, as a cosine. */
const SQUARE = SAME_WAY_SINE;

/** A rake that hangs over its gable, and the eave that its slope comes down to. */
interface Rake {
  readonly border: RoofBorder;
  readonly slope: Slope;
  readonly low: Vec3;
  readonly high: Vec3;
  /** Out of the gable, level and unit. */
  readonly outward: Vec2;
  readonly overhangMm: number;
  readonly eave: { readonly block: string; readonly side: number };
}

/** The rakes that want a barge: over a gable square to its slope, up to a ridge, a break in pitch or a wall. */
const rakesOf = (site: Site): Rake[] =>
  site.roof.edges.flatMap((border): Rake[] => {
    if (border.kind !== 'rake') return [];
    const side = sideAt(site, border.block, border.side);
    const slope = slopeAt(site, border.slope);
    const eave = slope.sides.find(({ block }) => block === border.block);
    const square = Math.abs(v2.dot(side.inward, slope.uphill)) < SQUARE;
    if (side.roof !== 'gable' || side.overhangMm === 0 || eave === undefined || !square) return [];
    const [low, high] =
      border.from[2] < border.to[2] ? [border.from, border.to] : [border.to, border.from];
    const ends = site.roof.edges.some(
      (other) =>
        (other.kind === 'ridge' || other.kind === 'break' || other.kind === 'wall') &&
        [other.from, other.to].some((p) => v2.distance(v3.inPlan(p), v3.inPlan(high)) < SAME_MM),
    );
    return ends
      ? [
          {
            border,
            slope,
            low,
            high,
            outward: v2.scale(side.inward, -1),
            overhangMm: side.overhangMm,
            eave,
          },
        ]
      : [];
  });

/** Whether a rake starts at its eave, with a tail; else it starts at a break in pitch. */
const startsAtEave = (site: Site, { low, eave }: Rake): boolean => {
  const line = sideAt(site, eave.block, eave.side);
  return Math.abs(runFrom(line, v3.inPlan(low)) + line.overhangMm) < SAME_MM;
};

const plumb = (at: 'top' | 'bottom', p: Vec3, outward: Vec2): EndCut => ({
  at,
  name: 'plumb cut',
  keep: plumbKeep(v3.inPlan(p), outward),
  meets: null,
});

/** The barge under a rake: a rafter beside the gable, its outside face on the edge of the roof. */
const bargeOf = (site: Site, rake: Rake, stock: Stock, number: number): Member => {
  const { slope, low, high, outward, eave, border } = rake;
  const line = sideAt(site, eave.block, eave.side);
  const tail = startsAtEave(site, rake);
  const inside = v2.scale(outward, -stock.thickness / 2);
  const start = tail ? runFrom(line, v3.inPlan(low)) : 0;
  // The theory line starts over the plate's outside face, or at the break.
  const foot = v2.add(v3.inPlan(low), v2.add(inside, v2.scale(slope.uphill, -start)));
  const run = v2.dot(v2.sub(v3.inPlan(high), foot), slope.uphill);
  const cut = tail
    ? tailOfSide(site, eave.block, eave.side, foot, 'tail cut').cut
    : plumb('bottom', low, v2.scale(slope.uphill, -1));
  return {
    id: memberId(border.block, 'barge', border.side, number),
    kind: 'barge',
    block: border.block,
    side: eave.side,
    stock,
    frame: plumbFrame([foot[0], foot[1], heightOn(slope, foot)], slope.uphill, slope.slopeRad),
    topMm: 0,
    ends: [plumb('top', high, slope.uphill), cut],
    notches: [],
    bevels: [],
    mayStandProud: false,
    axis: { ...axisOf(run, run * slope.rise), slopeRad: slope.slopeRad },
    pair: { rise: slope.rise, run: 1 },
    fold: null,
    dropMm: null,
  };
};

/**
 * Where the middles of a ladder's rungs stand along a rake, from its low end, along the slope: the first flush with the
 * tail's top corner, the last clear of the peak, the others evenly between, no further apart than the rafters. mm
 *
 *      ╱╲      a rung stands square to the slope: its bottom edge lies uphill of its top
 *     ╱╲ ╲╲
 *    ╱  ╲ ╲╲ peak
 */
const rungsAlong = (site: Site, { slope, low, high }: Rake, stock: Stock): number[] => {
  const length = v3.distance(low, high);
  const first = stock.thickness / 2;
  const last = length - stock.thickness / 2 - stock.depth * Math.tan(slope.slopeRad);
  if (last < first) return [];
  const parts = Math.max(1, Math.ceil((last - first) / site.job.framing.spacing - SLACK));
  return Array.from({ length: parts + 1 }, (_, i) => first + ((last - first) * i) / parts);
};

/** A hair over a whole number of spaces is that number: rounding. */
const SLACK = 1e-6;

/** The rungs between the gable's first rafter and the barge, square to both. */
const lookoutsOf = (
  site: Site,
  rake: Rake,
  barge: Stock,
  stock: Stock,
  first: number,
): Member[] => {
  const { slope, low, outward, overhangMm, border, eave } = rake;
  const a: Vec3 = [outward[0], outward[1], 0];
  const e = slope.plane.normal;
  const up = plumbFrame([0, 0, 0], slope.uphill, slope.slopeRad).a;
  const run = overhangMm - barge.thickness;
  return rungsAlong(site, rake, stock).map((along, i): Member => {
    const onRake = v3.add(low, v3.scale(up, along));
    const origin = v3.sub(onRake, v3.scale(a, overhangMm));
    const end = (at: 'top' | 'bottom', t: number, way: 1 | -1): EndCut => ({
      at,
      name: 'end cut',
      keep: halfSpace(v3.add(origin, v3.scale(a, t)), v3.scale(a, way)),
      meets: null,
    });
    return {
      id: memberId(border.block, 'lookout', border.side, first + i),
      kind: 'lookout',
      block: border.block,
      side: eave.side,
      stock,
      frame: { origin, a, e, s: v3.cross(e, a) },
      topMm: 0,
      ends: [end('top', run, 1), end('bottom', 0, -1)],
      notches: [],
      bevels: [],
      mayStandProud: false,
      axis: axisOf(run, 0),
      pair: { rise: slope.rise, run: 1 },
      fold: null,
      dropMm: null,
    };
  });
};

/** Barges and their ladders at every gable that the roof hangs over. */
export const gableEnds: Pass = (site): Added => {
  const { barge, lookout } = site.job.timber;
  if (barge === undefined) return { members: [], problems: [] };
  if (lookout === undefined)
    return {
      members: [],
      problems: [
        {
          code: 'missing-timber',
          path: 'timber.lookout',
          text: say`missing; ‹barges› stand on ‹lookouts›, so give their actual size as {"thickness": 38.1, "depth": 88.9}`,
        },
      ],
    };
  const members: Member[] = [];
  for (const rake of rakesOf(site)) {
    const { block, side } = rake.border;
    const number = (kind: 'barge' | 'lookout'): number =>
      members.filter(({ id }) => id.startsWith(`${memberId(block, kind, side)}.`)).length;
    members.push(bargeOf(site, rake, barge, number('barge')));
    // Where the overhang is no wider than the barge, it lies against the gable's own rafter.
    if (rake.overhangMm <= barge.thickness + SAME_MM) continue;
    members.push(...lookoutsOf(site, rake, barge, lookout, number('lookout')));
  }
  return { members, problems: [] };
};
