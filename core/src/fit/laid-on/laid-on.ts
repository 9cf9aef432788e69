import {
  SLACK_MM,
  insideBy,
  planeAt,
  FIT_GAP_MM,
  SAME_WAY_SINE,
  v2,
  v3,
  type Vec3,
} from '../../geom';
import { climbs, type ChalkLine } from '../../roof';
import { inMm, say } from '../../sentence';
import { otherOf, type Touching } from '../contact/contacts';
import { findingOn } from '../finding';
import { firstJack, firstOn, outFrom, type FrameOnSite } from '../frame-on-site';
import { isMember, type Placed } from '../contact/placed';
import type { FitProblem } from '../report';

/** Wood below the sheathing by more than rounding. mm */
const IN_DECK_MM = SLACK_MM.shut;
/** Of a chalk line, what may have no sleeper along it at each end: its two end cuts. mm */
const END_MM = 500;

/** Where a sleeper lies: flat on the sheathing, its outer top edge in the upper slope's plane. */
const sleeperOff = ({ roof, laid }: FrameOnSite, { member, corners }: Placed): number => {
  const upper = roof.slopes.find(({ sides }) => sides.some(({ side }) => side === member.side));
  if (laid === null || upper === undefined) return Infinity;
  const heights = corners.map((p) => planeAt(laid.on.deck, p));
  const flat = Math.abs(Math.min(...heights));
  const thick = Math.abs(Math.max(...heights) - member.stock.thickness);
  const edge = Math.abs(Math.max(...corners.map((p) => planeAt(upper.plane, p))));
  return Math.max(flat, thick, edge);
};

/** Whether a sleeper ends plumb over the wall's line where it should start, and against the ridge, or the other sleeper. */
const endsHold = (
  { laid, members }: FrameOnSite,
  sleeper: Placed,
  { from }: ChalkLine,
  touching: Touching,
): boolean => {
  if (laid === null) return false;
  const { wall } = laid.on;
  const start = Math.min(
    firstJack(members, laid.on),
    Math.max(-outFrom(wall, from), firstOn(members, laid.on)),
  );
  const foot = sleeper.pieces.some(({ faces }) =>
    faces.some(
      ({ plane, points }) =>
        v2.dot(v3.inPlan(plane.normal), wall.inward) < -1 + SAME_WAY_SINE &&
        points.every((p) => Math.abs(-outFrom(wall, p) - start) <= FIT_GAP_MM),
    ),
  );
  const wanted = members.some(({ member }) => member.kind === 'ridge') ? 'ridge' : 'sleeper';
  const head = touching(sleeper).some((contact) => {
    const other = otherOf(contact, sleeper);
    const { normal } = contact.face.plane;
    return (
      isMember(other) &&
      other.member.kind === wanted &&
      Math.abs(v3.dot(normal, sleeper.member.frame.a)) > END
    );
  });
  return foot && head;
};

/** A face nearer to a board's own direction is no end of it, as a sine. */
const END = 0.1;

/** What of a chalk line, over the walls below, a sleeper does not reach along. mm */
const bareOf = (
  { laid, members }: FrameOnSite,
  { from, to }: ChalkLine,
  sleeper: Placed,
): number => {
  const along = v3.unit(v3.sub(to, from));
  const ts = sleeper.corners.map((p) => v3.dot(v3.sub(p, from), along));
  const wall = laid?.on.wall;
  const out =
    laid === null || wall === undefined
      ? 0
      : Math.max(0, outFrom(wall, from) + firstOn(members, laid.on));
  const rate = wall === undefined ? 1 : v2.dot(v3.inPlan(along), wall.inward);
  const start = out / rate;
  return (
    Math.max(0, Math.min(...ts) - start) + Math.max(0, v3.distance(from, to) - Math.max(...ts))
  );
};

/** How what is laid on another roof lies there: nothing in its sheathing, each foot flat on it or on its sleeper. */
export const checkLaidOn = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  const { laid, job, members } = site;
  if (laid === null) return [];
  const { deck, chalk } = laid.on;
  const within = members.flatMap((placed): FitProblem[] => {
    const mm = -Math.min(...placed.corners.map((p) => planeAt(deck, p)));
    // Outside the lower roof a plate and what is on it may hang lower than that roof carried on.
    const over = placed.corners.some((p) => planeAt(deck, p) < -IN_DECK_MM && overSlope(site, p));
    return mm > IN_DECK_MM && over
      ? [
          findingOn(
            placed,
            'overlap',
            mm,
            say`${placed.mark} stands ${inMm(mm, 1)} deep in the roof it is laid on`,
          ),
        ]
      : [];
  });
  const feet = members.flatMap((jack): FitProblem[] => {
    if (jack.member.kind !== 'valley-jack') return [];
    const wanted = job.timber.sleeper === undefined ? 'the sheathing' : 'its ‹sleeper›';
    const flat = touching(jack).some((contact) => {
      const other = otherOf(contact, jack);
      const down = Math.abs(v3.dot(contact.face.plane.normal, deck.normal)) > 1 - SAME_WAY_SINE;
      return (
        down &&
        (job.timber.sleeper === undefined
          ? !isMember(other)
          : isMember(other) && other.member.kind === 'sleeper')
      );
    });
    return flat
      ? []
      : [findingOn(jack, 'gap', 0, say`the foot of ${jack.mark} does not lie flat on ${wanted}`)];
  });
  if (job.timber.sleeper === undefined) return [...within, ...feet];
  const sleepers = members.filter(({ member }) => member.kind === 'sleeper');
  const off = sleepers.flatMap((sleeper): FitProblem[] => {
    const mm = sleeperOff(site, sleeper);
    const line = chalk.find(({ side }) => side === sleeper.member.side);
    return mm <= FIT_GAP_MM && line !== undefined && endsHold(site, sleeper, line, touching)
      ? []
      : [
          findingOn(
            sleeper,
            'misplaced',
            mm,
            say`${sleeper.mark} lies ${inMm(mm, 1)} off its place inside the chalk line`,
          ),
        ];
  });
  const bare = chalk.filter(climbs).flatMap((line): FitProblem[] => {
    const { side, from, to } = line;
    const own = sleepers.filter(({ member }) => member.side === side);
    const mm = Math.min(v3.distance(from, to), ...own.map((one) => bareOf(site, line, one)));
    return mm <= END_MM
      ? []
      : [
          {
            members: ['sleeper', 'roof'],
            ids: [],
            kind: 'missing',
            mm,
            at: v3.lerp(from, to, 0.5),
            text: say`${inMm(mm)} of a chalk line of "${laid.on.block}" has no ‹sleeper› along it`,
          },
        ];
  });
  return [...within, ...feet, ...off, ...bare];
};

/** Whether a point lies over the slope that a roof is laid on. */
const overSlope = ({ laid }: FrameOnSite, [x, y]: Vec3): boolean =>
  (laid?.below.slopes[laid.on.slope]?.pieces ?? []).some(
    ({ polygon }) => insideBy(polygon.points, [x, y]) > 0,
  );
