import {
  SLACK_MM,
  SLACK_SINE,
  area2,
  commonConvex,
  FIT_GAP_MM,
  planeAt,
  v2,
  v3,
  type Vec2,
  type Vec3,
} from '../../geom';
import { isPost, isPurlin, isRafter, KINDS } from '../../kinds';
import { inMm, plainly, say, type Sentence } from '../../sentence';
import { otherOf, touches, type Contact, type Touching } from '../contact/contacts';
import { atGable, contactsByFace, isTail, sawnFaces, type TimberEnd } from './ends';
import { middleOfPoints, type FrameOnSite } from '../frame-on-site';
import { lineUnder, purlinLies } from './in-place';
import { isMember, isPlate, type Body, type Placed, type PlacedFace } from '../contact/placed';
import type { FitProblem, SeatBearing } from '../report';

const onHighWall = (body: Body): boolean => isPlate(body) && body.plate.line.roof === 'high';

/** An end bears by at least this share of its sawn face: less is an edge. */
const LEAST_SHARE = 0.15;
/** A face is held against another that lies before at least this share of it. */
const FACES_SHARE = 0.2;
/** Fascias that lean by unlike pitches share little of their mitre. */
const MITRE_SHARE = 0.02;
/** A seat with less than this on its plate has no bearing. mm² */
const LEAST_SEAT_MM2 = 100;

/** A seat over its plate by more than this must come down on it, whether or not it bears there. mm² */
const LEAST_OVER_MM2 = 5;

type Touch = { readonly contact: Contact; readonly other: Body; readonly face: PlacedFace };

/** What only hangs on tails or stands between rafters carries none of them. */
const carriesNone = (body: Body): boolean =>
  isMember(body) && (body.member.kind === 'fascia' || body.member.kind === 'blocking');

/** A fascia's mitre meets the next fascia; what lies beside it, a tail's cheek along a valley, is not meant to. */
const isFasciaEnd = ({ other, face }: Touch): boolean =>
  isMember(other) &&
  other.member.kind === 'fascia' &&
  Math.abs(v3.dot(face.plane.normal, other.member.frame.a)) > FASCIA_END;

/** A face nearer to a fascia's own direction is its back or its edge, as a sine. */
const FASCIA_END = SLACK_SINE.side;

const nameOf = (body: Body): string | Sentence =>
  isMember(body) ? body.mark : isPlate(body) ? plainly('the ‹plate›') : 'the wall';

const cutName = ({ tag }: PlacedFace): string =>
  tag !== null && typeof tag === 'object' && 'name' in tag ? tag.name : 'sawn end';

/** A sawn face that stands off what lies before it. */
const standsOff = (placed: Placed, face: PlacedFace, touch: Touch): FitProblem => {
  const { contact, other } = touch;
  const mm = contact.gapMm;
  return {
    members: [placed.mark, isMember(other) ? other.mark : isPlate(other) ? 'plate' : 'wall'],
    ids: [placed.member.id, ...(isMember(other) ? [other.member.id] : [])],
    kind: 'gap',
    mm,
    at: middleOfPoints(contact.points),
    text: say`the ${cutName(face)} of ${placed.mark} stands ${inMm(mm, 1)} off ${nameOf(other)}`,
  };
};

/** A seat that lies lower than the plate it is on. */
const standsIn = ({ mark, member }: Placed, { contact }: Touch): FitProblem => ({
  members: [mark, 'plate'],
  ids: [member.id],
  kind: 'overlap',
  mm: -contact.gapMm,
  at: middleOfPoints(contact.points),
  text: say`the seat of ${mark} stands ${inMm(-contact.gapMm, 1)} deep in the ‹plate›`,
});

/** Of what a face nearly touches, the nearest, where it touches nothing; null where it bears or faces nothing. */
const nearMiss = (found: readonly Touch[], least: number): Touch | null => {
  if (found.some(({ contact }) => touches(contact))) return null;
  const before = found.filter(({ contact: { gapMm, areaMm2 } }) => gapMm > 0 && areaMm2 > least);
  return before.reduce<Touch | null>(
    (p, q) => (p === null || q.contact.gapMm < p.contact.gapMm ? q : p),
    null,
  );
};

/** The least width of contact areas along a timber, over three lines along it: near each face and in the middle. mm */
const leastWidth = ({ member }: Placed, areas: readonly (readonly Vec3[])[]): number => {
  const along = v2.unit(v3.inPlan(member.frame.a));
  const aside = v2.left(along);
  const origin = v3.inPlan(member.frame.origin);
  const half = 0.45 * member.stock.thickness;
  const local = areas.map((points) =>
    points.map((p): Vec2 => {
      const from = v2.sub(v3.inPlan(p), origin);
      return [v2.dot(from, along), v2.dot(from, aside)];
    }),
  );
  const widthAt = (s: number): number =>
    local.reduce((sum, outline) => {
      const loop = area2(outline) < 0 ? [...outline].reverse() : outline;
      const far = 1e6;
      const line: Vec2[] = [
        [-far, s - 0.5],
        [far, s - 0.5],
        [far, s + 0.5],
        [-far, s + 0.5],
      ];
      return sum + Math.max(0, area2(commonConvex(loop, line)));
    }, 0);
  return Math.min(...[-half, 0, half].map(widthAt));
};

