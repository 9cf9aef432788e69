import { cornersOf, type Member } from '../frame';
import { listedKind } from '../kinds';
import { SLACK_SINE, planeAt, v2, v3, type Vec2, type Vec3 } from '../geom';
import type { Roof } from '../roof';
import type { Panel } from './panel';

/** A slope or a wall that looks this way by less is seen edge on. */
const EDGE_ON = 0.01;

/** The convex outline of some points, counter-clockwise: Andrew's chains. */
const hullOf = (points: readonly Vec2[]): Vec2[] => {
  const sorted = [...points].sort((p, q) => p[0] - q[0] || p[1] - q[1]);
  const chain = (all: readonly Vec2[]): Vec2[] => {
    const kept: Vec2[] = [];
    for (const p of all) {
      for (;;) {
        const [a, b] = [kept.at(-2), kept.at(-1)];
        if (a === undefined || b === undefined || v2.cross(v2.sub(b, a), v2.sub(p, a)) > 0) break;
        kept.pop();
      }
      kept.push(p);
    }
    return kept.slice(0, -1);
  };
  return [...chain(sorted), ...chain([...sorted].reverse())];
};

/** How far off the nearest slope or wall is that looks this way and has a timber in it; null where none does. mm */
const carriedAt = (
  { slopes, blocks }: Roof,
  { frame, stock, kind }: Member,
  corners: readonly Vec3[],
  away: Vec2,
  slopeAway: ReadonlyMap<number, number>,
): number | null => {
  const reach = stock.depth + stock.thickness;
  const onSlope = [...slopeAway].filter(([index]) => {
    const slope = slopes[index];
    if (slope === undefined) return false;
    const offs = corners.map((p) => Math.abs(planeAt(slope.plane, p)));
    const lies = Math.min(...offs) < reach && Math.abs(v3.dot(slope.plane.normal, frame.a)) < ALONG;
    const over = slope.pieces.some(({ polygon }) =>
      corners.some(
        (p) => polygon.points.length > 2 && withinLoop(polygon.points, v3.inPlan(p), OUT_MM),
      ),
    );
    return lies && over;
  });
  const inGables = blocks.flatMap(({ sides }) =>
    sides.flatMap((side): number[] => {
      if (side.roof !== 'gable' || v2.dot(side.inward, away) <= EDGE_ON) return [];
      const ins = corners.map((p) => v2.dot(v2.sub(v3.inPlan(p), side.start), side.inward));
      const alongs = corners.map((p) => v2.dot(v2.sub(v3.inPlan(p), side.start), side.along));
      const within = Math.max(...alongs) > -reach && Math.min(...alongs) < side.lengthMm + reach;
      const stands = kind !== 'rafter-tie' && kind !== 'collar-tie';
      return stands && within && Math.max(...ins) < reach && Math.min(...ins) > -OUT_MM
        ? [v2.dot(side.start, away)]
        : [];
    }),
  );
  const found = [...onSlope.map(([, off]) => off), ...inGables];
  return found.length === 0 ? null : Math.min(...found);
};

/** A timber nearer to a slope's plane than this, as a sine, lies in it. */
const ALONG = SLACK_SINE.runs;
/** How far a roof may hang over its walls. mm */
const OUT_MM = 1500;

const withinLoop = (loop: readonly Vec2[], p: Vec2, slack: number): boolean =>
  loop.every((a, i) => {
    const b = loop[(i + 1) % loop.length] ?? a;
    const way = v2.sub(b, a);
    return v2.cross(way, v2.sub(p, a)) >= -slack * v2.length(way);
  });

/** The timbers that are seen of a roof from far away, each right after the slope or the wall that it lies in. */
export const timberPanels = (
  roof: Roof,
  members: readonly Member[],
  away: Vec2,
  flat: (p: Vec3) => Vec2,
  slopeAway: ReadonlyMap<number, number>,
): Panel[] =>
  members.flatMap((member): Panel[] => {
    const corners = cornersOf(member);
    const off = carriedAt(roof, member, corners, away, slopeAway);
    return off === null
      ? []
      : [
          {
            of: 'timber',
            kind: listedKind(member.kind),
            points: hullOf(corners.map(flat)),
            away: off - 2,
          },
        ];
  });
