import {
  SLACK_MM,
  SLACK_SINE,
  chordOf,
  FIT_GAP_MM,
  intervals,
  planeAt,
  SAME_WAY_SINE,
  v2,
  v3,
  type Interval,
  type Vec3,
} from '../../geom';
import type { Job } from '../../job';
import { purlinDistance, type LineKind, type SideLine, type Slope } from '../../roof';
import { inMm, say } from '../../sentence';
import type { Touching } from '../contact/contacts';
import { atGable, isSeam } from '../roof/ends';
import { isSlot } from '../roof/scarfs';
import { findingOn } from '../finding';
import { liesIn, outFrom, type FrameOnSite } from '../frame-on-site';
import { acrossOpenings, endsAtOpening } from '../openings/openings';
import { purlinLies } from '../roof/in-place';
import type { Placed, PlacedFace } from '../contact/placed';
import type { FitProblem } from '../report';

/** A face nearer than this to a purlin's own direction is a side or an edge of it, as a sine. */
const ALONG = SLACK_SINE.side;
/** A lip's face looks up by more than this along the purlin's depth, as a cosine. */
const UP = 0.3;
/** How far a corner must stand before a face for that face to be a notch's. mm */
const REENTRANT_MM = SLACK_MM.nothing;
/** Less of a level line than this is rounding, or too short for a purlin. mm */
const LEAST_BARE_MM = 300;
/** A face that lies in a slope's undersides by less than this is an edge. mm² */
const LEAST_AREA_MM2 = 100;

const facesOf = ({ pieces }: Placed): PlacedFace[] => pieces.flatMap(({ faces }) => faces);

interface Lain {
  readonly slope: Slope;
  /** Its faces against the rafters' undersides. */
  readonly faces: readonly PlacedFace[];
}

/** A face this near level, as a cosine, is level. */
const LEVEL = 1 - SAME_WAY_SINE;

/**
 * The slope whose rafters are notched over a purlin with a square top: wanted so, its top level, the higher edge of that in
 * the plane of their undersides.
 */
const squareTop = ({ roof, job }: FrameOnSite, placed: Placed): Lain | null => {
  const { block, side } = placed.member;
  const wanted = job.purlins.some(
    (one) => one.block === block && one.side === side && one.top === 'square',
  );
  const faces = facesOf(placed).filter(({ plane }) => plane.normal[2] > LEVEL);
  if (!wanted || faces.length === 0) return null;
  const slope = roof.slopes.find(({ plane, sides }) => {
    const under = { ...plane, offset: plane.offset - job.timber.common.depth };
    const off = Math.min(...faces.flatMap(({ points }) => points.map((p) => planeAt(under, p))));
    return (
      sides.some((own) => own.block === block && own.side === side) && Math.abs(off) < FIT_GAP_MM
    );
  });
  return slope === undefined ? null : { slope, faces };
};

/** The slope whose rafters a purlin lies against. */
const lainUnder = (site: FrameOnSite, placed: Placed): Lain | null => {
  const { roof, job } = site;
  const { depth } = job.timber.common;
  for (const slope of roof.slopes) {
    const plane = { ...slope.plane, offset: slope.plane.offset - depth };
    const faces = facesOf(placed).filter(
      (face) =>
        v3.dot(face.plane.normal, plane.normal) > 1 - ALONG ** 2 &&
        liesIn(face.points, plane, FIT_GAP_MM) &&
        face.areaMm2 > LEAST_AREA_MM2,
    );
    if (faces.length > 0) return { slope, faces };
  }
  return squareTop(site, placed);
};

type Wanted = Job['purlins'][number];

/** How far in from a side's plate the middle of a purlin's top lies. mm */
const standsAt = (
  { roof }: FrameOnSite,
  { block, side }: Wanted,
  { faces }: Lain,
): number | null => {
  const line = roof.blocks.find(({ id }) => id === block)?.sides[side];
  if (line === undefined) return null;
  const ins = faces.flatMap(({ points }) => points.map((p) => -outFrom(line, p)));
  return (Math.min(...ins) + Math.max(...ins)) / 2;
};