const loose = (placed: Placed, end: TimberEnd, share: number): FitProblem => {
  const which = end.upper ? 'upper' : 'lower';
  return {
    members: [placed.mark, 'nothing'],
    ids: [placed.member.id],
    kind: 'loose',
    at: middleOfPoints(end.faces.flatMap(({ points }) => points)),
    text:
      share > 0
        ? say`the ${which} end of ${placed.mark} bears by ${Math.round(share * 100)} % of its cut only`
        : say`the ${which} end of ${placed.mark} bears on nothing`,
  };
};

/** What runs nearer to a broken hip's own direction, as a sine, does not come against its side. */
const ACROSS_HIP = SLACK_SINE.across;
/** Others come against a broken hip this near its foot, in depths of it. */
const FOOT_DEPTHS = 2;

/** What comes against a timber near one of its ends. */
const beside = (placed: Placed, end: TimberEnd, touching: Touching): Placed[] => {
  const { frame, stock } = placed.member;
  const tip = v3.dot(middleOfPoints(end.faces.flatMap(({ points }) => points)), frame.a);
  const found = touching(placed).flatMap((contact): Body[] => {
    const near = contact.points.some(
      (p) => Math.abs(v3.dot(p, frame.a) - tip) < FOOT_DEPTHS * stock.depth,
    );
    return near ? [otherOf(contact, placed)] : [];
  });
  return [...new Set(found.filter(isMember))];
};

/** An end this near a point of the roof, square to its cut, stands on it. mm */
const ON_POINT_MM = SLACK_MM.shut;

/**
 * The first timber at a peak: it ends on the point itself, and the others come against its faces there, so that all
 * hold each other.
 */
const isFirstAtPeak = (
  { roof }: FrameOnSite,
  placed: Placed,
  end: TimberEnd,
  touching: Touching,
): boolean => {
  if (!end.upper || placed.member.kind === 'ridge') return false;
  const onPoint = roof.lines.some(({ to: [x, y] }) =>
    end.faces.some(({ plane, points }) => {
      const z = points[0]?.[2] ?? 0;
      return (
        Math.abs(planeAt(plane, [x, y, z])) < ON_POINT_MM &&
        Math.hypot((points[0]?.[0] ?? 0) - x, (points[0]?.[1] ?? 0) - y) < placed.member.stock.depth
      );
    }),
  );
  return onPoint && beside(placed, end, touching).length >= 2;
};

/**
 * The foot of a hip that breaks to a lower ridge: over no wall, with that ridge come against its side and the valley
 * against one of the two. What carries the three is for an engineer; the list says so.
 */
const isBroken = (
  site: FrameOnSite,
  placed: Placed,
  end: TimberEnd,
  touching: Touching,
): boolean => {
  const { kind, frame, stock } = placed.member;
  if (kind !== 'hip' || end.upper) return false;
  const line = lineUnder(site, placed);
  if (line === null) return false;
  const others = beside(placed, end, touching).filter(
    ({ member }) => member.kind !== 'hip-jack' && !isPost(member),
  );
  const heading = v2.unit(v3.inPlan(frame.a));
  const half = stock.thickness / 2;
  const tip = v3.inPlan(middleOfPoints(end.faces.flatMap(({ points }) => points)));
  const past = v2.dot(v2.sub(v3.inPlan(line.from), tip), heading);
  // It runs on past the point so far that what comes against it bears with its whole end.
  const needed = others.map(({ member }) => {
    const own = v2.unit(v3.inPlan(member.frame.a));
    const sine = Math.abs(v2.cross(own, heading));
    const cosine = Math.abs(v2.dot(own, heading));
    const bears = member.kind === 'ridge' || member.kind === 'valley';
    return bears && sine > ACROSS_HIP ? (member.stock.thickness / 2 + half * cosine) / sine : 0;
  });
  if (past < Math.max(0, ...needed) - ON_POINT_MM) return false;
  const kinds = others.map(({ member }) => member.kind);
  return kinds.includes('ridge');
};

/**
 * The upper end of a stud notched round the rafter beside it: free, in a slope, over the notch that comes up under that
 * rafter.
 */
const runsBeside = (
  { roof }: FrameOnSite,
  { member, pieces }: Placed,
  end: TimberEnd,
  at: (face: PlacedFace) => readonly Touch[],
): boolean => {
  if (!isPost(member) || !end.upper) return false;
  const inSlope = end.faces.every(({ points }) =>
    roof.slopes.some(({ plane }) => points.every((p) => Math.abs(planeAt(plane, p)) < FIT_GAP_MM)),
  );
  const touching = pieces.flatMap(({ faces }) => faces.flatMap(at));
  const under = touching.some(
    ({ contact, other, face }) =>
      isMember(other) &&
      isRafter(other.member) &&
      Math.abs(face.plane.normal[2]) > UNDER &&
      contact.areaMm2 >= LEAST_SEAT_MM2,
  );
  return inSlope && under;
};

