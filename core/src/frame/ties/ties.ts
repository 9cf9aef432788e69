import { halfSpace, v2, v3, type HalfSpace, type Vec2, type Vec3 } from '../../geom';
import type { Job, Stock } from '../../job';
import type { Slope } from '../../roof';
import { inMm, mostMm, say } from '../../sentence';
import type { Problem } from '../../problem';
import { clashing } from '../joint/in-space';
import { axisOf, memberId, type EndCut, type Member } from '../member/member';
import type { Added, Pass } from '../pass';
import { blockAt, sideAt, heightOn, type Site } from '../site';
import { pairedRidges, type Pair, type PairedRidge } from './pairs';

/** A tie shorter than this ties nothing. mm */
const SHORTEST_TIE_MM = 200;

/** Rise of a slope's plane to its inside, less what is held off it square to it. */
const below = ({ plane }: Slope, hold: number): HalfSpace => ({
  normal: plane.normal,
  offset: plane.offset - hold,
});

/** The plan distance along `across` at which a plane stands at a height, from the ridge's side of one pair. mm */
const crossingAt = ({ normal, offset }: HalfSpace, pair: Pair, z: number): number => {
  const rate = v2.dot([normal[0], normal[1]], pair.across);
  const base = v2.scale(pair.along, pair.at);
  return (offset - normal[2] * z - v2.dot([normal[0], normal[1]], base)) / rate;
};

const point = (pair: Pair, x: number, y: number, z: number): Vec3 => {
  const p = v2.add(v2.scale(pair.across, x), v2.scale(pair.along, pair.at + y));
  return [p[0], p[1], z];
};

interface Lie {
  readonly kind: 'collar-tie' | 'rafter-tie';
  readonly stock: Stock;
  /** Height of its bottom edge. mm */
  readonly bottomMm: number;
  /** Where its theory line starts and ends, along `across`. mm */
  readonly ends: readonly [number, number];
  readonly cuts: readonly EndCut[];
}

/** A tie flat on one face of both rafters of a pair: the one `side` of them. */
const tieOn = (pair: Pair, lie: Lie, side: 1 | -1, common: Stock, number: number): Member => {
  const { block, side: wall } = pair.rafters[0].span;
  const aside = (side * (common.thickness + lie.stock.thickness)) / 2;
  const a: Vec3 = [pair.across[0], pair.across[1], 0];
  const e: Vec3 = [0, 0, 1];
  return {
    id: memberId(block, lie.kind, wall, number),
    kind: lie.kind,
    block,
    side: wall,
    stock: lie.stock,
    frame: { origin: point(pair, lie.ends[0], aside, lie.bottomMm), a, e, s: v3.cross(e, a) },
    topMm: lie.stock.depth,
    ends: lie.cuts,
    notches: [],
    bevels: [],
    mayStandProud: false,
    axis: axisOf(lie.ends[1] - lie.ends[0], 0),
    pair: { rise: pair.rafters[0].span.slope.rise, run: 1 },
    fold: null,
    dropMm: null,
  };
};

/**
 * One tie every so many pairs, counted from the ridge's first. Each lies on the side of its rafters that looks to the
 * middle of the ridge, so that those at a gable are inside; on the other where something stands there.
 */
const everyPair = (
  site: Site,
  ridges: readonly PairedRidge[],
  every: number,
  lieOf: (pair: Pair) => Lie | null,
  before: readonly Member[],
): Pick<Added, 'members' | 'alone'> => {
  const numbers = new Map<string, number>();
  const set: Member[] = [];
  for (const { pairs, middle } of ridges) {
    const wanted = pairs.flatMap((pair) => {
      const lie = lieOf(pair);
      return lie === null ? [] : [{ pair, lie }];
    });
    // Counted among those that have room for one.
    let since = every;
    for (const { pair, lie } of wanted) {
      const { block, side } = pair.rafters[0].span;
      const key = `${block} ${side}`;
      const number = numbers.get(key) ?? 0;
      const ways = pair.at > middle ? ([-1, 1] as const) : ([1, -1] as const);
      const tie = ways
        .map((way) => tieOn(pair, lie, way, site.job.timber.common, number))
        .find((one) => insideWalls(site, one) && clashing(one, [...before, ...set]).length === 0);
      if (tie === undefined) continue;
      if (since < every) {
        since += 1;
        continue;
      }
      since = 1;
      numbers.set(key, number + 1);
      set.push(tie);
    }
  }
  return { members: set, alone: ridges.reduce((sum, { alone }) => sum + alone.length, 0) };
};