/** The wanted purlin that one stands for: of those of its slope, the one that it lies nearest to. */
const standsFor = (
  site: FrameOnSite,
  lain: Lain,
): { readonly wanted: Wanted; readonly offMm: number } | null => {
  const all = site.job.purlins.flatMap((wanted) => {
    const own = lain.slope.sides.some(
      ({ block, side }) => block === wanted.block && side === wanted.side,
    );
    const [at, stands] = [purlinDistance(site.roof, wanted), standsAt(site, wanted, lain)];
    return own && stands !== null ? [{ wanted, offMm: Math.abs(at - stands) }] : [];
  });
  return all.reduce<(typeof all)[number] | null>(
    (p, q) => (p === null || q.offMm < p.offMm ? q : p),
    null,
  );
};

/** Whether a face lies on the plumb middle plane of a line of the roof. */
export const onMiddleOf = (
  { roof }: FrameOnSite,
  { points }: PlacedFace,
  kinds: readonly LineKind[],
): boolean =>
  roof.lines.some(({ kind, from, to }) => {
    if (!kinds.includes(kind)) return false;
    const aside = v2.left(v2.unit(v2.sub(v3.inPlan(to), v3.inPlan(from))));
    return points.every(
      (p) => Math.abs(v2.dot(v2.sub(v3.inPlan(p), v3.inPlan(from)), aside)) <= FIT_GAP_MM,
    );
  });

/** Whether an end lies on the plumb middle plane of a hip or a valley, or in a gable's outside face, or against something. */
const endHolds = (
  site: FrameOnSite,
  { member }: Placed,
  { slope }: Lain,
  face: PlacedFace,
  bears: boolean,
): boolean =>
  bears ||
  atGable(site, member, face) ||
  onMiddleOf(site, face, ['hip', 'valley']) ||
  endsAtOpening(site, slope, face);

/** What reaches no further than this into an opening only touches it. mm */
const inside = ([low, high]: Interval): Interval => [low + FIT_GAP_MM, high - FIT_GAP_MM];

/** How far in from a side's plate a body under its slope reaches, and how far along it. mm */
const reachOf = (line: SideLine, points: readonly Vec3[]): { in: Interval; along: Interval } => {
  const ins = points.map((p) => -outFrom(line, p));
  const us = points.map((p) => v2.dot(v2.sub(v3.inPlan(p), line.start), line.along));
  return {
    in: [Math.min(...ins), Math.max(...ins)],
    along: [Math.min(...us), Math.max(...us)],
  };
};

/** Purlins that run through what an opening keeps clear, below its trimmers. */
const throughOpenings = (site: FrameOnSite, placed: Placed, { slope }: Lain): FitProblem[] => {
  const { block, side } = placed.member;
  const line = site.roof.blocks.find(({ id }) => id === block)?.sides[side ?? -1];
  if (line === undefined) return [];
  const { in: across, along } = reachOf(line, placed.corners);
  return acrossOpenings(site, slope, line, inside(across)).flatMap(
    ({ name, along: [low, high] }) => {
      const mm = Math.min(along[1], high) - Math.max(along[0], low);
      return mm <= FIT_GAP_MM
        ? []
        : [
            findingOn(
              placed,
              'misplaced',
              mm,
              say`${placed.mark} runs ${inMm(mm)} through what "${name}" keeps clear`,
            ),
          ];
    },
  );
};

/** How each purlin lies: against the rafters, at its distance, its ends where they belong, its lips against the hip. */
const checkLies = (
  site: FrameOnSite,
  placed: Placed,
  lain: Lain | null,
  touching: Touching,
): FitProblem[] => {
  const { mark, member, corners } = placed;
  if (lain === null)
    return [findingOn(placed, 'low', 0, say`${mark} does not lie against the rafters’ undersides`)];
  const found: FitProblem[] = [];
  const stands = standsFor(site, lain);
  if (stands === null || stands.offMm > FIT_GAP_MM)
    found.push(
      findingOn(
        placed,
        'misplaced',
        stands?.offMm ?? 0,
        say`${mark} stands ${inMm(stands?.offMm ?? 0, 1)} off its distance from the ‹plate›`,
      ),
    );
  found.push(...throughOpenings(site, placed, lain));
  const own = touching(placed);
  const bears = (face: PlacedFace): boolean =>
    own.some((contact) => contact.face === face || contact.otherFace === face);
  const cut = facesOf(placed).filter(
    ({ plane }) => Math.abs(v3.dot(plane.normal, member.frame.a)) > ALONG,
  );
  const reentrant = cut.filter(({ plane }) =>
    corners.some((p) => planeAt(plane, p) > REENTRANT_MM),
  );
  for (const face of cut) {
    if (reentrant.includes(face)) continue;
    if (!endHolds(site, placed, lain, face, bears(face)))
      found.push(
        findingOn(
          placed,
          'misplaced',
          0,
          say`an end of ${mark} stands neither on the middle of a ‹hip› or ‹valley› nor at a wall`,
        ),
      );
  }
  for (const face of reentrant) {
    if (v3.dot(face.plane.normal, member.frame.e) < UP || isSeam(face, cut)) continue;
    if (isSlot(placed, face)) continue;
    // A lip's plane parts the whole board, so that some of it is a seam.
    const { normal, offset } = face.plane;
    const like = reentrant.filter(
      ({ plane }) =>
        v3.distance(plane.normal, normal) < ALONG ** 2 &&
        Math.abs(plane.offset - offset) < FIT_GAP_MM,
    );
    if (like.some(bears)) continue;
    found.push(
      findingOn(placed, 'gap', 0, say`the lip of ${mark} does not touch what it passes under`),
    );
  }
  return found;
};