/** A face that turns up or down by more than this, as a cosine, can be borne under. */
const UNDER = 0.1;

export interface Bearings {
  readonly joints: number;
  readonly worstGapMm: number;
  readonly seats: readonly SeatBearing[];
  readonly problems: readonly FitProblem[];
}

/** What every timber's ends and seats bear on. */
export const bearingsOf = (
  site: FrameOnSite,
  contacts: readonly Contact[],
  touching: Touching,
): Bearings => {
  const byFace = contactsByFace(contacts);
  const problems: FitProblem[] = [];
  const seats: SeatBearing[] = [];
  let joints = 0;
  let worstGapMm = 0;
  const at = (face: PlacedFace): readonly Touch[] => byFace.get(face) ?? [];
  const bears = (face: PlacedFace): boolean =>
    at(face).some(({ contact, other }) => touches(contact) && !carriesNone(other));
  const off = (
    placed: Placed,
    face: PlacedFace,
    among: readonly Touch[],
    least: number,
  ): boolean => {
    const miss = nearMiss(among, least);
    if (miss === null) return false;
    joints += 1;
    worstGapMm = Math.max(worstGapMm, miss.contact.gapMm);
    problems.push(standsOff(placed, face, miss));
    return true;
  };
  for (const placed of site.members) {
    const { member, mark } = placed;
    const { bears: bearing } = KINDS[member.kind];
    if (isPurlin(member) ? purlinLies(site, placed) !== null : bearing === 'lain') continue;
    const sawn = sawnFaces(site, placed);
    let missed = false;
    const seated: Touch[] = [];
    for (const face of sawn.seats) {
      const onPlates = at(face).filter(({ other }) => isPlate(other));
      // Notched over a purlin or a ledger, it must come down on that too.
      const onPurlins = at(face).filter(
        ({ other }) =>
          isMember(other) && (isPurlin(other.member) || other.member.kind === 'ledger'),
      );
      if (off(placed, face, onPurlins, LEAST_OVER_MM2)) missed = true;
      const touching = onPlates.filter(({ contact }) => touches(contact));
      seated.push(...touching);
      for (const { contact } of touching) {
        joints += 1;
        worstGapMm = Math.max(worstGapMm, Math.abs(contact.gapMm));
      }
      const sunk = onPlates.find(({ contact: { gapMm } }) => gapMm < -FIT_GAP_MM);
      if (sunk !== undefined) problems.push(standsIn(placed, sunk));
      if (off(placed, face, onPlates, LEAST_OVER_MM2)) missed = true;
    }
    // Under one slope over two walls, each end has its own.
    const [isSeated, isSeatedHigh] = [false, true].map((high) => {
      const own = seated.filter(({ other }) => onHighWall(other) === high);
      const areaMm2 = own.reduce((sum, { contact }) => sum + contact.areaMm2, 0);
      if (areaMm2 < LEAST_SEAT_MM2) return false;
      // A stud stands on its whole end: no seat to be sized.
      if (isPost(member)) return true;
      const areas = own.map(({ contact }) => contact.points);
      seats.push({ id: member.id, mark, areaMm2, widthMm: leastWidth(placed, areas) });
      return true;
    });
    for (const end of sawn.ends) {
      let share = 0;
      for (const face of end.faces) {
        let borne = 0;
        for (const { contact, other } of at(face)) {
          if (!touches(contact)) continue;
          joints += 1;
          worstGapMm = Math.max(worstGapMm, Math.abs(contact.gapMm));
          if (!carriesNone(other)) borne += contact.areaMm2;
        }
        share = Math.max(share, borne / face.areaMm2);
        const least = (member.kind === 'fascia' ? MITRE_SHARE : FACES_SHARE) * face.areaMm2;
        const before =
          member.kind === 'fascia' ? at(face) : at(face).filter((touch) => !isFasciaEnd(touch));
        if (!atGable(site, member, face) && off(placed, face, before, least)) missed = true;
      }
      if (bearing === 'along' || missed) continue;
      if (bearing === 'ground' && !end.upper) continue;
      if (share >= LEAST_SHARE) continue;
      if (end.faces.length > 0 && end.faces.some((face) => atGable(site, member, face))) continue;
      if (
        ((end.upper ? isSeatedHigh : isSeated) || bearing === 'upper') &&
        (end.faces.length === 0 || isTail(site, end.faces, member, bears))
      )
        continue;
      if (runsBeside(site, placed, end, at)) continue;
      if (isBroken(site, placed, end, touching) || isFirstAtPeak(site, placed, end, touching))
        continue;
      problems.push(loose(placed, end, share));
    }
  }
  return { joints, worstGapMm, seats, problems };
};
