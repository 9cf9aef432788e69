import {
  SLACK_MM,
  clipByAll,
  halfSpace,
  insideBy,
  intervals,
  SAME_WAY_SINE,
  v2,
  v3,
  volume,
  type HalfSpace,
  type Interval,
  type Vec2,
  type Vec3,
} from '../../geom';
import { onSide, heightAt, type SideLine, type Slope } from '../../roof';
import { inMm, say } from '../../sentence';
import { isRafter } from '../../kinds';
import { outFrom, type FrameOnSite } from '../frame-on-site';
import { isMember, type Placed, type PlacedFace } from '../contact/placed';
import type { FitProblem } from '../report';

/** Wood in what an opening keeps clear, more than rounding. mm³ */
const IN_CLEAR_MM3 = 500;
/** A face this near the edge of what is kept clear stands on it. mm */
const ON_EDGE_MM = SLACK_MM.shut;
/** Of an edge, what must have timber standing on it. */
const LEAST_SHARE = 0.9;
/** What lies on the roof's planes, over the rafters, is cut on site. mm */
const DEEP_MM = SLACK_MM.nothing;

/** What an opening keeps clear: in its side's own measure, and the slope it lies in. */
export interface Kept {
  readonly index: number;
  readonly name: string;
  readonly side: SideLine;
  readonly slope: Slope;
  readonly along: readonly [number, number];
  readonly up: readonly [number, number];
  readonly ply: number;
}

export const keptClear = ({ job, roof }: FrameOnSite): Kept[] =>
  job.openings.flatMap((opening, index): Kept[] => {
    const side = roof.blocks.find(({ id }) => id === opening.block)?.sides[opening.side];
    const { clearance: c } = opening;
    if (side === undefined) return [];
    const along = [opening.along[0] - c, opening.along[1] + c] as const;
    const up = [opening.up[0] - c, opening.up[1] + c] as const;
    const middle = onSide(side, (along[0] + along[1]) / 2, (up[0] + up[1]) / 2);
    // Of the side's slopes, the lowest there: below a break the one, above it the other.
    const own = roof.slopes
      .filter(({ sides }) =>
        sides.some((one) => one.block === opening.block && one.side === opening.side),
      )
      .sort((p, q) => heightAt(p, middle) - heightAt(q, middle));
    const slope = own.find(({ pieces }) =>
      pieces.some(({ polygon }) => insideBy(polygon.points, middle) >= 0),
    );
    if (slope === undefined) return [];
    const ply = opening.doubled === true ? 2 : 1;
    return [{ index, name: opening.name, side, slope, along, up, ply }];
  });

export const cornerOf = ({ side }: Kept, along: number, up: number): Vec2 =>
  onSide(side, along, up);

/** The wood that a timber has in what an opening keeps clear, below the roof's plane and within a rafter's depth of it. mm³ */
const woodIn = ({ job }: FrameOnSite, kept: Kept, placed: Placed): number => {
  const { side, slope, along, up } = kept;
  const out = (p: Vec2, way: Vec2): HalfSpace => halfSpace([p[0], p[1], 0], [way[0], way[1], 0]);
  const [low, high] = [cornerOf(kept, along[0], up[0]), cornerOf(kept, along[1], up[1])];
  const { normal, offset } = slope.plane;
  const bounds: HalfSpace[] = [
    out(low, v2.scale(side.along, -1)),
    out(low, v2.scale(side.inward, -1)),
    out(high, side.along),
    out(high, side.inward),
    { normal, offset: offset - DEEP_MM },
    { normal: v3.scale(normal, -1), offset: job.timber.common.depth - offset },
  ];
  return placed.pieces.reduce((sum, { faces }) => {
    const solid = faces.map(({ tag, points }) => ({ tag, points }));
    return sum + volume(clipByAll<unknown>(solid, bounds, null));
  }, 0);
};

/** Whether a face stands plumb on a side edge of what some opening keeps clear, looking in: what passes under its trimmer ends there. */
export const endsAtOpening = (site: FrameOnSite, slope: Slope, face: PlacedFace): boolean =>
  keptClear(site).some(
    (kept) =>
      kept.slope === slope &&
      kept.along.some((at, i) =>
        standsOn(face, cornerOf(kept, at, 0), v2.scale(kept.side.along, i === 0 ? 1 : -1)),
      ),
  );

/**
 * The stretches along a side that openings in one of its slopes keep clear, of those which a body between two distances in
 * from its plate reaches. mm
 */
export const acrossOpenings = (
  site: FrameOnSite,
  slope: Slope,
  line: SideLine,
  [low, high]: Interval,
): { readonly name: string; readonly along: Interval }[] =>
  keptClear(site).flatMap((kept) => {
    if (kept.slope !== slope) return [];
    const [near, far] = [
      cornerOf(kept, kept.along[0], kept.up[0]),
      cornerOf(kept, kept.along[1], kept.up[1]),
    ].map((p) => ({ in: -outFrom(line, p), u: v2.dot(v2.sub(p, line.start), line.along) }));
    if (near === undefined || far === undefined) return [];
    return low < far.in && high > near.in
      ? [{ name: kept.name, along: [near.u, far.u] as Interval }]
      : [];
  });

