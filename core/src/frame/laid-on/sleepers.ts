import {
  halfSpace,
  planeAt,
  SAME_POINT_MM,
  v2,
  v3,
  type Plane,
  type Vec2,
  type Vec3,
} from '../../geom';
import type { Job } from '../../job';
import { climbs, type ChalkLine, type LaidOn, type SideLine } from '../../roof';
import { plumbKeep } from '../member/board';
import { makeMember, axisOf, memberId, type EndCut, type Member } from '../member/member';
import { isRafter } from '../../kinds';
import { runFrom } from '../site';
import { isSeated, through } from './on-deck';

/** How far inside the chalk line a board so thick lies, so that the upper slope's plane just touches its outer edge. mm */
const setBack = (upper: Plane, deck: Plane, thickness: number): number => {
  const cosine = v3.dot(upper.normal, deck.normal);
  return (thickness * cosine) / Math.sqrt(1 - cosine ** 2);
};

/**
 * A sleeper flat on the lower roof's sheathing under one upper slope:
 *
 *   upper rafters' tops ╲
 *                    ┌───╲┐    its outer top edge in their plane,
 *                    └────┘╲   its outer side set back from the chalk line
 *   ▁▁▁▁▁▁▁▁▁▁▁▁▁▁▁▁▁▁▁▁▁▁▁▁▁╲ lower sheathing
 */
const sleeperOn = (
  job: Job,
  { block, whole, deck, wall }: LaidOn,
  chalk: ChalkLine,
  ridge: Member | undefined,
  reach: Reach,
): Member | null => {
  const stock = job.timber.sleeper;
  const upper = whole.slopes.find(({ sides }) => sides.some(({ side }) => side === chalk.side));
  if (stock === undefined || upper === undefined) return null;
  const a = v3.unit(v3.sub(chalk.to, chalk.from));
  const { normal } = deck;
  // In the lower slope, square to the line, in under the upper one.
  const across = v3.cross(normal, a);
  const under = v3.dot(across, upper.plane.normal) < 0 ? v3.scale(across, -1) : across;
  const inward: Vec3 =
    planeAt(upper.plane, v3.add(chalk.from, under)) < 0 ? under : v3.scale(under, -1);
  const back = setBack(upper.plane, deck, stock.thickness);
  const e = v3.scale(inward, -1);
  const origin = v3.add(
    v3.add(chalk.from, v3.scale(inward, back)),
    v3.scale(normal, stock.thickness / 2),
  );
  const ends: EndCut[] = [
    topCut(chalk, ridge, upper.plane),
    {
      at: 'bottom',
      name: 'foot cut',
      keep: plumbKeep(startOf(chalk, wall, reach), v2.scale(wall.inward, -1)),
      meets: null,
    },
  ];
  return makeMember({
    id: memberId(block, 'sleeper', chalk.side),
    kind: 'sleeper',
    block,
    side: chalk.side,
    stock,
    frame: { origin, a, e, s: v3.cross(e, a) },
    topMm: 0,
    ends,
    axis: axisOf(
      v2.distance(v3.inPlan(chalk.from), v3.inPlan(chalk.to)),
      chalk.to[2] - chalk.from[2],
    ),
    // Of the lower slope's rise, its own run.
    pair: {
      rise: chalk.to[2] - chalk.from[2],
      run: v2.distance(v3.inPlan(chalk.from), v3.inPlan(chalk.to)),
    },
    setBackMm: back,
  });
};

/**
 * Where a sleeper starts: at its chalk line's low end; past where the upper roof's plates end, where that line starts out
 * beside them; but no further up than the first rafter that stands on it.
 */
const startOf = ({ from, to }: ChalkLine, wall: SideLine, { plates, rafters }: Reach): Vec2 => {
  const [a, b] = [from, to].map((p) => runFrom(wall, v3.inPlan(p)));
  if (a === undefined || b === undefined) return v3.inPlan(from);
  const start = Math.min(rafters, Math.max(a, Math.min(plates, rafters)));
  return v3.inPlan(v3.lerp(from, to, (start - a) / (b - a)));
};

/** How far in from the wall below the upper roof's plates end, and the first of its rafters that stands on none starts. mm */
interface Reach {
  readonly plates: number;
  readonly rafters: number;
}

/** At its upper end plumb against the ridge's side, or on the middle between two sleepers where there is none. */
const topCut = (chalk: ChalkLine, ridge: Member | undefined, upper: Plane): EndCut => {
  const out = v2.unit([upper.normal[0], upper.normal[1]]);
  const half = ridge === undefined ? 0 : ridge.stock.thickness / 2;
  const at = v2.add(v3.inPlan(chalk.to), v2.scale(out, half));
  return {
    at: 'top',
    name: 'ridge cut',
    keep: halfSpace([at[0], at[1], 0], [-out[0], -out[1], 0]),
    meets: ridge?.id ?? null,
  };
};

/** The sleepers of a laid-on roof, one a chalk line that runs up the roof, where the crew has them. */
export const sleepers = (job: Job, laid: LaidOn, members: readonly Member[]): readonly Member[] => {
  const ridge = members.find(({ kind }) => kind === 'ridge');
  // From where the plates end, or under the first rafter that no longer stands on them.
  const jacks = members
    .filter((member) => isRafter(member) && !isSeated(laid, member))
    .map((member) => {
      const { origin, a } = member.frame;
      // At its foot: a wall out of square runs off its way.
      const foot = v3.add(origin, v3.scale(a, through(member, laid.deck) ?? 0));
      return runFrom(laid.wall, v3.inPlan(foot)) - member.stock.thickness / 2;
    });
  const reach = { plates: laid.platesMm, rafters: Math.min(Infinity, ...jacks) };
  return laid.chalk.filter(climbs).flatMap((chalk): Member[] => {
    const sleeper = sleeperOn(job, laid, chalk, ridge, reach);
    return sleeper === null || sleeper.axis.runMm < SAME_POINT_MM ? [] : [sleeper];
  });
};
