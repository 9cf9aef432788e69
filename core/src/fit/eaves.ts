import { FIT_GAP_MM, intervals, planeAt, v2, v3, type Interval, type Vec3 } from '../geom';
import { touches, type Contact } from './contacts';
import type { FrameOnSite } from './frame-on-site';
import type { Placed } from './placed';
import type { FitProblem } from './report';

/** Bare lengths of eave shorter than this are whole. mm */
const NEAR_MM = 1;
/** A shorter piece of eave, where roofs run into each other, wants no fascia. mm */
const SHORTEST_EAVE_MM = 60;
/** A fascia's back looks into the building by more than this, as a cosine. */
const INWARD = 0.1;

const isInside = ({ pieces }: Placed, p: Vec3): boolean =>
  pieces.some(({ faces }) => faces.every(({ plane }) => planeAt(plane, p) <= FIT_GAP_MM));

/** Where roofs run into each other a fascia may stop this far short, on the face of a timber that stands there. mm */
const STOPS_SHORT_MM = 250;
/** A face nearer to a board's own direction is no end of it, as a sine. */
const END = 0.03;

/** Points of a fascia's ends that come against other timbers. */
const stops = (fascia: Placed, contacts: readonly Contact[]): Vec3[] =>
  contacts.flatMap((contact): readonly Vec3[] => {
    const face =
      contact.one === fascia ? contact.face : contact.other === fascia ? contact.otherFace : null;
    const isEnd = face !== null && Math.abs(v3.dot(face.plane.normal, fascia.member.frame.a)) > END;
    return isEnd && touches(contact) ? face.points : [];
  });

/** Every eave has its fascia all along, its back on the tails' line. */
export const bareEaves = (
  { job, roof, members }: FrameOnSite,
  contacts: readonly Contact[],
): FitProblem[] => {
  if (job.timber.fascia === undefined) return [];
  const fascias = members.filter(({ member }) => member.kind === 'fascia');
  const ends = fascias.flatMap((fascia) => stops(fascia, contacts));
  return roof.edges.flatMap((edge): FitProblem[] => {
    if (!('side' in edge) || (edge.kind !== 'eave' && edge.kind !== 'step')) return [];
    const side = roof.blocks.find(({ id }) => id === edge.block)?.sides[edge.side];
    const slope = roof.slopes[edge.slope];
    const own = slope?.sides.some(({ block, side: i }) => block === edge.block && i === edge.side);
    if (side === undefined || own !== true) return [];
    if (v3.distance(edge.from, edge.to) < SHORTEST_EAVE_MM) return [];
    const on = (p: readonly [number, number, number]): number =>
      v2.dot(v2.sub(v3.inPlan(p), v3.inPlan(edge.from)), side.along);
    const length = on(edge.to);
    const covered = fascias.flatMap(({ pieces }) =>
      pieces.flatMap(({ faces }) =>
        faces.flatMap(({ plane, points }): Interval[] => {
          const { normal } = plane;
          if (v2.dot([normal[0], normal[1]], side.inward) < INWARD) return [];
          if (Math.abs(v2.dot([normal[0], normal[1]], side.along)) > 1e-4) return [];
          if (Math.abs(planeAt(plane, edge.from)) > FIT_GAP_MM) return [];
          // A leaning back ends where its upper edge does.
          const top = Math.max(...points.map((p) => p[2]));
          const crown = points.filter((p) => Math.abs(normal[2]) < 1e-6 || p[2] > top - NEAR_MM);
          const ts = crown.map(on);
          return [[Math.min(...ts), Math.max(...ts)]];
        }),
      ),
    );
    const [low, high] = length > 0 ? [0, length] : [length, 0];
    return intervals
      .without([[low, high]], intervals.unite(covered, NEAR_MM), NEAR_MM)
      .filter(([a, b]) => {
        // Where another fascia runs past, this one ends on its face.
        const within = [a + FIT_GAP_MM, b - FIT_GAP_MM].map((t) =>
          v3.lerp(edge.from, edge.to, t / length),
        );
        if (fascias.some((other) => within.every((p) => isInside(other, p)))) return false;
        // Where a timber stands in its way, it ends on that.
        const stopped = ends.some((p) => {
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
        text: `${(b - a).toFixed(0)} mm of the eave of "${edge.block}", side ${edge.side}, has no fascia`,
      }));
  });
};