/** From where to where in from its plate a wanted purlin's body lies: canted, it leans up the slope. mm */
const bodyAt = ({ timber }: Job, { set }: Wanted, { slopeRad }: Slope, at: number): Interval => {
  const { thickness, depth } = timber.purlin ?? timber.common;
  if (set === 'plumb') return [at - thickness / 2, at + thickness / 2];
  const half = (thickness / 2) * Math.cos(slopeRad);
  return [at - half, at + half + depth * Math.sin(slopeRad)];
};

/** The level lines that purlins are wanted on and what of them has none. */
const bareLevels = (
  site: FrameOnSite,
  lain: readonly { readonly placed: Placed; readonly on: Lain }[],
): FitProblem[] =>
  site.job.purlins.flatMap((wanted): FitProblem[] => {
    const { job } = site;
    const { block, side } = wanted;
    const line = site.roof.blocks.find(({ id }) => id === block)?.sides[side];
    const at = purlinDistance(site.roof, wanted);
    if (line === undefined) return [];
    const from = v2.add(line.start, v2.scale(line.inward, at));
    const along = (p: readonly number[]): number =>
      v2.dot(v2.sub([p[0] ?? 0, p[1] ?? 0], from), line.along);
    return site.roof.slopes.flatMap((slope): FitProblem[] => {
      const reach = slope.pieces
        .filter(({ plane }) => plane.block === block && plane.side === side)
        .flatMap(({ polygon }): Interval[] => {
          const chord = chordOf(polygon, from, line.along);
          return chord === null ? [] : [[chord.low, chord.high]];
        });
      const held = lain.flatMap(({ on }): Interval[] => {
        const stands = on.slope === slope ? standsAt(site, wanted, on) : null;
        if (stands === null || Math.abs(stands - at) > FIT_GAP_MM) return [];
        return on.faces.map(({ points }): Interval => {
          const ts = points.map(along);
          return [Math.min(...ts), Math.max(...ts)];
        });
      });
      const body = inside(bodyAt(job, wanted, slope, at));
      const open = acrossOpenings(site, slope, line, body).map(({ along: own }) => own);
      const bare = intervals.without(intervals.unite(reach, 1), [...held, ...open], LEAST_BARE_MM);
      return bare.map(([low, high]) => {
        const p = v2.add(from, v2.scale(line.along, (low + high) / 2));
        return {
          members: ['purlin', 'roof'],
          ids: [],
          kind: 'missing',
          on: { block, side },
          mm: high - low,
          at: [p[0], p[1], 0],
          text: say`${inMm(high - low)} of the ‹purlin› line under "${block}", wall ${side + 1}, has no ‹purlin›`,
        };
      });
    });
  });

/** How the purlins under the rafters lie, and where one is wanted and missing. */
export const checkPurlins = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  const under = site.members.filter((placed) => purlinLies(site, placed) === 'under');
  const all = under.map((placed) => ({ placed, on: lainUnder(site, placed) }));
  return [
    ...all.flatMap(({ placed, on }) => checkLies(site, placed, on, touching)),
    ...bareLevels(
      site,
      all.flatMap(({ placed, on }) => (on === null ? [] : [{ placed, on }])),
    ),
  ];
};