/** A tie that reaches past a wall's outside face by less than this is within it. mm */
const AT_WALL_MM = 0.5;

/** Whether a tie lies wholly inside the walls of its block: beside a gable's first rafter there is an outside, too. */
const insideWalls = (site: Site, { block, frame, axis, stock }: Member): boolean => {
  const { walls } = blockAt(site, block);
  const half = stock.thickness / 2;
  const [x, y] = frame.origin;
  return [0, axis.runMm].every((t) =>
    [half, -half].every((aside) => {
      const p = [x + frame.a[0] * t + frame.s[0] * aside, y + frame.a[1] * t + frame.s[1] * aside];
      return walls.every(({ a, b, c }) => a * (p[0] ?? 0) + b * (p[1] ?? 0) - c < AT_WALL_MM);
    }),
  );
};

const slopesOf = ({ rafters: [one, other] }: Pair): readonly [Slope, Slope] => [
  one.span.slope,
  other.span.slope,
];

const slopeCut = (at: 'top' | 'bottom', keep: HalfSpace): EndCut => ({
  at,
  name: 'slope cut',
  keep,
  meets: null,
});

type CollarTies = NonNullable<Job['collarTies']>;

/** The share of the rise that a tie in the upper third stands at. */
const UPPER_THIRD = 2 / 3;

/** Over a pair's own plate, the height of a collar tie's bottom edge, as the crew gives it. mm */
const collarBottom = (site: Site, pair: Pair, { bottom, hold }: CollarTies): number => {
  const { block, side } = pair.rafters[0].span;
  const { plateMm } = blockAt(site, block);
  if (typeof bottom === 'number') return plateMm + bottom;
  if (bottom === 'upper-third') {
    const foot = plateMm + sideAt(site, block, side).hapMm;
    return foot + UPPER_THIRD * (pair.peakMm - foot);
  }
  // By its long point: the slopes part evenly below the peak, so that one length stands at one height.
  const [one, other] = slopesOf(pair).map((slope) => below(slope, hold));
  if (one === undefined || other === undefined) throw new Error('frame: a pair without two slopes');
  const length = (z: number): number => crossingAt(other, pair, z) - crossingAt(one, pair, z);
  const perMm = length(pair.peakMm - 1) - length(pair.peakMm);
  return pair.peakMm - (bottom.longPoint - length(pair.peakMm)) / perMm;
};

const tooHigh = (site: Site, pair: Pair, lie: Lie, ties: CollarTies): Problem | null => {
  const { block } = pair.rafters[0].span;
  const { plateMm } = blockAt(site, block);
  // The ridge stands so low that its top corners come up to the slopes.
  const ridge = site.job.timber.ridge;
  const steepest = Math.max(...slopesOf(pair).map(({ rise }) => rise));
  const under =
    pair.peakMm - (ridge === undefined ? 0 : ridge.depth + (steepest * ridge.thickness) / 2);
  const most = under - lie.stock.depth - plateMm;
  const bottom = lie.bottomMm - plateMm;
  const length = lie.ends[1] - lie.ends[0];
  const path =
    typeof ties.bottom === 'object' ? 'collarTies.bottom.longPoint' : 'collarTies.bottom';
  if (bottom > most)
    return {
      code: 'size',
      path,
      text: say`a collar tie ${inMm(lie.stock.depth)} deep with its bottom ${inMm(bottom)} above the ‹plate› of "${block}" would stand in the ‹ridge› or above it; accepted is at most ${mostMm(most)} there, or a shallower tie`,
    };
  if (lie.bottomMm < pair.lowMm || length < SHORTEST_TIE_MM)
    return {
      code: 'size',
      path,
      text: say`a collar tie ${inMm(bottom)} above the ‹plate› of "${block}" does not reach its rafters; accepted is over ${inMm(pair.lowMm - plateMm)} and at most ${mostMm(most)} there`,
    };
  return null;
};

const inTheWay = ({ bottom }: CollarTies): Problem => ({
  code: 'size',
  path: typeof bottom === 'object' ? 'collarTies.bottom.longPoint' : 'collarTies.bottom',
  text: say`other timber stands where every ‹collar tie› would lie, ‹purlins› perhaps; accepted is a height clear of it`,
});

const missing = (kind: 'collarTie' | 'rafterTie', what: string): Added => ({
  members: [],
  problems: [
    {
      code: 'missing-timber',
      path: `timber.${kind}`,
      text: say`missing; this roof has ${what}, so give their actual size as {"thickness": 38.1, "depth": 140}`,
    },
  ],
});

