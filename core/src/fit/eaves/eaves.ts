import {
  SLACK_MM,
  SLACK_SINE,
  FIT_GAP_MM,
  intervals,
  lineCrossing,
  planeAt,
  v2,
  v3,
  type Interval,
  type Vec2,
  type Vec3,
  ALONGSIDE_SINE,
  SAME_WAY_SINE,
} from '../../geom';
import { inMm, say } from '../../sentence';
import type { Roof, RoofBorder, SideLine } from '../../roof';
import type { Touching } from '../contact/contacts';
import { liesIn, type FrameOnSite } from '../frame-on-site';
import type { Placed } from '../contact/placed';
import type { FitProblem } from '../report';
import { endsOfFascia } from './mitres';

/** Bare lengths of eave shorter than this are whole. mm */
const NEAR_MM = SLACK_MM.nothing;
/** A shorter piece of eave, where roofs run into each other, wants no fascia. mm */
const SHORTEST_EAVE_MM = 60;
/** A fascia's back looks into the building by more than this, as a cosine. */
const INWARD = 0.1;

const isInside = ({ pieces }: Placed, p: Vec3): boolean =>
  pieces.some(({ faces }) => faces.every(({ plane }) => planeAt(plane, p) <= FIT_GAP_MM));

/** Where roofs run into each other a fascia may stop this far short, on the face of a timber that stands there. mm */
const STOPS_SHORT_MM = 250;
/** A face nearer to a board's own direction is no end of it, as a sine. */
const END = SLACK_SINE.side;

/** Points of a fascia's ends that come against other timbers, or come down on a slope. */
const stops = (
  { roof: { slopes }, laid }: FrameOnSite,
  fascia: Placed,
  touching: Touching,
): Vec3[] => {
  const { a } = fascia.member.frame;
  const planes = [...slopes.map(({ plane }) => plane), ...(laid === null ? [] : [laid.on.deck])];
  const onSlopes = fascia.pieces
    .flatMap(({ faces }) => faces)
    .filter(({ plane: { normal } }) => Math.abs(v3.dot(normal, a)) > END)
    .filter(({ points }) => planes.some((plane) => liesIn(points, plane, FIT_GAP_MM)))
    .flatMap(({ points }) => points);
  const onTimbers = touching(fascia).flatMap((contact): readonly Vec3[] => {
    const face = contact.one === fascia ? contact.face : contact.otherFace;
    return Math.abs(v3.dot(face.plane.normal, a)) > END ? face.points : [];
  });
  return [...onSlopes, ...onTimbers];
};

/** Eaves of one block that end this near the crossing of their lines make a corner there. mm */
const CORNER_REACH_MM = 400;

/** Where an eave's line crosses those of the eaves beside it, if not too far off: its fascia runs on to there. */
const cornersOf = (roof: Roof, edge: RoofBorder, depthMm: number): Vec3[] => {
  const sides = roof.blocks.find(({ id }) => id === edge.block)?.sides ?? [];
  const lineOf = ({ start, inward, overhangMm }: SideLine): Vec2 =>
    v2.sub(start, v2.scale(inward, overhangMm));
  const own = sides[edge.side];
  return [1, sides.length - 1].flatMap((step): Vec3[] => {
    const next = sides[(edge.side + step) % sides.length];
    if (own === undefined || next?.roof !== 'eave') return [];
    const at = lineCrossing(lineOf(own), own.along, lineOf(next), next.along);
    if (at === null) return [];
    const near = (p: Vec3): boolean => v2.distance(v3.inPlan(p), at) < CORNER_REACH_MM;
    const end = [edge.from, edge.to].find(near);
    const meets = roof.edges.some(
      (other) =>
        'side' in other &&
        other.kind === 'eave' &&
        other.block === edge.block &&
        other.side === next.index &&
        [other.from, other.to].some(
          (p) => near(p) && end !== undefined && Math.abs(p[2] - end[2]) <= depthMm,
        ),
    );
    return meets ? [[at[0], at[1], 0]] : [];
  });
};

/** Edges of the roof that fascias stand along. */
const FASCIA_EDGES: ReadonlySet<RoofBorder['kind']> = new Set(['eave', 'high', 'step']);

