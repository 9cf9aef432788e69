import {
  SLACK_MM,
  SLACK_SINE,
  BoxIndex,
  boxRound,
  FIT_GAP_MM,
  intervals,
  lineCrossing,
  planeAt,
  v2,
  v3,
  type Box,
  type Interval,
  type Vec2,
  type Vec3,
  ALONGSIDE_SINE,
  SAME_WAY_SINE,
} from '../../geom';
import { inMm, say } from '../../sentence';
import type { Roof, RoofBorder, SideLine } from '../../roof';
import type { Touching } from '../contact/contacts';
import { liesIn, middleOfPoints, type FrameOnSite } from '../frame-on-site';
import { isMember, type Placed, type PlacedFace } from '../contact/placed';
import { findingOn } from '../finding';
import type { FitProblem } from '../report';

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

/** Two ends of fascias that lie this near are one mitre, in thicknesses. */
const ONE_MITRE = 1;

interface FasciaEnd {
  readonly fascia: Placed;
  readonly points: readonly Vec3[];
  readonly middle: Vec3;
  readonly box: Box;
}

const endsOfFascia = (fascia: Placed): FasciaEnd[] => {
  const { a } = fascia.member.frame;
  const faces = fascia.pieces.flatMap((piece) => piece.faces);
  return [1, -1].flatMap((way): FasciaEnd[] => {
    const points = faces
      .filter(({ plane }) => v3.dot(plane.normal, a) * way > END)
      .flatMap((face) => face.points);
    return points.length === 0
      ? []
      : [{ fascia, points, middle: middleOfPoints(points), box: boxRound(points) }];
  });
};

/**
 * How far two ends lie from each other: by their nearest corners along one part's walls, where fascias that lean unlike
 * share no more than those; by their middles between parts, whose ends may pass each other. mm
 */
const endsApart = (one: FasciaEnd, other: FasciaEnd): number =>
  one.fascia.member.block === other.fascia.member.block
    ? Math.min(...one.points.flatMap((p) => other.points.map((q) => v3.distance(p, q))))
    : v3.distance(one.middle, other.middle);

/** Fascias that end in one corner and do not lie against each other there: one is sawn to the other hand. */
export const openMitres = ({ members }: FrameOnSite, touching: Touching): FitProblem[] => {
  const ends = members
    .filter(({ member }) => member.kind === 'fascia')
    .flatMap((fascia) => endsOfFascia(fascia))
    .map((end, order) => ({ ...end, order }));
  const index = new BoxIndex(ends, ({ box }) => box);
  const isEnd = (of: Placed, face: PlacedFace): boolean =>
    Math.abs(v3.dot(face.plane.normal, of.member.frame.a)) > END;
  const meet = (one: Placed, other: Placed): boolean =>
    touching(one).some((contact) => {
      const [own, its] =
        contact.one === one ? [contact.face, contact.otherFace] : [contact.otherFace, contact.face];
      const met = contact.one === one ? contact.other : contact.one;
      return met === other && isEnd(one, own) && isEnd(other, its);
    });
  return ends.flatMap((one) => {
    const { thickness } = one.fascia.member.stock;
    return index.near(one.box, ONE_MITRE * thickness).flatMap((other): FitProblem[] => {
      if (other.order <= one.order || one.fascia === other.fascia) return [];
      const apart = endsApart(one, other);
      if (apart > ONE_MITRE * thickness) return [];
      if (meet(one.fascia, other.fascia)) return [];
      const marks = [one.fascia.mark, other.fascia.mark] as const;
      return [
        {
          members: marks,
          ids: [one.fascia.member.id, other.fascia.member.id],
          kind: 'gap',
          mm: apart,
          at: one.middle,
          text: say`the mitre of ${marks[0]} and ${marks[1]} stands open`,
        },
      ];
    });
  });
};

/** A mitre off the middle between its two fascias by more than this, as a sine, opens: a millimetre over its depth. */
const OFF_MIDDLE = SLACK_SINE.side / 5;

