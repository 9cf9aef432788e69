import { SLACK_SINE, FIT_GAP_MM, planeAt, SAME_WAY_SINE, v2, v3, type Vec3 } from '../../geom';
import type { Job } from '../../job';
import { isRafter } from '../../kinds';
import { inMm, say } from '../../sentence';
import { otherOf, type Touching } from '../contact/contacts';
import { findingOn } from '../finding';
import { liesIn, middleOf, outFrom, type FrameOnSite } from '../frame-on-site';
import { slopeOf } from '../roof/layout';
import { isEavePlate, isMember, type Body, type Placed, type PlacedFace } from '../contact/placed';
import type { FitProblem } from '../report';
import { bottomOf } from './tie-height';
import { joistsApart } from './joists';
import { isShortJoist } from './short-joists';
import { opposites, untied, type Spare, type TieKind } from './untied';

/** A tie lies on a rafter, and on a plate, by at least this much. mm² */
const LEAST_LAP_MM2 = 500;
/** A face nearer than this to a tie's own direction is a side or an edge of it, as a sine. */
const ALONG = SLACK_SINE.side;
/** What a tie touches with faces square to an axis of its own, by the end it is nearer to. */
const touched = (
  tie: Placed,
  touching: Touching,
  axis: Vec3,
): readonly { readonly other: Body; readonly upper: boolean; readonly areaMm2: number }[] => {
  const middle = v3.dot(middleOf(tie), tie.member.frame.a);
  return touching(tie).flatMap((contact) => {
    if (Math.abs(v3.dot(contact.face.plane.normal, axis)) < 1 - SAME_WAY_SINE) return [];
    const other = otherOf(contact, tie);
    const at =
      contact.points.reduce((sum, p) => sum + v3.dot(p, tie.member.frame.a), 0) /
      contact.points.length;
    return [{ other, upper: at > middle, areaMm2: contact.areaMm2 }];
  });
};

/** The two rafters that a tie lies flat on, lower end first; null at an end that lies on none. */
const rafterAt = (tie: Placed, touching: Touching): readonly [Placed | null, Placed | null] => {
  const found = touched(tie, touching, tie.member.frame.s).filter(
    ({ other, areaMm2 }) => isMember(other) && isRafter(other.member) && areaMm2 >= LEAST_LAP_MM2,
  );
  const of = (upper: boolean): Placed | null => {
    const one = found.find((touch) => touch.upper === upper)?.other;
    return one !== undefined && isMember(one) ? one : null;
  };
  return [of(false), of(true)];
};

/** Of ties of one kind, those whose rafters all have another: of a pair that has two, one is another pair's. */
const spareOf = (ties: readonly Placed[], touching: Touching): Spare => {
  const onRafters = new Map(
    ties.map((tie) => [
      tie,
      touched(tie, touching, tie.member.frame.s).flatMap(({ other, areaMm2 }) =>
        isMember(other) && isRafter(other.member) && areaMm2 >= LEAST_LAP_MM2 ? [other] : [],
      ),
    ]),
  );
  const others = (tie: Placed, rafter: Placed): boolean =>
    ties.some((one) => one !== tie && onRafters.get(one)?.includes(rafter) === true);
  return new Set(
    ties.filter((tie) => {
      const own = onRafters.get(tie) ?? [];
      return own.length > 0 && own.every((rafter) => others(tie, rafter));
    }),
  );
};

const endFaces = (tie: Placed, upper: boolean): PlacedFace[] =>
  tie.pieces.flatMap(({ faces }) =>
    faces.filter(
      ({ plane }) => v3.dot(plane.normal, tie.member.frame.a) * (upper ? 1 : -1) > ALONG,
    ),
  );

const bottomCorners = ({ corners, member: { frame } }: Placed): Vec3[] => {
  const low = Math.min(...corners.map((p) => v3.dot(p, frame.e)));
  return corners.filter((p) => v3.dot(p, frame.e) < low + FIT_GAP_MM);
};

const offHeight = (tie: Placed, wanted: number): FitProblem[] => {
  const mm = Math.max(...bottomCorners(tie).map((p) => Math.abs(p[2] - wanted)));
  return mm <= FIT_GAP_MM
    ? []
    : [
        findingOn(
          tie,
          'misplaced',
          mm,
          say`the bottom of ${tie.mark} stands ${inMm(mm, 1)} off its height`,
        ),
      ];
};

/** A collar tie's ends lie under the slopes of its rafters, held off them as the crew has it; so does its height. */
const collarLies = (
  site: FrameOnSite,
  tie: Placed,
  rafters: readonly [Placed, Placed],
  { hold }: NonNullable<Job['collarTies']>,
): FitProblem[] => {
  const [one, other] = rafters.map((rafter) => slopeOf(site, rafter));
  if (one == null || other == null) return [];
  const off = [one, other].flatMap((slope, upper) => {
    const faces = endFaces(tie, upper === 1);
    const plane = { ...slope.plane, offset: slope.plane.offset - hold };
    return faces.length > 0 && faces.every(({ points }) => liesIn(points, plane, FIT_GAP_MM))
      ? []
      : [Math.max(0, ...faces.flatMap(({ points }) => points.map((p) => planeAt(plane, p))))];
  });
  const ends = off.map((mm) =>
    findingOn(
      tie,
      'misplaced',
      mm,
      say`an end of ${tie.mark} does not follow the slope it is held off`,
    ),
  );
  const wanted = bottomOf(site, tie, one, other);
  return wanted === undefined ? ends : [...ends, ...offHeight(tie, wanted)];
};

