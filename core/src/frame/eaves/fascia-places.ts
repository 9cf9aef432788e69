import {
  SAME_HEIGHT_MM,
  SLACK_MM,
  intervals,
  v2,
  v3,
  type Interval,
  type Vec2,
  type Vec3,
} from '../../geom';
import type { RoofPlane, SideLine, SideRef, Slope } from '../../roof';
import { onSlope, planPoint } from '../site/slope-plan';
import { memberId } from '../member/member';
import { heightOn, sideAt, slopeAt, type FasciaPlace, type Site } from '../site';

/** A shorter piece of eave, where roofs run into each other, carries no fascia. mm */
const SHORTEST_FASCIA_MM = 60;
/** Corners of fascias this near are one. mm */
export const FASCIA_CORNER_MM = SLACK_MM.place;

interface EaveStretch extends SideRef {
  readonly slope: Slope;
  readonly from: Vec2;
  readonly to: Vec2;
}

/** Every stretch of an eave: seen from above, past gables too, and where it runs on under a higher roof. */
const eaveStretches = ({ roof }: Pick<Site, 'roof'>): EaveStretch[] => {
  const seen = roof.edges.flatMap((border): EaveStretch[] => {
    if (border.kind !== 'eave' && border.kind !== 'high' && border.kind !== 'step') return [];
    const { block, side, from, to } = border;
    const slope = slopeAt({ roof }, border.slope);
    return [{ slope, block, side, from: v3.inPlan(from), to: v3.inPlan(to) }];
  });
  const hidden = roof.slopes.flatMap((slope) =>
    slope.pieces
      .filter(({ under }) => under)
      .flatMap(({ polygon: { points, tags } }) =>
        tags.flatMap((tag, i): EaveStretch[] => {
          const [from, to] = [points[i], points[(i + 1) % points.length]];
          return tag.of !== 'outline' || from === undefined || to === undefined
            ? []
            : [{ slope, block: tag.block, side: tag.side, from, to }];
        }),
      ),
  );
  return [...seen, ...hidden].filter(
    ({ slope, block, side }) =>
      sideAt({ roof }, block, side).roof === 'high' ||
      slope.sides.some((own) => own.block === block && own.side === side),
  );
};

/** Eaves of one slope on one line are one fascia, whichever blocks they belong to. */
export const fasciaPlaces = (site: Pick<Site, 'job' | 'roof'>): FasciaPlace[] => {
  interface Run {
    readonly slope: Slope;
    readonly block: string;
    readonly side: SideLine;
    readonly v: number;
    readonly stretches: Interval[];
  }
  if (site.job.timber.fascia === undefined) return [];
  const runs: Run[] = [];
  for (const { slope, block, side, from, to } of eaveStretches(site)) {
    const [u0, v] = onSlope(slope, from);
    const [u1] = onSlope(slope, to);
    const stretch: Interval = [Math.min(u0, u1), Math.max(u0, u1)];
    const run = runs.find((one) => one.slope === slope && Math.abs(one.v - v) < FASCIA_CORNER_MM);
    if (run !== undefined) run.stretches.push(stretch);
    else runs.push({ slope, block, side: sideAt(site, block, side), v, stretches: [stretch] });
  }
  return runs.flatMap(({ slope, block, side, v, stretches }) =>
    intervals
      .unite(stretches, FASCIA_CORNER_MM)
      .filter(([low, high]) => high - low > SHORTEST_FASCIA_MM)
      .map((stretch, i): FasciaPlace => {
        // Over a high wall along its edge, which may run off the slope's level.
        const back = side.roof === 'high';
        const edge = v2.add(side.start, v2.scale(side.inward, -side.overhangMm));
        const rate = v2.dot(side.along, slope.along);
        const at = (u: number): Vec3 => {
          const p = back
            ? v2.add(edge, v2.scale(side.along, (u - onSlope(slope, edge)[0]) / rate))
            : planPoint(slope, u, v);
          return [p[0], p[1], heightOn(slope, p)];
        };
        const id = memberId(block, 'fascia', side.index, ...(i === 0 ? [] : [i]));
        const [low, high] = [at(stretch[0]), at(stretch[1])];
        // An eave's fascias run counter-clockwise round the building; over a high wall, where no other meets it, uphill.
        const swap = low[2] > high[2] + SAME_HEIGHT_MM;
        const [from, to] = swap ? [high, low] : [low, high];
        return {
          id,
          block,
          side,
          slope,
          along: v2.unit(v2.sub(v3.inPlan(to), v3.inPlan(from))),
          outward: v2.scale(back ? side.inward : slope.uphill, -1),
          v,
          stretch,
          from,
          to,
        };
      }),
  );
};

/** The fascia along the tails of a side: of its stretches, the one nearest to a point of the plan. */
export const fasciaAlong = (site: Site, plane: RoofPlane, near: Vec2): FasciaPlace | null => {
  const slope = slopeAt(site, plane.slope);
  const { start, inward, overhangMm } = plane.line;
  const v = onSlope(slope, v2.add(start, v2.scale(inward, -overhangMm)))[1];
  const u = onSlope(slope, near)[0];
  let best: FasciaPlace | null = null;
  let least = Infinity;
  for (const place of site.fascias) {
    if (place.slope !== slope || Math.abs(place.v - v) > FASCIA_CORNER_MM) continue;
    const away = Math.max(0, place.stretch[0] - u, u - place.stretch[1]);
    if (away < least) [least, best] = [away, place];
  }
  return best;
};
