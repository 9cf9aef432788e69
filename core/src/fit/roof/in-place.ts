import { isPurlin, KINDS, listedKind } from '../../kinds';
import {
  insideBy,
  SLACK_MM,
  FIT_PROUD_MM,
  planeAt,
  v2,
  v3,
  type Plane,
  type Vec2,
  type Vec3,
  TOUCHING_MM2,
  ALONGSIDE_SINE,
} from '../../geom';
import { inMm, say } from '../../sentence';
import { blocksAbout, LINE_TIMBER, roofAbout, type RoofLine } from '../../roof';
import { findingOn } from '../finding';
import { liesIn, middleOf, middleOfPoints, type FrameOnSite } from '../frame-on-site';
import type { Placed, PlacedFace } from '../contact/placed';
import type { FitProblem } from '../report';

/** Where along a line's timber its top is read, as shares of it. */
const READ_AT = [0.1, 0.3, 0.5, 0.7, 0.9];
/** A timber whose middle is this near a line of the roof stands on it. mm */
const ON_LINE_MM = SLACK_MM.nothing;
/** Directions nearer than this are one, as a sine. */
const SAME_WAY = ALONGSIDE_SINE;

/** How far the member's highest corner stands above the roof over it, square to the roof, and where. mm */
const mostProud = ({ roof }: FrameOnSite, placed: Placed): { mm: number; at: Vec3 } => {
  const { block, side } = placed.member;
  let mm = -Infinity;
  let at: Vec3 = [0, 0, 0];
  const about = blocksAbout(roof, placed, block);
  for (const p of placed.corners) {
    const over = roofAbout(about, [p[0], p[1]], block, side);
    const proud = (p[2] - over.z) * over.plane.plane.normal[2];
    if (proud > mm) {
      mm = proud;
      at = p;
    }
  }
  return { mm, at };
};

/** How far wood of a board must stand above a face for that face to be the bottom of a housing in its top. mm */
const HOUSED_MM = SLACK_MM.nothing;

/** The bottoms of what is let in through a timber's top. */
export const housingsOf = ({ tops, corners }: Placed): PlacedFace[] =>
  tops.filter(({ plane }) => corners.some((p) => planeAt(plane, p) > HOUSED_MM));

/** A rafter's top lies in planes of the roof, all of it but its housings. */
const rafterTop = ({ roof }: FrameOnSite, placed: Placed): FitProblem[] => {
  const housings = housingsOf(placed);
  const own = roof.blocks.find(({ id }) => id === placed.member.block)?.bands;
  const inOwn = ({ points }: PlacedFace): boolean =>
    own?.[placed.member.side ?? 0]?.some(({ plane }) => liesIn(points, plane, FIT_PROUD_MM)) ??
    false;
  // Nearly all lie in their own side's planes: the others are looked through for the rest.
  const planes = roof.slopes.map(({ plane }) => plane);
  const off = placed.tops
    .filter((face) => !housings.includes(face))
    .filter((face) => !inOwn(face))
    .filter(({ points }) => !planes.some((plane) => liesIn(points, plane, FIT_PROUD_MM)))
    .map(({ points }) =>
      planes.reduce((least, plane) => {
        const most = points.reduce(
          (far, p) => (Math.abs(planeAt(plane, p)) > Math.abs(far) ? planeAt(plane, p) : far),
          0,
        );
        return Math.abs(most) < Math.abs(least) ? most : least;
      }, Infinity),
    );
  const [worst] = off.sort((p, q) => Math.abs(q) - Math.abs(p));
  if (worst === undefined) return [];
  const mm = Math.abs(worst);
  return worst > 0
    ? [
        findingOn(
          placed,
          'proud',
          mm,
          say`${placed.mark} stands ${inMm(mm, 1)} proud of the roof plane`,
        ),
      ]
    : [
        findingOn(
          placed,
          'low',
          mm,
          say`the top of ${placed.mark} lies ${inMm(mm, 1)} below the roof plane`,
        ),
      ];
};

/** The line of the roof that a timber of its kind stands on: of those under it, the one it covers most of. */
export const lineUnder = (
  { roof }: FrameOnSite,
  { member: { kind, frame }, corners }: Placed,
): RoofLine | null => {
  let best: RoofLine | null = null;
  let most = 0;
  const heading = v2.unit(v3.inPlan(frame.a));
  for (const line of roof.lines) {
    if (LINE_TIMBER[line.kind] !== listedKind(kind)) continue;
    const from = v3.inPlan(line.from);
    const along = v2.unit(v2.sub(v3.inPlan(line.to), from));
    if (Math.abs(v2.cross(heading, along)) > SAME_WAY) continue;
    if (Math.abs(v2.cross(along, v2.sub(v3.inPlan(frame.origin), from))) > ON_LINE_MM) continue;
    const ts = corners.map((p) => v2.dot(v2.sub(v3.inPlan(p), from), along));
    const length = v2.distance(from, v3.inPlan(line.to));
    const shared = Math.min(length, Math.max(...ts)) - Math.max(0, Math.min(...ts));
    if (shared > most) [best, most] = [line, shared];
  }
  return best;
};

