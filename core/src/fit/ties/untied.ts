import {
  SLACK_MM,
  clipByAll,
  FIT_GAP_MM,
  FIT_OVERLAP_MM3,
  planeAt,
  SAME_WAY_SINE,
  v2,
  v3,
  volume,
  type ConvexSolid,
  type HalfSpace,
} from '../../geom';
import { isRafter } from '../../kinds';
import { say } from '../../sentence';
import { otherOf, type Touching } from '../contact/contacts';
import { middleOf, type FrameOnSite } from '../frame-on-site';
import { slopeOf } from '../roof/layout';
import { isEavePlate, levelBox, type Placed, type PlacedPlate } from '../contact/placed';
import type { FitProblem } from '../report';
import { bottomOf } from './tie-height';

/** Rafters whose middle planes are this near lean against each other. mm */
const OPPOSITE_MM = SLACK_MM.shut;
/** Headings this near to opposite are, as a cosine. */
const FACING = -1 + SAME_WAY_SINE;

/** Rafters that lean against each other across a ridge, told by their solids alone. */
export interface Opposite {
  readonly rafters: readonly [Placed, Placed];
  /** Which line of the roof they lean on, and where along it. mm */
  readonly ridge: number;
  readonly at: number;
}

export const opposites = ({ roof, job, members }: FrameOnSite): Opposite[] => {
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

export type TieKind = 'collar-tie' | 'rafter-tie';

/** The plates that a timber lies on. */
export const platesUnder = (placed: Placed, touching: Touching): PlacedPlate[] =>
  touching(placed)
    .map((contact) => otherOf(contact, placed))
    .filter(isEavePlate);

/** The heights of the plates that a rafter is seated on. mm */
const seatedAt = (rafter: Placed, touching: Touching): number[] =>
  platesUnder(rafter, touching).map(({ plate }) => plate.topMm);

/** Whether a pair wants a tie: for a collar, wood of both at its height; for a rafter tie, one plate's height under both. */
export const wants = (
  site: FrameOnSite,
  kind: TieKind,
  { rafters: [one, other] }: Opposite,
  touching: Touching,
): boolean => {
  if (kind === 'rafter-tie') {
    // A jack beside a valley can lie over a plate too; its foot is the valley.
    if ([one, other].some(({ member }) => member.kind !== 'common')) return false;
    const tops = seatedAt(other, touching);
    return seatedAt(one, touching).some((top) =>
      tops.some((z) => Math.abs(z - top) < SLACK_MM.beside),
    );
  }
  const [left, right] = [slopeOf(site, one), slopeOf(site, other)];
  const bottom = left && right && bottomOf(site, one, left, right);
  if (bottom == null) return false;
  return [one, other].every((rafter) => {
    const low = Math.min(...rafter.tops.flatMap(({ points }) => points.map((p) => p[2])));
    return low < bottom - 2 * rafter.member.stock.depth;
  });
};

/** Ties that could lie elsewhere: each rafter that they lie on has another. */
export type Spare = ReadonlySet<Placed>;

/** Whether any timber stands in the place of a solid, but for ties that could lie elsewhere. */
export const isTaken = (
  { members }: FrameOnSite,
  solid: ConvexSolid<null>,
  spare: Spare = new Set(),
): boolean => {
  const at = solid.flatMap(({ points }) => points);
  const bounds = ([0, 1, 2] as const).map((axis) => {
    const on = at.map((p) => p[axis]);
    return [Math.min(...on), Math.max(...on)] as const;
  });
  return members.some((placed) =>
    placed.pieces.some(({ faces, low, high }) => {
      if (spare.has(placed)) return false;
      const apart = bounds.some(
        ([from, to], axis) => (low[axis] ?? 0) > to || (high[axis] ?? 0) < from,
      );
      if (apart) return false;
      const keeps = faces.map(({ plane }) => plane);
      return volume(clipByAll<unknown>(solid, keeps, null)) > FIT_OVERLAP_MM3 / 2;
    }),
  );
};

/**
 * Whether something stands where the tie of a pair would lie, on both sides of its rafters, or it would lie outside the
 * walls there: then the pair has none.
 */
export const hasNoRoom = (
  site: FrameOnSite,
  kind: TieKind,
  { rafters: [one, other] }: Opposite,
  touching: Touching,
  spare: Spare,
): boolean => {
  const { job, roof } = site;
  const stock = kind === 'collar-tie' ? job.timber.collarTie : job.timber.rafterTie;
  const slopes = [one, other].map((rafter) => slopeOf(site, rafter));
  const [left, right] = slopes;
  const block = roof.blocks.find(({ id }) => id === one.member.block);
  if (stock === undefined || left == null || right == null || block === undefined) return false;
  const a = v2.unit(v3.inPlan(one.member.frame.a));
  const hold = kind === 'collar-tie' ? (job.collarTies?.hold ?? 0) : 0;
  const bottom =
    kind === 'rafter-tie' ? seatedAt(one, touching)[0] : bottomOf(site, one, left, right);
  if (bottom === undefined) return false;
  const [x, y] = one.member.frame.origin;
  const { thickness } = job.timber.common;
  // Of two that are lapped one lies on each side.
  const lapped = kind === 'rafter-tie' && job.rafterTies?.lap !== undefined;
  const taken = ([1, -1] as const).map((way) => {
    const near = (way * thickness) / 2;
    const far = near + way * stock.thickness;
    const whole = levelBox(
      [x, y, 0],
      a,
      [-REACH_MM, Math.min(near, far), bottom],
      [REACH_MM, Math.max(near, far), bottom + stock.depth],
    );
    const slanted = [left, right].map(({ plane }) => ({ ...plane, offset: plane.offset - hold }));
    const between = clipByAll(whole, slanted, null);
    const walls = block.walls.map(({ a: x, b: y, c }): HalfSpace => ({
      normal: [x, y, 0],
      offset: c,
    }));
    const tie = clipByAll(between, walls, null);
    const { laid } = site;
    if (
      laid !== null &&
      tie.some(({ points }) => points.some((p) => planeAt(laid.on.deck, p) < -1))
    )
      return true;
    // What lies past the eaves' walls is tail; past a gable's there is no wood to lie on.
    if (volume(tie) < volume(between) / 2) return true;
    return isTaken(site, tie, spare);
  });
  return lapped ? taken.some(Boolean) : taken.every(Boolean);
};

/** Further than any roof is wide. mm */
const REACH_MM = 200_000;

/** Pairs along a ridge that stand untied for as many as the crew ties one of, or more. */
export const untied = (
  site: FrameOnSite,
  opposite: readonly Opposite[],
  kind: TieKind,
  every: number,
  tied: ReadonlySet<Placed>,
  touching: Touching,
  spare: Spare,
): FitProblem[] => {
  const isTied = ({ rafters }: Opposite): boolean => rafters.every((one) => tied.has(one));
  const pairs = opposite.filter(
    (pair) =>
      isTied(pair) ||
      (wants(site, kind, pair, touching) && !hasNoRoom(site, kind, pair, touching, spare)),
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
        wanted: [kind],
        // Between the two, under their ridge.
        at: v3.scale(v3.add(middleOf(pair.rafters[0]), middleOf(pair.rafters[1])), 0.5),
        text: say`${pair.rafters[0].mark} and ${pair.rafters[1].mark} stand untied: one pair in ${every} has its ${kind === 'collar-tie' ? 'collar tie' : 'rafter tie'}`,
      });
    }
  }
  return found;
};
