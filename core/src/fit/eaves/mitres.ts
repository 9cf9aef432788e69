import {
  SLACK_MM,
  SLACK_SINE,
  BoxIndex,
  boxRound,
  FIT_GAP_MM,
  v3,
  type Box,
  type Vec3,
} from '../../geom';
import { say } from '../../sentence';
import type { Touching } from '../contact/contacts';
import { liesIn, middleOfPoints, type FrameOnSite } from '../frame-on-site';
import { isMember, type Placed, type PlacedFace } from '../contact/placed';
import { findingOn } from '../finding';
import type { FitProblem } from '../report';

/** A face nearer to a board's own direction is no end of it, as a sine. */
const END = SLACK_SINE.side;
/** Tops of fascias that part by less come to one corner. mm */
const LEVEL_MM = SLACK_MM.nothing;

/** Two ends of fascias that lie this near are one mitre, in thicknesses. */
const ONE_MITRE = 1;

interface FasciaEnd {
  readonly fascia: Placed;
  readonly points: readonly Vec3[];
  readonly middle: Vec3;
  readonly box: Box;
}

export const endsOfFascia = (fascia: Placed): FasciaEnd[] => {
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
        const level = Math.abs((top ?? 0) - (next ?? 0)) < LEVEL_MM;
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