/** Every eave, and every edge over a high wall, has its fascia all along, its back on the tails' line. */
export const bareEaves = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  const { job, roof, members } = site;
  if (job.timber.fascia === undefined) return [];
  const fascias = members.filter(({ member }) => member.kind === 'fascia');
  const ends = new Map(fascias.map((fascia) => [fascia, stops(site, fascia, touching)]));
  /** How far along itself each fascia is wanted, eave by eave. */
  const wanted = new Map<Placed, Interval[]>();
  const bare = roof.edges.flatMap((edge): FitProblem[] => {
    if (!('side' in edge) || !FASCIA_EDGES.has(edge.kind)) return [];
    const side = roof.blocks.find(({ id }) => id === edge.block)?.sides[edge.side];
    const slope = roof.slopes[edge.slope];
    const own = slope?.sides.some(({ block, side: i }) => block === edge.block && i === edge.side);
    const overHigh = side?.roof === 'high';
    if (side === undefined || slope === undefined || (own !== true && !overHigh)) return [];
    if (v3.distance(edge.from, edge.to) < SHORTEST_EAVE_MM) return [];
    const on = (p: readonly [number, number, number]): number =>
      v2.dot(v2.sub(v3.inPlan(p), v3.inPlan(edge.from)), side.along);
    const length = on(edge.to);
    const stretches = ({ pieces, member }: Placed): Interval[] =>
      pieces.flatMap(({ faces }) =>
        faces.flatMap(({ plane, points }): Interval[] => {
          const { normal } = plane;
          // Its back, not an end that lies on this very slope.
          if (Math.abs(v3.dot(normal, member.frame.a)) > END) return [];
          if (v2.dot([normal[0], normal[1]], side.inward) < INWARD) return [];
          // Nor its upper edge, which lies in the slope.
          if (v3.dot(normal, slope.plane.normal) > 1 - SAME_WAY_SINE) return [];
          if (Math.abs(v2.dot([normal[0], normal[1]], side.along)) > ALONGSIDE_SINE) return [];
          if (Math.abs(planeAt(plane, edge.from)) > FIT_GAP_MM) return [];
          // A leaning back ends where its upper edge does.
          const top = Math.max(...points.map((p) => p[2]));
          const crown = points.filter(
            (p) => Math.abs(normal[2]) < SAME_WAY_SINE || p[2] > top - NEAR_MM,
          );
          const ts = crown.map(on);
          return [[Math.min(...ts), Math.max(...ts)]];
        }),
      );
    const covering = fascias.flatMap((fascia) => {
      const found = stretches(fascia);
      return found.length === 0 ? [] : [{ fascia, found, stops: ends.get(fascia) ?? [] }];
    });
    const covered = covering.flatMap(({ found }) => found);
    const stopsHere = covering.flatMap((fascia) => fascia.stops);
    const corners = cornersOf(roof, edge, job.timber.fascia?.depth ?? 0).map(on);
    const [low, high] = [Math.min(0, length, ...corners), Math.max(0, length, ...corners)];
    // On under a higher eave, which hides it from above.
    const hidden = slope.pieces
      .filter(({ plane }) => plane.block === edge.block && plane.side === edge.side)
      .flatMap(({ polygon }) => polygon.points)
      .filter((p) => Math.abs(v2.dot(v2.sub(p, v3.inPlan(edge.from)), side.inward)) < NEAR_MM)
      .map((p) => on([p[0], p[1], 0]));
    for (const { fascia } of covering) {
      const { a } = fascia.member.frame;
      const at = (t: number): number =>
        v2.dot(v2.add(v3.inPlan(edge.from), v2.scale(side.along, t)), v3.inPlan(a));
      const ends = [at(low), at(high), ...hidden.map(at)];
      const reach: Interval = [Math.min(...ends), Math.max(...ends)];
      wanted.set(fascia, [...(wanted.get(fascia) ?? []), reach]);
    }
    return intervals
      .without([[low, high]], intervals.unite(covered, NEAR_MM), NEAR_MM)
      .filter(([a, b]) => {
        // Where another fascia runs past, this one ends on its face.
        const within = [a + FIT_GAP_MM, b - FIT_GAP_MM].map((t) =>
          v3.lerp(edge.from, edge.to, t / length),
        );
        if (fascias.some((other) => within.every((p) => isInside(other, p)))) return false;
        // Where a timber stands in its way, it ends on that.
        const stopped = stopsHere.some((p) => {
          const away = v2.dot(v2.sub(v3.inPlan(p), v3.inPlan(edge.from)), side.inward);
          return Math.abs(away) < FIT_GAP_MM && [a, b].some((t) => Math.abs(on(p) - t) < NEAR_MM);
        });
        return !(stopped && b - a < STOPS_SHORT_MM);
      })
      .map(([a, b]) => ({
        members: ['fascia', 'roof'] as const,
        ids: [],
        kind: 'missing' as const,
        mm: b - a,
        at: v3.lerp(edge.from, edge.to, (a + b) / 2 / length),
        text: say`${inMm(b - a)} of the eave of "${edge.block}", wall ${edge.side + 1}, has no ‹fascia›`,
      }));
  });
  return [
    ...bare,
    ...fascias.flatMap((fascia) =>
      pastEave(fascia, wanted.get(fascia) ?? [], ends.get(fascia) ?? []),
    ),
  ];
};

/**
 * A fascia that runs on past the end of its eave, with nothing there that it comes against: it has slipped along itself.
 * Past a corner it may run as far as its mitre does.
 */
const pastEave = (
  fascia: Placed,
  wanted: readonly Interval[],
  held: readonly Vec3[],
): FitProblem[] => {
  if (wanted.length === 0) return [];
  const { a } = fascia.member.frame;
  const on = (p: Vec3): number => v2.dot(v3.inPlan(p), v3.inPlan(a));
  const [low, high] = [
    Math.min(...wanted.map(([from]) => from)),
    Math.max(...wanted.map(([, to]) => to)),
  ];
  return endsOfFascia(fascia).flatMap(({ points, middle }): FitProblem[] => {
    const ts = points.map(on);
    const past = Math.max(low - Math.min(...ts), Math.max(...ts) - high);
    const square = Math.max(...ts) - Math.min(...ts) < FIT_GAP_MM;
    if (!square || past < PAST_MM || points.some((p) => held.includes(p))) return [];
    return [
      {
        members: [fascia.mark, 'roof'],
        ids: [fascia.member.id],
        kind: 'misplaced',
        mm: past,
        at: middle,
        text: say`${fascia.mark} runs ${inMm(past, 1)} past the end of its eave`,
      },
    ];
  });
};

/** A square end this little past its eave's end stands at it: rounding. mm */
const PAST_MM = SLACK_MM.nothing;
