import {
  box,
  clipSolid,
  FIT_GAP_MM,
  FIT_OVERLAP_MM3,
  planeAt,
  v2,
  v3,
  volume,
  type ConvexSolid,
  type Vec3,
} from '../geom';
import type { Job } from '../job';
import { isRafter, isTie } from '../kinds';
import { heightAt, type Slope } from '../roof';
import { inMm, say } from '../sentence';
import type { Touching } from './contacts';
import { liesIn, middleOf, outFrom, type FrameOnSite } from './frame-on-site';
import { slopeOf } from './layout';
import { isMember, type Body, type Placed, type PlacedFace, type PlacedPlate } from './placed';
import type { FitProblem } from './report';

/** A tie lies on a rafter, and on a plate, by at least this much. mm² */
const LEAST_LAP_MM2 = 500;
/** A face nearer than this to a tie's own direction is a side or an edge of it, as a sine. */
const ALONG = 0.03;
/** Rafters whose middle planes are this near lean against each other. mm */
const OPPOSITE_MM = 0.1;
/** Headings this near to opposite are, as a cosine. */
const FACING = -1 + 1e-6;

const isPlate = (body: Body): body is PlacedPlate => 'plate' in body;

/** What a tie touches with faces square to an axis of its own, by the end it is nearer to. */
const touched = (
  tie: Placed,
  touching: Touching,
  axis: Vec3,
): readonly { readonly other: Body; readonly upper: boolean; readonly areaMm2: number }[] => {
  const middle = v3.dot(middleOf(tie), tie.member.frame.a);
  return touching(tie).flatMap((contact) => {
    if (Math.abs(v3.dot(contact.face.plane.normal, axis)) < 1 - 1e-6) return [];
    const other = contact.one === tie ? contact.other : contact.one;
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

/** How far apart two slopes are at a height, each held off, along a timber that runs from one to the other. mm */
const apartAt = (
  { member: { frame } }: Placed,
  slopes: readonly [Slope, Slope],
  hold: number,
  z: number,
): number => {
  const a = v2.unit(v3.inPlan(frame.a));
  const [t0, t1] = slopes.map(({ plane: { normal, offset } }) => {
    const [x, y] = frame.origin;
    const rate = normal[0] * a[0] + normal[1] * a[1];
    return (offset - hold - normal[0] * x - normal[1] * y - normal[2] * z) / rate;
  });
  return Math.abs((t1 ?? 0) - (t0 ?? 0));
};

/** Height at which the planes of two slopes meet, over a timber between them. mm */
const peakOver = (over: Placed, one: Slope, other: Slope): number => {
  const { origin, a } = over.member.frame;
  const at = (slope: Slope, t: number): number =>
    heightAt(slope, [origin[0] + a[0] * t, origin[1] + a[1] * t]);
  const rate = at(one, 1) - at(one, 0) - (at(other, 1) - at(other, 0));
  return at(one, (at(other, 0) - at(one, 0)) / rate);
};

/** How high the bottom edge of a collar tie stands between two slopes, as the job has it; of a tie or of one of its rafters. mm */
const bottomOf = (
  { job, roof }: FrameOnSite,
  timber: Placed,
  one: Slope,
  other: Slope,
): number | undefined => {
  const block = roof.blocks.find(({ id }) => id === timber.member.block);
  if (block === undefined || job.collarTies === undefined) return undefined;
  const { bottom, hold } = job.collarTies;
  if (typeof bottom === 'number') return block.plateMm + bottom;
  const peak = peakOver(timber, one, other);
  const foot = block.plateMm + block.hapMm;
  if (bottom === 'upper-third') return foot + (2 * (peak - foot)) / 3;
  // Its length grows evenly from the held-off peak down.
  const [low, high] = [peak - 3000, peak - 2000].map((z) => apartAt(timber, [one, other], hold, z));
  if (low === undefined || high === undefined) return undefined;
  return peak - 2000 - (1000 * (bottom.longPoint - high)) / (low - high);
};

const finding = (
  tie: Placed,
  kind: 'misplaced' | 'loose',
  mm: number,
  text: FitProblem['text'],
): FitProblem => ({
  members: [tie.mark, 'roof'],
  ids: [tie.member.id],
  kind,
  mm,
  at: middleOf(tie),
  text,
});

const offHeight = (tie: Placed, wanted: number): FitProblem[] => {
  const mm = Math.max(...bottomCorners(tie).map((p) => Math.abs(p[2] - wanted)));
  return mm <= FIT_GAP_MM
    ? []
    : [
        finding(
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
    finding(
      tie,
      'misplaced',
      mm,
      say`an end of ${tie.mark} does not follow the slope it is held off`,
    ),
  );
  const wanted = bottomOf(site, tie, one, other);
  return wanted === undefined ? ends : [...ends, ...offHeight(tie, wanted)];
};

/** A rafter tie lies on a plate at both ends, and reaches to the outside faces of their walls. */
const rafterTieLies = ({ roof }: FrameOnSite, tie: Placed, touching: Touching): FitProblem[] => {
  const lain = touched(tie, touching, tie.member.frame.e).filter(
    ({ other, areaMm2 }) => isPlate(other) && areaMm2 >= LEAST_LAP_MM2,
  );
  return [false, true].flatMap((upper): FitProblem[] => {
    if (!lain.some((touch) => touch.upper === upper))
      return [finding(tie, 'loose', 0, say`an end of ${tie.mark} lies on no ‹plate›`)];
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
          finding(
            tie,
            'misplaced',
            0,
            say`an end of ${tie.mark} does not come to the outside of its wall, or stands through the slope`,
          ),
        ];
  });
};

/** Rafters that lean against each other across a ridge, told by their solids alone. */
interface Opposite {
  readonly rafters: readonly [Placed, Placed];
  /** Which line of the roof they lean on, and where along it. mm */
  readonly ridge: number;
  readonly at: number;
}

const opposites = ({ roof, job, members }: FrameOnSite): Opposite[] => {
  const reach = (job.timber.ridge?.thickness ?? 0) + job.timber.common.thickness;
  const rafters = members
    .filter(({ member }) => isRafter(member))
    .map((placed) => {
      const heading = v2.unit(v3.inPlan(placed.member.frame.a));
      const ts = placed.corners.map((p) => v2.dot(v3.inPlan(p), heading));
      const origin = v3.inPlan(placed.member.frame.origin);
      const tip = Math.max(...ts);
      const off = v2.cross(heading, origin);
      return { placed, heading, tip, off };
    });
  return rafters.flatMap((one, i) =>
    rafters.slice(i + 1).flatMap((other): Opposite[] => {
      if (v2.dot(one.heading, other.heading) > FACING) return [];
      if (Math.abs(one.off + other.off) > OPPOSITE_MM) return [];
      const apart = -other.tip - one.tip;
      if (apart < -FIT_GAP_MM || apart > reach) return [];
      const peak = v2.add(
        v2.scale(one.heading, one.tip + apart / 2),
        v2.scale(v2.left(one.heading), one.off),
      );
      return roof.lines
        .flatMap(({ kind, from, to }, ridge): Opposite[] => {
          if (kind !== 'ridge') return [];
          const heading = v2.unit(v2.sub(v3.inPlan(to), v3.inPlan(from)));
          const away = v2.sub(peak, v3.inPlan(from));
          const at = v2.dot(away, heading);
          const on =
            Math.abs(v2.cross(heading, away)) < reach &&
            at > -reach &&
            at < v2.distance(v3.inPlan(from), v3.inPlan(to)) + reach;
          return on ? [{ rafters: [one.placed, other.placed], ridge, at }] : [];
        })
        .slice(0, 1);
    }),
  );
};

type TieKind = 'collar-tie' | 'rafter-tie';

/** The heights of the plates that a rafter is seated on. */
const platesUnder = (rafter: Placed, touching: Touching): number[] =>
  touching(rafter).flatMap((contact) => {
    const other = contact.one === rafter ? contact.other : contact.one;
    return isPlate(other) ? [other.plate.topMm] : [];
  });

/** Whether a pair wants a tie: for a collar, wood of both at its height; for a rafter tie, one plate's height under both. */
const wants = (
  site: FrameOnSite,
  kind: TieKind,
  { rafters: [one, other] }: Opposite,
  touching: Touching,
): boolean => {
  if (kind === 'rafter-tie') {
    // A jack beside a valley can lie over a plate too; its foot is the valley.
    if ([one, other].some(({ member }) => member.kind !== 'common')) return false;
    const tops = platesUnder(other, touching);
    return platesUnder(one, touching).some((top) => tops.some((z) => Math.abs(z - top) < 0.5));
  }
  const [left, right] = [slopeOf(site, one), slopeOf(site, other)];
  const bottom = left && right && bottomOf(site, one, left, right);
  if (bottom == null) return false;
  return [one, other].every((rafter) => {
    const low = Math.min(...rafter.tops.flatMap(({ points }) => points.map((p) => p[2])));
    return low < bottom - 2 * rafter.member.stock.depth;
  });
};

/**
 * Whether something stands where the tie of a pair would lie, on both sides of its rafters, or it would lie outside the
 * walls there: then the pair has none.
 */
const hasNoRoom = (
  site: FrameOnSite,
  kind: TieKind,
  { rafters: [one, other] }: Opposite,
  touching: Touching,
): boolean => {
  const { job, roof, members } = site;
  const stock = kind === 'collar-tie' ? job.timber.collarTie : job.timber.rafterTie;
  const slopes = [one, other].map((rafter) => slopeOf(site, rafter));
  const [left, right] = slopes;
  const block = roof.blocks.find(({ id }) => id === one.member.block);
  if (stock === undefined || left == null || right == null || block === undefined) return false;
  const a = v2.unit(v3.inPlan(one.member.frame.a));
  const s = v2.left(a);
  const hold = kind === 'collar-tie' ? (job.collarTies?.hold ?? 0) : 0;
  const bottom =
    kind === 'rafter-tie' ? platesUnder(one, touching)[0] : bottomOf(site, one, left, right);
  if (bottom === undefined) return false;
  const origin = v3.inPlan(one.member.frame.origin);
  const world = ([x, y, z]: Vec3): Vec3 => [
    origin[0] + a[0] * x + s[0] * y,
    origin[1] + a[1] * x + s[1] * y,
    z,
  ];
  const { thickness } = job.timber.common;
  return [1, -1].every((way) => {
    const near = (way * thickness) / 2;
    const far = near + way * stock.thickness;
    const whole = box<null>(
      [-REACH_MM, Math.min(near, far), bottom],
      [REACH_MM, Math.max(near, far), bottom + stock.depth],
      [null, null, null, null, null, null],
    ).map(({ tag, points }) => ({ tag, points: points.map(world) }));
    let tie: ConvexSolid<null> = whole;
    for (const slope of [left, right])
      tie = clipSolid(tie, { ...slope.plane, offset: slope.plane.offset - hold }, null);
    const free = volume(tie);
    for (const wall of block.walls)
      tie = clipSolid(tie, { normal: [wall.a, wall.b, 0], offset: wall.c }, null);
    // What lies past the eaves' walls is tail; past a gable's there is no wood to lie on.
    if (volume(tie) < free / 2) return true;
    const at = tie.flatMap(({ points }) => points);
    const bounds = ([0, 1, 2] as const).map((axis) => {
      const on = at.map((p) => p[axis]);
      return [Math.min(...on), Math.max(...on)] as const;
    });
    return members.some(({ pieces }) =>
      pieces.some(({ faces, low, high }) => {
        const apart = bounds.some(
          ([from, to], axis) => (low[axis] ?? 0) > to || (high[axis] ?? 0) < from,
        );
        if (apart) return false;
        let shared: ConvexSolid<unknown> = tie;
        for (const { plane } of faces) {
          if (shared.length === 0) return false;
          shared = clipSolid<unknown>(shared, plane, null);
        }
        return volume(shared) > FIT_OVERLAP_MM3 / 2;
      }),
    );
  });
};

/** Further than any roof is wide. mm */
const REACH_MM = 200_000;

/** Pairs along a ridge that stand untied for as many as the crew ties one of, or more. */
const untied = (
  site: FrameOnSite,
  kind: TieKind,
  every: number,
  tied: ReadonlySet<Placed>,
  touching: Touching,
): FitProblem[] => {
  const isTied = ({ rafters }: Opposite): boolean => rafters.every((one) => tied.has(one));
  const pairs = opposites(site).filter(
    (pair) =>
      isTied(pair) || (wants(site, kind, pair, touching) && !hasNoRoom(site, kind, pair, touching)),
  );
  const found: FitProblem[] = [];
  for (const ridge of new Set(pairs.map((pair) => pair.ridge))) {
    const row = pairs.filter((pair) => pair.ridge === ridge).sort((p, q) => p.at - q.at);
    const bare = row.map((pair) => !isTied(pair));
    // Counted from whichever end the crew began at: one of the two has its tie.
    let run = bare[0] === true && bare.at(-1) === true ? every - 1 : 0;
    for (const [i, pair] of row.entries()) {
      run = bare[i] === true ? run + 1 : 0;
      if (run !== every) continue;
      found.push({
        members: [pair.rafters[0].mark, pair.rafters[1].mark],
        ids: pair.rafters.map(({ member }) => member.id),
        kind: 'missing',
        at: middleOf(pair.rafters[0]),
        text: say`${pair.rafters[0].mark} and ${pair.rafters[1].mark} stand untied: one pair in ${every} has its ${kind === 'collar-tie' ? 'collar tie' : 'rafter tie'}`,
      });
    }
  }
  return found;
};

/** How the ties lie, and which pairs of rafters want one and have none. */
export const tiesAmiss = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  const { collarTies, rafterTies } = site.job;
  const problems: FitProblem[] = [];
  const tied: Readonly<Record<TieKind, Set<Placed>>> = {
    'collar-tie': new Set(),
    'rafter-tie': new Set(),
  };
  for (const tie of site.members) {
    const { kind } = tie.member;
    if (!isTie(tie.member) || (kind !== 'collar-tie' && kind !== 'rafter-tie')) continue;
    const [one, other] = rafterAt(tie, touching);
    if (one === null || other === null) {
      problems.push(
        finding(tie, 'loose', 0, say`${tie.mark} does not lie flat on a rafter at each end`),
      );
      continue;
    }
    tied[kind].add(one).add(other);
    if (kind === 'rafter-tie') problems.push(...rafterTieLies(site, tie, touching));
    else if (collarTies !== undefined) {
      problems.push(...collarLies(site, tie, [one, other], collarTies));
    }
  }
  if (collarTies !== undefined)
    problems.push(...untied(site, 'collar-tie', collarTies.every, tied['collar-tie'], touching));
  if (rafterTies !== undefined)
    problems.push(...untied(site, 'rafter-tie', rafterTies.every, tied['rafter-tie'], touching));
  return problems;
};