/**
 * How far a timber's highest corner stands above the slope of its own side that it lies nearest to, square to it: of a side
 * whose pitch breaks, one that it lies flat on, or else the one over its middle, before one that it only comes near. mm
 */
const aboveOwnSlope = ({ roof }: FrameOnSite, { member, corners }: Placed): number => {
  const own = roof.slopes.filter(({ sides }) =>
    sides.some(({ block, side }) => block === member.block && side === member.side),
  );
  const flat = own.filter(({ plane }) => v3.dot(plane.normal, member.frame.e) > 1 - SAME_WAY ** 2);
  const middle = v3.inPlan(middleOfPoints(corners));
  const over = own.filter(({ pieces }) =>
    pieces.some(({ polygon }) => insideBy(polygon.points, middle) >= 0),
  );
  const [near = own] = [flat, over].filter((all) => all.length > 0);
  const above = near.map(({ plane }) => Math.max(...corners.map((p) => planeAt(plane, p))));
  return above.reduce((p, q) => (Math.abs(q) < Math.abs(p) ? q : p), Infinity);
};

/**
 * How a purlin lies that stands on no line of the roof, by its highest corner over its own slope, which another roof may
 * hang over: over the rafters, between them, or under them. Null for every other timber.
 */
export const purlinLies = (
  site: FrameOnSite,
  placed: Placed,
): 'over' | 'between' | 'under' | null => {
  if (!isPurlin(placed.member) || lineUnder(site, placed) !== null) return null;
  const mm = aboveOwnSlope(site, placed);
  if (mm > placed.member.stock.depth / 2) return 'over';
  return mm > -site.job.timber.common.depth / 2 ? 'between' : 'under';
};

/** Height of a timber's top over a point of the plan; null where it does not reach. mm */
export const topOver = (placed: Placed, p: Vec2): number | null => {
  let found: number | null = null;
  for (const { points, plane } of placed.tops) {
    const inside = points.every((a, i) => {
      const b = points[(i + 1) % points.length] ?? a;
      return v2.cross(v2.sub(v3.inPlan(b), v3.inPlan(a)), v2.sub(p, v3.inPlan(a))) >= -TOUCHING_MM2;
    });
    if (!inside) continue;
    const z = (plane.offset - plane.normal[0] * p[0] - plane.normal[1] * p[1]) / plane.normal[2];
    if (found === null || z > found) found = z;
  }
  return found;
};

/** Where a timber is scarfed, the top over its lower half is that of the next length on the same line. mm */
const underNext = ({ members }: FrameOnSite, placed: Placed, p: Vec2, own: number): number => {
  const { stock, frame } = placed.member;
  const kind = listedKind(placed.member.kind);
  const next = members.filter(
    ({ member }) =>
      listedKind(member.kind) === kind &&
      member.stock.depth === stock.depth &&
      Math.abs(v2.cross(v3.inPlan(member.frame.a), v3.inPlan(frame.a))) < SAME_WAY &&
      Math.abs(
        v2.cross(
          v3.inPlan(frame.a),
          v2.sub(v3.inPlan(member.frame.origin), v3.inPlan(frame.origin)),
        ),
      ) < ON_LINE_MM,
  );
  return Math.max(own, ...next.flatMap((one) => topOver(one, p) ?? []));
};

/** Whether the roof rises on both sides of a line, or more steeply on its upper side: its planes make a hollow. */
const isHollow = ({ roof }: FrameOnSite, { kind, slopes: [left, right] }: RoofLine): boolean =>
  kind === 'valley' ||
  (kind === 'break' && (roof.slopes[left]?.rise ?? 0) > (roof.slopes[right]?.rise ?? 0));

/** How far a point stands above the two planes of a line: over the lower of them at a fold, the higher in a hollow. */
const above = (planes: readonly Plane[], p: Vec3, hollow: boolean): number => {
  const away = planes.map((plane) => planeAt(plane, p));
  return hollow ? Math.min(...away) : Math.max(...away);
};

/** A top this near a slope's plane was planed to it. mm */
const PLANED_MM = SLACK_MM.rounding;
/** Short of the face, so that a top is read on wood. */
const INSIDE = 0.999;

/**
 * Where a line's timber stands under its planes, as the crew's way has it: a dropped hip, a ridge and the
 * timber under a break touch them with their arrises, a backed hip lies in them, a square one and a valley touch the line with their middle.
 */