/** Mitres sawn off the middle between the two boards: their backs meet and their fronts do not, or one oversails the other. */
export const skewMitres = ({ members }: FrameOnSite, touching: Touching): FitProblem[] =>
  members
    .filter(({ member }) => member.kind === 'fascia')
    .flatMap((fascia) =>
      touching(fascia).flatMap((contact): FitProblem[] => {
        const { other, face } = contact;
        if (contact.one !== fascia || !isMember(other) || other.member.kind !== 'fascia') return [];
        if (other.member.block !== fascia.member.block) return [];
        const [a, b] = [fascia.member.frame, other.member.frame];
        const isEnd = [a, b].every((frame) => Math.abs(v3.dot(face.plane.normal, frame.a)) > END);
        const middle = v3.sub(a.s, b.s);
        if (!isEnd || v3.length(middle) < END) return [];
        const off = v3.length(v3.cross(face.plane.normal, v3.unit(middle)));
        const corner = Math.abs(v3.dot(a.a, b.a)) < 1 - END;
        // Eaves that fall unlike pass each other at the corner.
        const [top, next] = [fascia, other].map(({ corners }) =>
          Math.max(...corners.map(([, , z]) => z)),
        );
        const level = Math.abs((top ?? 0) - (next ?? 0)) < NEAR_MM;
        return off <= OFF_MIDDLE || !corner || !level
          ? []
          : [
              findingOn(
                fascia,
                'gap',
                off * fascia.member.stock.depth,
                say`the mitre of ${fascia.mark} and ${other.mark} is not sawn midway between them`,
              ),
            ];
      }),
    );

/** A face that leans out of plumb by more than this, as a sine, and out of square by as much as a cosine. */
const LEANS = SLACK_SINE.along;

/** Fascias of which a leaning end lies neither against a timber nor in a slope: one is sawn to the other hand. */
export const leaningEnds = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  const { roof, laid, members } = site;
  const planes = [
    ...roof.slopes.map(({ plane }) => plane),
    ...(laid === null ? [] : [laid.on.deck]),
  ];
  return members
    .filter(({ member }) => member.kind === 'fascia')
    .flatMap((fascia) => {
      const { a } = fascia.member.frame;
      const loose = fascia.pieces
        .flatMap(({ faces }) => faces)
        .filter(({ plane: { normal }, points }) => {
          const along = Math.abs(v3.dot(normal, a));
          const leans = Math.abs(normal[2]) > LEANS && along > END && along < 1 - LEANS;
          return leans && !planes.some((plane) => liesIn(points, plane, FIT_GAP_MM));
        })
        .filter(
          (face) =>
            !touching(fascia).some(
              (contact) => contact.face === face || contact.otherFace === face,
            ),
        );
      const [first] = loose;
      return first === undefined
        ? []
        : [
            {
              members: [fascia.mark, 'roof'] as const,
              ids: [fascia.member.id],
              kind: 'gap' as const,
              mm: 0,
              at: middleOfPoints(first.points),
              text: say`an end of ${fascia.mark} leans against nothing, and lies in no slope`,
            },
          ];
    });
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

/** Every eave has its fascia all along, its back on the tails' line. */
export const bareEaves = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  const { job, roof, members } = site;
  if (job.timber.fascia === undefined) return [];
  const fascias = members.filter(({ member }) => member.kind === 'fascia');
  const ends = new Map(fascias.map((fascia) => [fascia, stops(site, fascia, touching)]));
  /** How far along itself each fascia is wanted, eave by eave. */
  const wanted = new Map<Placed, Interval[]>();
  const bare = roof.edges.flatMap((edge): FitProblem[] => {
    if (!('side' in edge) || (edge.kind !== 'eave' && edge.kind !== 'step')) return [];
    const side = roof.blocks.find(({ id }) => id === edge.block)?.sides[edge.side];
    const slope = roof.slopes[edge.slope];
    const own = slope?.sides.some(({ block, side: i }) => block === edge.block && i === edge.side);
    if (side === undefined || slope === undefined || own !== true) return [];
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