/** Whether a face stands plumb on one edge of what is kept clear, looking in. */
const standsOn = ({ plane, points }: PlacedFace, at: Vec2, inward: Vec2): boolean =>
  v2.dot(v3.inPlan(plane.normal), inward) > 1 - SAME_WAY_SINE &&
  points.every((p) => Math.abs(v2.dot(v2.sub(v3.inPlan(p), at), inward)) <= ON_EDGE_MM);

/** How much of an edge of what is kept clear has a face of such a timber on it, along the edge. mm */
const heldOn = (
  { members }: FrameOnSite,
  kind: string,
  [from, to]: readonly [Vec2, Vec2],
  inward: Vec2,
): number => {
  const along = v2.unit(v2.sub(to, from));
  const length = v2.distance(from, to);
  const held = members.flatMap(({ member, pieces }) =>
    member.kind !== kind
      ? []
      : pieces.flatMap(({ faces }) =>
          faces
            .filter((face) => standsOn(face, from, inward))
            .map(({ points }): Interval => {
              const ts = points.map((p) => v2.dot(v2.sub(v3.inPlan(p), from), along));
              return [Math.max(0, Math.min(...ts)), Math.min(length, Math.max(...ts))];
            }),
        ),
  );
  // A timber with a notch is proved by its pieces, whose faces lie one after the other.
  return intervals
    .unite(
      held.filter(([low, high]) => high > low),
      ON_EDGE_MM,
    )
    .reduce((sum, [low, high]) => sum + high - low, 0);
};

/** An eave that hangs over by less has no tails. mm */
const LEAST_TAIL_MM = 50;

/** Before an opening that goes down to the plate: where no tail carries the eave for more than the rafters' spacing. */
const bareTails = (
  { job, members }: FrameOnSite,
  { side, along, up, name, slope }: Kept,
): FitProblem[] => {
  const { overhangMm } = side;
  if (up[0] > 0 || overhangMm < LEAST_TAIL_MM) return [];
  const us = members
    .filter(({ member }) => isRafter(member) && member.side === side.index)
    .flatMap(({ corners }): number[] => {
      const out = corners.filter((p) => outFrom(side, p) > overhangMm / 2);
      const own = out.map((p) => v2.dot(v2.sub(v3.inPlan(p), side.start), side.along));
      return own.length === 0 ? [] : [(Math.min(...own) + Math.max(...own)) / 2];
    })
    .sort((p, q) => p - q);
  return us.flatMap((u, i): FitProblem[] => {
    const next = us[i + 1] ?? u;
    const before = next > along[0] && u < along[1];
    if (!before || next - u <= job.framing.spacing + ON_EDGE_MM) return [];
    const [x, y] = v2.add(side.start, v2.scale(side.along, (u + next) / 2));
    return [
      {
        members: ['eave', 'nothing'],
        ids: [],
        kind: 'missing',
        mm: next - u,
        at: [x, y, heightAt(slope, [x, y])],
        text: say`no ‹false tail› carries ${inMm(next - u)} of the ‹eave› before "${name}"`,
      },
    ];
  });
};

/** Whether each opening is kept clear, between trimmers on its two sides and headers below and above. */
export const checkOpenings = (site: FrameOnSite): FitProblem[] =>
  keptClear(site).flatMap((kept): FitProblem[] => {
    const { side, slope, along, up, name } = kept;
    const corner = (a: number, u: number): Vec2 => cornerOf(kept, a, u);
    const at = ([x, y]: Vec2): Vec3 => [x, y, heightAt(slope, [x, y])];
    const edges = [
      ['trimmer', corner(along[0], up[0]), corner(along[0], up[1]), side.along],
      ['trimmer', corner(along[1], up[0]), corner(along[1], up[1]), v2.scale(side.along, -1)],
      // Down to the plate a wall stands in it, and no header.
      ...(up[0] <= 0
        ? []
        : [['header', corner(along[0], up[0]), corner(along[1], up[0]), side.inward] as const]),
      ['header', corner(along[0], up[1]), corner(along[1], up[1]), v2.scale(side.inward, -1)],
    ] as const;
    const bare = edges.flatMap(([kind, from, to, inward]): FitProblem[] => {
      const length = v2.distance(from, to);
      const held = heldOn(site, kind, [from, to], inward);
      return held >= LEAST_SHARE * length
        ? []
        : [
            {
              members: [kind, 'nothing'],
              ids: [],
              kind: 'missing',
              mm: length - held,
              at: at(from),
              text: say`no ‹${kind}› stands along ${inMm(length)} of the edge of "${name}"`,
            },
          ];
    });
    const inWay = site.members.flatMap((placed): FitProblem[] => {
      const mm3 = woodIn(site, kept, placed);
      return mm3 <= IN_CLEAR_MM3 || !isMember(placed)
        ? []
        : [
            {
              members: [placed.mark, 'nothing'],
              ids: [placed.member.id],
              kind: 'misplaced',
              at: at(corner((along[0] + along[1]) / 2, (up[0] + up[1]) / 2)),
              text: say`${placed.mark} stands in what "${name}" keeps clear`,
            },
          ];
    });
    return [...bare, ...inWay, ...bareTails(site, kept)];
  });