/** Collar ties, level in the upper part of the roof, their ends held off the slopes. */
export const collarTies: Pass = (site, primary, before) => {
  const { collarTies: ties, timber } = site.job;
  if (ties === undefined) return { members: [], problems: [] };
  const stock = timber.collarTie;
  if (stock === undefined) return missing('collarTie', 'collar ties');
  const ridges = pairedRidges(site, primary);
  const lieOf = (pair: Pair): Lie => {
    const bottomMm = collarBottom(site, pair, ties);
    const [one, other] = slopesOf(pair);
    return {
      kind: 'collar-tie',
      stock,
      bottomMm,
      ends: [
        crossingAt(below(one, 0), pair, bottomMm),
        crossingAt(below(other, 0), pair, bottomMm),
      ],
      cuts: [slopeCut('top', below(other, ties.hold)), slopeCut('bottom', below(one, ties.hold))],
    };
  };
  // What starts above the tie, on a valley, has none.
  const reaches = (pair: Pair): Lie | null => {
    const lie = lieOf(pair);
    const whole = pair.rafters.every(({ span }) => span.foot !== null);
    return whole || lie.bottomMm > pair.lowMm ? lie : null;
  };
  const lies = new Map(
    ridges.flatMap(({ pairs }) =>
      pairs.flatMap((pair) => {
        const lie = reaches(pair);
        return lie === null ? [] : [[pair, lie] as const];
      }),
    ),
  );
  const problems = [...lies].flatMap(([pair, lie]) => tooHigh(site, pair, lie, ties) ?? []);
  if (problems.length > 0) return { members: [], problems };
  const set = everyPair(site, ridges, ties.every, (pair) => lies.get(pair) ?? null, before);
  return lies.size > 0 && set.members.length === 0
    ? { members: [], problems: [inTheWay(ties)] }
    : { ...set, problems: [] };
};

const plumbCut = (at: 'top' | 'bottom', p: Vec3, outward: Vec2): EndCut => ({
  at,
  name: 'end cut',
  keep: halfSpace(p, [outward[0], outward[1], 0]),
  meets: null,
});

/** Rafter ties, which are the ceiling joists: on both plates, beside the feet of a pair, clipped to the slope. */
export const rafterTies: Pass = (site, primary, before) => {
  const { rafterTies: ties, timber } = site.job;
  if (ties === undefined) return { members: [], problems: [] };
  const stock = timber.rafterTie;
  if (stock === undefined) return missing('rafterTie', 'rafter ties');
  const lieOf = (pair: Pair): Lie | null => {
    const [one, other] = pair.rafters.map(({ span }) => span.foot);
    if (one == null || other == null) return null;
    const bottomMm = one.side.plateMm;
    // Walls of unlike height have no level tie on both.
    if (Math.abs(other.side.plateMm - bottomMm) > LEVEL_PLATES_MM) return null;
    const at = (foot: typeof one): number => v2.dot(foot.side.start, pair.across);
    const ends = [at(one), at(other)] as const;
    const clips = slopesOf(pair).map((slope, i) => ({ slope, at: ends[i] ?? 0 }));
    const clip = ({ slope, at: x }: (typeof clips)[number], which: 'top' | 'bottom'): EndCut[] => {
      const p = point(pair, x, 0, 0);
      const proud = bottomMm + stock.depth > heightOn(slope, [p[0], p[1]]) + CLIPPED_MM;
      return proud ? [{ ...slopeCut(which, below(slope, 0)), name: 'clip cut' }] : [];
    };
    const [low, high] = clips;
    return {
      kind: 'rafter-tie',
      stock,
      bottomMm,
      ends,
      cuts: [
        plumbCut('top', point(pair, ends[1], 0, 0), pair.across),
        ...(high === undefined ? [] : clip(high, 'top')),
        plumbCut('bottom', point(pair, ends[0], 0, 0), v2.scale(pair.across, -1)),
        ...(low === undefined ? [] : clip(low, 'bottom')),
      ],
    };
  };
  const ridges = pairedRidges(site, primary);
  return { ...everyPair(site, ridges, ties.every, lieOf, before), problems: [] };
};

/** A corner that stands above its slope by less than this is left. mm */
const CLIPPED_MM = 0.05;
/** Plates nearer to one height than this are level. mm */
const LEVEL_PLATES_MM = 0.5;
