import type { Stock } from '../../job';
import { isPost, isRafter, isTie } from '../../kinds';
import {
  type Interval,
  SLACK_MM,
  ALONGSIDE_SINE,
  FIT_GAP_MM,
  TOUCHING_MM2,
  v2,
  v3,
  type Vec2,
  type Vec3,
} from '../../geom';
import { betweenHigh, heightAt, onSide, overWall, type SideLine } from '../../roof';
import { inMm, say } from '../../sentence';
import { otherOf, type Touching } from '../contact/contacts';
import { findingOn } from '../finding';
import { outFrom, type FrameOnSite } from '../frame-on-site';
import { topOver } from '../roof/in-place';
import { isMember, type Placed } from '../contact/placed';
import type { FitProblem } from '../report';

/** A stud this near its place along the wall is on it. mm */
const ON_PLACE_MM = SLACK_MM.place;
/** A rafter, or its face, this near to a gable's wall's own way runs along it, square to the wall's ends or not, as a cosine. */
const ALONG_WALL = 0.98;
/** A share of a stud's depth just inside its edges, where timber must stand over it. */
const INSIDE = 0.49;
/** A stud of which the height is this near its depth may stand or not: rounding. mm */
const SPARE_MM = SLACK_MM.nothing;

interface Gable {
  readonly block: string;
  readonly side: SideLine;
  /** Where along it the roof is highest, from its start. mm */
  readonly peak: number;
  /** Where its own studs stand: between the high walls beside it. mm */
  readonly between: Interval;
}

/** Every gable with roof over it: its peak is where two of its slopes cross, or an end of its wall. */
const gablesOf = (site: FrameOnSite): Gable[] =>
  site.roof.blocks.flatMap(({ id, sides }) =>
    sides.flatMap((side): Gable[] => {
      if (side.roof !== 'gable') return [];
      const us = overWall(site.roof, id, side.index);
      const [first] = us;
      if (first === undefined) return [];
      const peak = us.reduce((p, q) => (q.z > p.z ? q : p), first).u;
      return [{ block: id, side, peak, between: betweenHigh(site.job, { sides }, side) }];
    }),
  );

/** The places that a gable wants studs at, by the crew's layout. mm */
const places = ({ job }: FrameOnSite, { side, peak }: Gable, half: number): number[] => {
  const { spacing, layout } = job.framing;
  const found: number[] = [];
  if (layout === 'ridge') {
    for (let u = peak - spacing / 2; u > 0; u -= spacing) found.push(u);
    for (let u = peak + spacing / 2; u < side.lengthMm; u += spacing) found.push(u);
  } else {
    for (let u = 0; u < peak; u += spacing) found.push(u);
    for (let u = side.lengthMm; u > peak; u -= spacing) found.push(u);
  }
  const atPeak = (u: number): boolean =>
    layout === 'corner' &&
    Math.abs(u - peak) < 2 * half &&
    peak > half &&
    peak < side.lengthMm - half;
  return found.map((u) => (atPeak(u) ? peak : u));
};

/** How low a timber's underside hangs over a point of the plan; null where it is not over it. mm */
export const undersideOver = (placed: Placed, p: Vec2): number | null => {
  if (topOver(placed, p) === null) return null;
  const down = placed.pieces.flatMap(({ faces }) =>
    faces.filter(({ plane, points }) => plane.normal[2] < -LOOKS_DOWN && holds(points, p)),
  );
  const zs = down.map((face) => heightAt(face, p));
  return zs.length === 0 ? null : Math.min(...zs);
};

/** A face that looks down by more than this is part of an underside. */
const LOOKS_DOWN = 0.05;

/** Whether a point of the plan lies in a face that looks down, as seen from above. */
const holds = (points: readonly Vec3[], p: Vec2): boolean =>
  points.every((a, i) => {
    const b = points[(i + 1) % points.length] ?? a;
    return v2.cross(v2.sub(v3.inPlan(b), v3.inPlan(a)), v2.sub(p, v3.inPlan(a))) <= TOUCHING_MM2;
  });

/** How studs stand: how wide along the wall, how far in a reading is taken of what stands over them, how high they are at least. mm */
interface Standing {
  readonly wide: number;
  readonly inside: number;
  readonly least: number;
  readonly notched: boolean;
}

const standingOf = ({ job }: FrameOnSite, { thickness, depth }: Stock): Standing =>
  job.framing.gableStuds === 'notched'
    ? { wide: thickness, inside: job.timber.common.thickness / 2, least: depth, notched: true }
    : { wide: depth, inside: thickness / 2, least: depth, notched: false };

/** Whether a rafter slants so far off a gable's wall that a stud notched square does not lie flat against it. */
const slants = ({ side }: Gable, { member }: Placed, wide: number): boolean => {
  const s = v3.inPlan(member.frame.s);
  const across = Math.abs(v2.dot(s, side.inward));
  const along = Math.abs(v2.dot(s, side.along));
  return isRafter(member) && across > ALONG_WALL && (along / across) * wide > FIT_GAP_MM;
};

