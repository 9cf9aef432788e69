import {
  SLACK_MM,
  SLACK_SINE,
  halfSpace,
  SAME_POINT_MM,
  v2,
  v3,
  type Vec2,
  type Vec3,
} from '../../geom';
import { plateWidthOf, type Job, type Stock } from '../../job';
import type { Problem } from '../../problem';
import { inMm, mostMm, say } from '../../sentence';
import { named, type EndCut, type Member } from '../member/member';
import { inPart, wholly, type Added, type Pass, type Withheld } from '../pass';
import { onSide, type SideLine } from '../../roof';
import { blockAt, heightOn, type Site } from '../site';
import {
  below,
  CLIPPED_MM,
  everyPair,
  flatOn,
  hasRoom,
  missing,
  point,
  slopeCut,
  slopesOf,
  tieAt,
  type Lie,
} from './lie';
import { pairedRidges, type Pair, type PairedRidge } from './pairs';

/** Plates nearer to one height than this are level. mm */
const LEVEL_PLATES_MM = SLACK_MM.beside;

const plumbCut = (at: 'top' | 'bottom', p: Vec3, outward: Vec2): EndCut => ({
  at,
  name: 'end cut',
  keep: halfSpace(p, [outward[0], outward[1], 0]),
  meets: null,
});