const lineTop = (site: FrameOnSite, placed: Placed): FitProblem[] => {
  const line = lineUnder(site, placed);
  const { member, mark } = placed;
  if (line === null)
    return [
      findingOn(
        placed,
        'misplaced',
        0,
        say`${mark} stands on no line of the roof that wants a ${listedKind(member.kind)}`,
      ),
    ];
  const planes = line.slopes.flatMap((i) => site.roof.slopes[i]?.plane ?? []);
  const from = v3.inPlan(line.from);
  const length = v2.distance(from, v3.inPlan(line.to));
  const along = v2.unit(v2.sub(v3.inPlan(line.to), from));
  const ts = placed.corners.map((p) => v2.dot(v2.sub(v3.inPlan(p), from), along));
  const [low, high] = [Math.max(0, Math.min(...ts)), Math.min(length, Math.max(...ts))];
  const half = (INSIDE * member.stock.thickness) / 2;
  const { hipTop, hipLowered = 0 } = site.job.framing;
  const lowered = member.kind === 'hip' && hipTop === 'drop' ? hipLowered : 0;
  const middle = member.kind === 'valley' || (member.kind === 'hip' && hipTop === 'none');
  const hollow = isHollow(site, line);
  const backed = member.kind === 'hip' && hipTop === 'back';
  let worst = 0;
  let at: Vec3 = line.from;
  for (const share of READ_AT) {
    const on = v2.add(from, v2.scale(along, low + share * (high - low)));
    const aside = middle ? [0] : [half, -half];
    const reads = aside.flatMap((out): { off: number; p: Vec3 }[] => {
      const [x, y] = v2.add(on, v2.scale(v2.left(along), out));
      const top = topOver(placed, [x, y]);
      if (top === null) return [];
      const own = top + lowered;
      const low = above(planes, [x, y, own], hollow) < -FIT_PROUD_MM;
      const p: Vec3 = [x, y, low ? underNext(site, placed, [x, y], own) : own];
      // A corner that reaches over another slope is planed to that.
      const planed = site.roof.slopes.some(({ plane }) => Math.abs(planeAt(plane, p)) < PLANED_MM);
      return [{ off: planed ? 0 : above(planes, p, hollow), p }];
    });
    // Where a cheek has taken one corner away, the other says nothing.
    if (reads.length < aside.length) continue;
    const highest = reads.reduce((p, q) => (q.off > p.off ? q : p));
    const judged = backed ? reads : [highest];
    for (const { off, p } of judged) if (Math.abs(off) > Math.abs(worst)) [worst, at] = [off, p];
  }
  // A reading just inside the arris is that much lower than the arris itself.
  const slack = FIT_PROUD_MM + (1 - INSIDE) * member.stock.thickness;
  const mm = Math.abs(worst);
  if (mm <= slack) return [];
  return worst > 0
    ? [findingOn(placed, 'proud', mm, say`${mark} stands ${inMm(mm, 1)} proud of the roof`, at)]
    : [findingOn(placed, 'low', mm, say`${mark} stands ${inMm(mm, 1)} too low under the roof`, at)];
};

/** A timber that touches a plane of the roof with its highest corners at both ends: a header, a fascia. */
const touchesAbove = ({ roof }: FrameOnSite, placed: Placed): FitProblem[] => {
  const { corners } = placed;
  const { frame } = placed.member;
  const ts = corners.map((p) => v3.dot(p, frame.a));
  const middle = (Math.min(...ts) + Math.max(...ts)) / 2;
  const halves = [
    corners.filter((_, i) => (ts[i] ?? 0) <= middle),
    corners.filter((_, i) => (ts[i] ?? 0) >= middle),
  ];
  const lows = roof.slopes.map(({ plane }) =>
    Math.max(...halves.map((half) => Math.abs(Math.max(...half.map((p) => planeAt(plane, p)))))),
  );
  const mm = Math.min(...lows);
  return mm <= FIT_PROUD_MM
    ? []
    : [findingOn(placed, 'low', mm, say`${placed.mark} lies ${inMm(mm, 1)} off the roof plane`)];
};

/** Every top against the roof planes, both ways. */
export const outOfPlane = (site: FrameOnSite): FitProblem[] =>
  site.members.flatMap((placed): FitProblem[] => {
    const { member, mark } = placed;
    // A purlin on no line of the roof is proved with the rafters that it carries, or that carry it.
    if (purlinLies(site, placed) !== null) return [];
    const square = member.kind === 'hip' && site.job.framing.hipTop === 'none';
    const { mm, at } = square ? { mm: 0, at: middleOf(placed) } : mostProud(site, placed);
    if (mm > FIT_PROUD_MM)
      return [
        findingOn(
          placed,
          'proud',
          mm,
          say`${mark} stands ${inMm(mm, 1)} proud of the roof plane`,
          at,
        ),
      ];
    const { top } = KINDS[member.kind];
    // A ledger that rafters go over stands under them.
    if (member.kind === 'ledger' && site.job.framing.atLedger === 'birdsmouth') return [];
    if (top === 'in-roof') return rafterTop(site, placed);
    // A purlin of the roof's own is held to its line, whatever it is called: where it lies is what is proved.
    if (top === 'on-line' || isPurlin(member)) return lineTop(site, placed);
    // How a tie lies is proved with what it ties, how a stud stands with its wall; what lies on a plate with that.
    return top === 'touches' ? touchesAbove(site, placed) : [];
  });