/** Whether timber stands over a whole stud at a place, high enough above its plate for one. */
const isWanted = (
  gable: Gable,
  u: number,
  carried: readonly Placed[],
  { wide, inside, least, notched }: Standing,
): boolean => {
  const { side } = gable;
  const half = wide / 2;
  const [from, to] = gable.between;
  if (u < from + half + SPARE_MM || u > to - half - SPARE_MM) return false;
  // Where a ridge's post stands, that is the stud.
  const posted = carried
    .filter(({ member }) => member.kind === 'ridge-post')
    .some(({ corners }) => {
      const us = corners.map((p) => v2.dot(v2.sub(v3.inPlan(p), side.start), side.along));
      const out = Math.min(...corners.map((p) => -outFrom(side, p)));
      return out < wide && Math.min(...us) < u + half && Math.max(...us) > u - half;
    });
  if (posted) return false;
  const heights = [-INSIDE, 0, INSIDE].map((share) => {
    const p = onSide(side, u + share * wide, inside);
    return Math.min(Infinity, ...carried.flatMap((one) => undersideOver(one, p) ?? []));
  });
  const [, middle = 0] = heights;
  const over = (one: Placed): boolean => undersideOver(one, onSide(side, u, inside)) !== null;
  if (notched && carried.some((one) => slants(gable, one, wide) && over(one))) return false;
  return heights.every(Number.isFinite) && middle - side.plateMm > least + SPARE_MM;
};

/**
 * A stud on edge that comes up under the gable's rafter also runs up beside it, flat against its inner face, and bears
 * under it, unless another rafter stands there.
 */
const besideRafter = (stud: Placed, { side }: Gable, touching: Touching): boolean => {
  const found = touching(stud).flatMap((contact) => {
    const other = otherOf(contact, stud);
    return isMember(other) && isRafter(other.member)
      ? [{ other, normal: contact.face.plane.normal }]
      : [];
  });
  const inward: Vec3 = [side.inward[0], side.inward[1], 0];
  const beside = found.some(({ normal }) => Math.abs(v3.dot(normal, inward)) > ALONG_WALL);
  const over = found.filter(({ normal }) => Math.abs(normal[2]) > LOOKS_DOWN);
  const rafters = new Set(over.map(({ other }) => other)).size;
  return beside ? rafters > 0 : rafters !== 1;
};

/** Whether each gable has its studs, plumb and flush in its wall, on their places and none missing. */
export const checkGableStuds = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  const stock = site.job.timber.gableStud;
  if (stock === undefined) return [];
  const studs = site.members.filter(({ member }) => member.kind === 'gable-stud');
  const carried = site.members.filter(({ member }) => !isTie(member) && !isPost(member));
  const standing = standingOf(site, stock);
  return gablesOf(site).flatMap((gable): FitProblem[] => {
    const own = studs.filter(
      ({ member }) => member.block === gable.block && member.side === gable.side.index,
    );
    const wanted = places(site, gable, standing.wide / 2);
    const at = ({ member }: Placed): number =>
      v2.dot(v2.sub(v3.inPlan(member.frame.origin), gable.side.start), gable.side.along);
    const amiss = own.flatMap((stud): FitProblem[] => {
      const foot = Math.min(...stud.corners.map(([, , z]) => z)) - gable.side.plateMm;
      if (Math.abs(foot) > FIT_GAP_MM)
        return [
          findingOn(
            stud,
            'misplaced',
            Math.abs(foot),
            say`the foot of ${stud.mark} stands ${inMm(Math.abs(foot), 1)} off its ‹plate›`,
          ),
        ];
      const out = Math.max(...stud.corners.map((p) => outFrom(gable.side, p)));
      if (Math.abs(out) > FIT_GAP_MM || stud.member.frame.a[2] < 1 - ALONGSIDE_SINE ** 2 / 2)
        return [
          findingOn(
            stud,
            'misplaced',
            Math.abs(out),
            say`${stud.mark} stands ${inMm(Math.abs(out), 1)} off the ‹gable›’s outside face, or out of plumb`,
          ),
        ];
      if (standing.notched && !besideRafter(stud, gable, touching))
        return [
          findingOn(stud, 'gap', 0, say`${stud.mark} does not run up beside the ‹gable›’s rafter`),
        ];
      const off = Math.min(Infinity, ...wanted.map((u) => Math.abs(at(stud) - u)));
      return off <= ON_PLACE_MM
        ? []
        : [
            findingOn(
              stud,
              'misplaced',
              off,
              say`${stud.mark} stands ${inMm(off, 1)} off its place along the ‹gable›`,
            ),
          ];
    });
    const bare = wanted.filter(
      (u) =>
        !own.some((stud) => Math.abs(at(stud) - u) < stock.depth) &&
        isWanted(gable, u, carried, standing),
    );
    return [
      ...amiss,
      ...bare.map((u): FitProblem => {
        const [x, y] = onSide(gable.side, u, 0);
        return {
          members: ['roof', 'nothing'],
          ids: [],
          kind: 'missing',
          mm: stock.depth,
          at: [x, y, gable.side.plateMm],
          text: say`a ‹gable stud› is missing ${inMm(u)} along wall ${gable.side.index + 1} of "${gable.block}"`,
        };
      }),
    ];
  });
};