/** How a joist lies across a pair's walls, whole; null where it would lie on no two level plates. */
export const wholeLie = (stock: Stock, pair: Pair): Lie | null => {
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
    return proud ? [named(slopeCut(which, below(slope, 0)), 'clip cut')] : [];
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

/**
 * The same in two, lapped over a wall half-way: each runs past it by the lap, the one on one face of its rafter, the
 * other on the other.
 */
const lapped = (pair: Pair, whole: Lie, lap: number): readonly Lie[] => {
  const [from, to] = whole.ends;
  const middle = (from + to) / 2;
  const of = (at: 'top' | 'bottom'): EndCut[] => whole.cuts.filter((cut) => cut.at === at);
  const inner = (at: 'top' | 'bottom', x: number): EndCut =>
    plumbCut(at, point(pair, x, 0, 0), v2.scale(pair.across, at === 'top' ? 1 : -1));
  return [
    { ...whole, ends: [from, middle + lap], cuts: [inner('top', middle + lap), ...of('bottom')] },
    {
      ...whole,
      ends: [middle - lap, to],
      cuts: [...of('top'), inner('bottom', middle - lap)],
      beyond: true,
    },
  ];
};

const standsIn = (mm: number): Problem => ({
  code: 'not-framed',
  path: ['rafterTies', 'spacing'],
  text: say`the joist ${inMm(mm)} along from the first pair of rafters would stand in other timber; accepted is a spacing that is clear of it, or one tie to every so many pairs`,
});

type RafterTies = NonNullable<Job['rafterTies']>;

/** Where a joist lies along the walls, and the second of two that are lapped. mm */
interface Places {
  readonly at: number;
  readonly beyond: number;
}

/**
 * Where a joist lies along the walls, and the second where two are lapped: where it would stand in a pair of rafters flat
 * on the nearer face of them, the second on the other; else on its centre, the second beside it.
 */
const placesAt = (
  at: number,
  pairs: readonly Pair[],
  flat: number,
  thickness: number,
  lapped: boolean,
): Places => {
  const wanted = lapped ? [at, at - thickness] : [at];
  const met = pairs.find((pair) =>
    wanted.some((one) => Math.abs(pair.at - one) < flat + SAME_POINT_MM),
  );
  if (met === undefined) return { at, beyond: at - thickness };
  const way = at < met.at ? -1 : 1;
  return { at: met.at + way * flat, beyond: met.at - way * flat };
};

/**
 * Where else a joist may lie that would stand in other timber: flat on the nearer or the further face of what is there, no
 * further off its place than half the spacing; the nearest first.
 */
const slidTo = (
  at: number,
  along: Vec2,
  joist: Member,
  others: readonly Member[],
  spacing: number,
): Places[] => {
  const { thickness } = joist.stock;
  const beside = others.flatMap(({ frame, stock }): number[] => {
    if (Math.abs(v2.dot(v3.inPlan(frame.a), along)) > BESIDE) return [];
    const middle = v2.dot(v3.inPlan(frame.origin), along);
    const flat = (stock.thickness + thickness) / 2;
    return [middle - flat, middle + flat];
  });
  return beside
    .filter((one) => Math.abs(one - at) <= spacing / 2)
    .sort((p, q) => Math.abs(p - at) - Math.abs(q - at))
    .map((one) => ({ at: one, beyond: one }));
};

/** A timber that turns further than this, as a sine, off a joist's way is nothing to lie flat on. */
const BESIDE = SLACK_SINE.along;

/** Which way a ridge's pairs are counted, as its rafters are: from where the first of its two eaves starts. */
const countedFrom = ([pair]: readonly Pair[]): 1 | -1 => {
  if (pair === undefined) return 1;
  const [one, other] = pair.rafters;
  const { slope } = (one.span.side < other.span.side ? one : other).span;
  return v2.dot(slope.along, pair.along) > 0 ? 1 : -1;
};

/** Where the inside face of the end wall stands that a pair's walls start from, along them. mm */
const insideOfWall = (site: Site, { along, rafters: [{ span }] }: Pair, onward: 1 | -1): number => {
  const { sides } = blockAt(site, span.block);
  // The wall that looks along them, the way they are counted.
  const facing = (side: SideLine): number => onward * v2.dot(side.inward, along);
  const [end] = [...sides].sort((p, q) => facing(q) - facing(p));
  return end === undefined
    ? 0
    : v2.dot(onSide(end, end.lengthMm / 2, plateWidthOf(site.job)), along);
};

/** Joists at a spacing of their own, so that they lie on rafters as often as the two spacings allow; those between two pairs that both have room for one. */
const atSpacing = (
  site: Site,
  ridges: readonly PairedRidge[],
  spacing: number,
  stock: Stock,
  liesOf: (pair: Pair) => readonly Lie[],
  before: readonly Member[],
): Pick<Added, 'members' | 'withheld' | 'slid'> => {
  const { common } = site.job.timber;
  const set: Member[] = [];
  let slid = 0;
  const withheld: Withheld[] = [];
  for (const { pairs } of ridges) {
    const wanted = pairs.filter((pair) => liesOf(pair).length > 0);
    const onward = countedFrom(wanted);
    const inOrder = onward > 0 ? wanted : [...wanted].reverse();
    const [first, last] = [inOrder[0], inOrder.at(-1)];
    if (first === undefined || last === undefined) continue;
    const [firstLie] = liesOf(first);
    if (firstLie === undefined) continue;
    const flat = flatOn(firstLie, common);
    const length = onward * (last.at - first.at);
    // Beside the first pair inside the end one, whose place is a gable's and not the layout's.
    const lead =
      onward *
      (site.job.rafterTies?.from === 'wall'
        ? insideOfWall(site, first, onward) - first.at
        : (inOrder[1] ?? first).at - first.at + onward * flat);
    const start = lead - Math.floor(lead / spacing) * spacing;
    for (let k = 0; start + k * spacing <= length + SAME_POINT_MM; k += 1) {
      const along = start + k * spacing;
      const at = first.at + onward * along;
      // Of the pairs, the one before it: what lies beside none still lies on the same two walls.
      const own = inOrder.filter((pair) => onward * (pair.at - at) <= 0).at(-1);
      const after = (onward > 0 ? pairs : [...pairs].reverse()).find(
        (pair) => onward * (pair.at - at) > 0,
      );
      if (own === undefined || (after !== undefined && !wanted.includes(after))) continue;
      const lies = liesOf(own);
      const lain = (places: Places): Member[] =>
        lies.map((lie, i) => {
          const aside = (lie.beyond === true ? places.beyond : places.at) - own.at;
          return tieAt(own, lie, aside, set.length, ...(lies.length > 1 ? [i] : []));
        });
      const atEnd = k === 0 ? first : along + spacing > length ? last : null;
      const ways = [
        placesAt(at, wanted, flat, onward * stock.thickness, lies.length > 1),
        // At a gable, or beside a hip's end, the first or the last may find room on the end pair itself.
        ...(atEnd === null
          ? []
          : ([1, -1] as const).map((way) => ({
              at: atEnd.at + way * flat,
              beyond: atEnd.at - way * flat,
            }))),
      ];
      const standing = [...before, ...set];
      const fits = (places: Places): boolean => hasRoom(site, lain(places), standing);
      const place = ways.find(fits);
      const [joist, second] = lain({ at, beyond: at });
      const aside =
        place !== undefined || joist === undefined || second !== undefined
          ? undefined
          : slidTo(at, own.along, joist, before, spacing).find(fits);
      if (aside !== undefined) slid += 1;
      const found = place ?? aside;
      if (found !== undefined) set.push(...lain(found));
      else if (atEnd === null) {
        const [wantedAt] = ways;
        withheld.push(inPart(standsIn(along), wantedAt === undefined ? [] : lain(wantedAt)));
      }
    }
  }
  return { members: set, withheld, slid };
};

/** A spacing that no joist fits at. */
const tooClose = ({ spacing }: RafterTies, stock: Stock): Problem | null =>
  spacing === undefined || spacing > stock.thickness
    ? null
    : {
        code: 'size',
        path: ['rafterTies', 'spacing'],
        text: say`${inMm(spacing, 1)} ‹on centre› leaves no gap between ties ${inMm(stock.thickness, 1)} thick; accepted is more`,
      };

/** A lap as long as this comes to the other wall's plate. mm */
const mostLap = ({ ends: [from, to] }: Lie, plateMm: number): number => (to - from) / 2 - plateMm;

/** Ties whose lap reaches the other wall of their part. */
const lappedOut = (
  { lap = 0 }: RafterTies,
  pairs: readonly Pair[],
  plateMm: number,
  whole: (pair: Pair) => Lie | null,
): Withheld[] => {
  const spans = pairs.flatMap((pair) => {
    const lie = whole(pair);
    return lie === null || lap < mostLap(lie, plateMm) ? [] : [{ pair, lie }];
  });
  const least = Math.min(...spans.map(({ lie }) => mostLap(lie, plateMm)));
  return spans.length === 0
    ? []
    : [
        inPart(
          {
            code: 'size',
            path: ['rafterTies', 'lap'],
            text: say`a lap of ${inMm(lap)} past the middle reaches the other wall’s ‹plate›; accepted is under ${mostMm(least)}`,
          },
          spans.map(({ pair, lie }, i) => tieAt(pair, lie, 0, i)),
        ),
      ];
};

/** Rafter ties, which are the ceiling joists: on both plates, beside the feet of a pair, clipped to the slope. */
export const rafterTies: Pass = (site, primary, before) => {
  const { rafterTies: ties, timber } = site.job;
  if (ties === undefined) return { members: [], problems: [] };
  const stock = timber.rafterTie;
  if (stock === undefined) return missing('rafterTie', 'rafter ties');
  const { lap } = ties;
  const plateMm = plateWidthOf(site.job);
  const liesOf = (pair: Pair): readonly Lie[] => {
    const whole = wholeLie(stock, pair);
    if (whole === null) return [];
    if (lap === undefined) return [whole];
    return lap < mostLap(whole, plateMm) ? lapped(pair, whole, lap) : [];
  };
  const ridges = pairedRidges(site, primary);
  const wrong = tooClose(ties, stock);
  if (wrong !== null) return { members: [], problems: [], withheld: [wholly(wrong)] };
  const pairs = ridges.flatMap((ridge) => ridge.pairs);
  const out = lappedOut(ties, pairs, plateMm, (pair) => wholeLie(stock, pair));
  if (ties.spacing === undefined)
    return {
      ...everyPair(site, ridges, ties.every, liesOf, before),
      problems: [],
      withheld: out,
    };
  const alone = ridges.reduce((sum, ridge) => sum + ridge.alone.length, 0);
  const set = atSpacing(site, ridges, ties.spacing, stock, liesOf, before);
  return { ...set, problems: [], withheld: [...out, ...(set.withheld ?? [])], alone };
};