/** How far a lapped tie's inner end stands off where it should: past the middle between two walls by the lap. mm */
const offLap = (
  { roof }: FrameOnSite,
  outer: readonly PlacedFace[],
  inner: PlacedFace,
  lap: number,
): number => {
  const sides = roof.blocks.flatMap((block) => block.sides);
  const offs = sides
    .filter((side) =>
      outer.some(({ points }) => points.every((p) => Math.abs(outFrom(side, p)) <= FIT_GAP_MM)),
    )
    .flatMap((side) =>
      sides
        .filter(({ inward }) => v2.dot(inward, side.inward) < -1 + SAME_WAY_SINE)
        .map((far) => v2.dot(v2.sub(far.start, side.start), side.inward))
        .filter((span) => span > 0)
        .map((span) =>
          Math.max(...inner.points.map((p) => Math.abs(-outFrom(side, p) - span / 2 - lap))),
        ),
    );
  return Math.min(Infinity, ...offs);
};

/** The inner end of a tie that is lapped over a wall: plumb, square across, past the middle by the lap. */
const lapLies = (site: FrameOnSite, tie: Placed, upper: boolean, lap: number): FitProblem[] => {
  const mm = Math.max(
    ...endFaces(tie, upper).map((face) => offLap(site, endFaces(tie, !upper), face, lap)),
  );
  return mm <= FIT_GAP_MM
    ? []
    : [findingOn(tie, 'misplaced', mm, say`${tie.mark} does not run past the middle by its lap`)];
};

/** A rafter tie lies on a plate at both ends, or at one where it is lapped, and reaches to the outside faces of their walls. */
const rafterTieLies = (
  site: FrameOnSite,
  tie: Placed,
  touching: Touching,
  lap: number | undefined,
): FitProblem[] => {
  const { roof } = site;
  const lain = touched(tie, touching, tie.member.frame.e).filter(
    ({ other, areaMm2 }) => isEavePlate(other) && areaMm2 >= LEAST_LAP_MM2,
  );
  return [false, true].flatMap((upper): FitProblem[] => {
    const lies = lain.some((touch) => touch.upper === upper);
    if (!lies && lap !== undefined && lain.length > 0) return lapLies(site, tie, upper, lap);
    if (!lies) return [findingOn(tie, 'loose', 0, say`an end of ${tie.mark} lies on no ‹plate›`)];
    const faces = endFaces(tie, upper);
    const atWall = faces.some(({ points }) =>
      roof.blocks.some(({ sides }) =>
        sides.some((side) => points.every((p) => Math.abs(outFrom(side, p)) <= FIT_GAP_MM)),
      ),
    );
    const clipped = faces.every(
      ({ points, plane }) =>
        Math.abs(plane.normal[2]) < ALONG ||
        roof.slopes.some((slope) => liesIn(points, slope.plane, FIT_GAP_MM)),
    );
    return atWall && clipped
      ? []
      : [
          findingOn(
            tie,
            'misplaced',
            0,
            say`an end of ${tie.mark} does not come to the outside of its wall, or stands through the slope`,
          ),
        ];
  });
};

/** How the ties lie, and which pairs of rafters want one and have none. */
export const checkTies = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  const { collarTies, rafterTies } = site.job;
  const problems: FitProblem[] = [];
  const tied: Readonly<Record<TieKind, Set<Placed>>> = {
    'collar-tie': new Set(),
    'rafter-tie': new Set(),
  };
  for (const tie of site.members) {
    const { kind } = tie.member;
    if (kind !== 'collar-tie' && kind !== 'rafter-tie') continue;
    if (isShortJoist(tie, touching)) continue;
    const [one, other] = rafterAt(tie, touching);
    if (kind === 'rafter-tie' && rafterTies !== undefined) {
      const { lap, spacing } = rafterTies;
      const own = [one, other].filter((rafter) => rafter !== null);
      if (spacing === undefined && own.length < (lap === undefined ? 2 : 1))
        problems.push(
          findingOn(tie, 'loose', 0, say`${tie.mark} does not lie flat on its rafters`),
        );
      for (const rafter of own) tied[kind].add(rafter);
      problems.push(...rafterTieLies(site, tie, touching, lap));
      continue;
    }
    if (one === null || other === null) {
      problems.push(
        findingOn(tie, 'loose', 0, say`${tie.mark} does not lie flat on a rafter at each end`),
      );
      continue;
    }
    tied[kind].add(one).add(other);
    if (collarTies !== undefined) problems.push(...collarLies(site, tie, [one, other], collarTies));
  }
  const spare = (kind: TieKind): Spare =>
    spareOf(
      site.members.filter(({ member }) => member.kind === kind),
      touching,
    );
  const opposite = collarTies === undefined && rafterTies === undefined ? [] : opposites(site);
  if (collarTies !== undefined)
    problems.push(
      ...untied(
        site,
        opposite,
        'collar-tie',
        collarTies.every,
        tied['collar-tie'],
        touching,
        spare('collar-tie'),
      ),
    );
  if (rafterTies?.spacing !== undefined)
    problems.push(...joistsApart(site, opposite, rafterTies.spacing, touching));
  else if (rafterTies !== undefined)
    problems.push(
      ...untied(
        site,
        opposite,
        'rafter-tie',
        rafterTies.every,
        tied['rafter-tie'],
        touching,
        rafterTies.lap === undefined ? spare('rafter-tie') : new Set(),
      ),
    );
  return problems;
};
