import { SLACK_MM, v2, v3, type HalfSpace, type Vec3 } from '../../geom';
import type { Stock } from '../../job';
import type { Slope } from '../../roof';
import { say } from '../../sentence';
import { clashing } from '../joint/in-space';
import { makeMember, axisOf, memberId, type EndCut, type Member } from '../member/member';
import type { Added } from '../pass';
import { blockAt, type Site } from '../site';
import type { Pair, PairedRidge } from './pairs';

/** Rise of a slope's plane to its inside, less what is held off it square to it. */
export const below = ({ plane }: Slope, hold: number): HalfSpace => ({
  normal: plane.normal,
  offset: plane.offset - hold,
});

/** The plan distance along `across` at which a plane stands at a height, from the ridge's side of one pair. mm */
export const crossingAt = ({ normal, offset }: HalfSpace, pair: Pair, z: number): number => {
  const rate = v2.dot([normal[0], normal[1]], pair.across);
  const base = v2.scale(pair.along, pair.at);
  return (offset - normal[2] * z - v2.dot([normal[0], normal[1]], base)) / rate;
};

export const point = (pair: Pair, x: number, y: number, z: number): Vec3 => {
  const p = v2.add(v2.scale(pair.across, x), v2.scale(pair.along, pair.at + y));
  return [p[0], p[1], z];
};

export interface Lie {
  readonly kind: 'collar-tie' | 'rafter-tie';
  readonly stock: Stock;
  /** Height of its bottom edge. mm */
  readonly bottomMm: number;
  /** Where its theory line starts and ends, along `across`. mm */
  readonly ends: readonly [number, number];
  readonly cuts: readonly EndCut[];
  /** The second of two lapped over a wall: it lies on the other face of its rafter. */
  readonly beyond?: boolean;
}

/** A tie `aside` the middle of a pair, flat on one face of both rafters where that is their thickness and its own by half. */
export const tieAt = (
  pair: Pair,
  lie: Lie,
  aside: number,
  ...number: readonly number[]
): Member => {
  const { block, side: wall } = pair.rafters[0].span;
  const a: Vec3 = [pair.across[0], pair.across[1], 0];
  const e: Vec3 = [0, 0, 1];
  return makeMember({
    id: memberId(block, lie.kind, wall, ...number),
    kind: lie.kind,
    block,
    side: wall,
    stock: lie.stock,
    frame: { origin: point(pair, lie.ends[0], aside, lie.bottomMm), a, e, s: v3.cross(e, a) },
    topMm: lie.stock.depth,
    ends: lie.cuts,
    axis: axisOf(lie.ends[1] - lie.ends[0], 0),
    pair: { rise: pair.rafters[0].span.slope.rise, run: 1 },
  });
};

/** How far aside the middle of its rafters a tie lies flat on them. mm */
export const flatOn = ({ stock }: Lie, common: Stock): number =>
  (common.thickness + stock.thickness) / 2;

/** Whether ties can lie where they are: inside the walls, and in no other timber. */
export const hasRoom = (site: Site, ties: readonly Member[], before: readonly Member[]): boolean =>
  ties.every((tie) => insideWalls(site, tie) && clashing(tie, before).length === 0);

/**
 * One tie, or two lapped, every so many pairs, counted from the ridge's first. Each lies on the side of its rafters that looks to the
 * middle of the ridge, so that those at a gable are inside; on the other where something stands there.
 */
export const everyPair = (
  site: Site,
  ridges: readonly PairedRidge[],
  every: number,
  lieOf: (pair: Pair) => readonly Lie[],
  before: readonly Member[],
): Pick<Added, 'members' | 'alone' | 'noRoom'> => {
  const numbers = new Map<string, number>();
  const set: Member[] = [];
  const noRoom: Member[] = [];
  for (const { pairs, middle } of ridges) {
    const wanted = pairs.flatMap((pair) => {
      const lies = lieOf(pair);
      return lies.length === 0 ? [] : [{ pair, lies }];
    });
    // Counted among those that have room for one.
    let since = every;
    for (const { pair, lies } of wanted) {
      const { block, side } = pair.rafters[0].span;
      const key = `${block} ${side}`;
      const number = numbers.get(key) ?? 0;
      const ways = pair.at > middle ? ([-1, 1] as const) : ([1, -1] as const);
      const placed = ways.map((way) =>
        lies.map((lie, i) => {
          const aside = (lie.beyond === true ? -way : way) * flatOn(lie, site.job.timber.common);
          return tieAt(pair, lie, aside, number, ...(lies.length > 1 ? [i] : []));
        }),
      );
      const ties = placed.find((all) => hasRoom(site, all, [...before, ...set]));
      if (ties === undefined) {
        // One of two that are lapped stands for both.
        noRoom.push(...(placed[0] ?? []).slice(0, 1));
        continue;
      }
      if (since < every) {
        since += 1;
        continue;
      }
      since = 1;
      numbers.set(key, number + 1);
      set.push(...ties);
    }
  }
  return {
    members: set,
    alone: ridges.reduce((sum, { alone }) => sum + alone.length, 0),
    noRoom,
  };
};

/** A corner that stands above its slope by less than this is left. mm */
export const CLIPPED_MM = SLACK_MM.place;

/** A tie that reaches past a wall's outside face by less than this is within it. mm */
const AT_WALL_MM = SLACK_MM.beside;

/** Whether a tie lies wholly inside the walls of its block: beside a gable's first rafter there is an outside, too. */
export const insideWalls = (site: Site, { block, frame, axis, stock }: Member): boolean => {
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

export const slopesOf = ({ rafters: [one, other] }: Pair): readonly [Slope, Slope] => [
  one.span.slope,
  other.span.slope,
];

export const slopeCut = (at: 'top' | 'bottom', keep: HalfSpace): EndCut => ({
  at,
  name: 'slope cut',
  keep,
  meets: null,
});

export const missing = (kind: 'collarTie' | 'rafterTie', what: string): Added => ({
  members: [],
  problems: [
    {
      code: 'missing-timber',
      path: ['timber', kind],
      text: say`missing; this roof has ${what}, so give their actual size as {"thickness": 38.1, "depth": 140}`,
    },
  ],
});
