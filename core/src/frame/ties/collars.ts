import type { Job } from '../../job';
import type { Path, Problem } from '../../problem';
import { inMm, mostMm, say } from '../../sentence';
import { inPart, type Pass, type Withheld } from '../pass';
import type { Member } from '../member/member';
import { blockAt, sideAt, type Site } from '../site';
import {
  below,
  crossingAt,
  everyPair,
  flatOn,
  missing,
  slopeCut,
  slopesOf,
  tieAt,
  type Lie,
} from './lie';
import { pairedRidges, type Pair } from './pairs';

/** A tie shorter than this ties nothing. mm */
const SHORTEST_TIE_MM = 200;

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

/** Where the job says how high they lie. */
const pathOf = ({ bottom }: CollarTies): Path =>
  typeof bottom === 'object' ? ['collarTies', 'bottom', 'longPoint'] : ['collarTies', 'bottom'];

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
  const path = pathOf(ties);
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

const inTheWay = (ties: CollarTies): Problem => ({
  code: 'size',
  path: pathOf(ties),
  text: say`other timber stands where every ‹collar tie› would lie, ‹purlins› perhaps; accepted is a height clear of it`,
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
  const piecesOf = (all: readonly (readonly [Pair, Lie])[]): Member[] =>
    all.map(([pair, lie], i) => tieAt(pair, lie, flatOn(lie, timber.common), i));
  // Each part has its own room for them: a narrower one may have none.
  const withheld: Withheld[] = [];
  for (const { id } of site.roof.blocks) {
    const own = [...lies].filter(([pair]) => pair.rafters[0].span.block === id);
    const wrong = own.filter(([pair, lie]) => tooHigh(site, pair, lie, ties) !== null);
    const [first] = wrong;
    const problem = first === undefined ? null : tooHigh(site, ...first, ties);
    if (problem === null) continue;
    withheld.push(inPart(problem, piecesOf(wrong)));
    for (const [pair] of wrong) lies.delete(pair);
  }
  const lying = (pair: Pair): readonly Lie[] => {
    const lie = lies.get(pair);
    return lie === undefined ? [] : [lie];
  };
  const set = everyPair(site, ridges, ties.every, lying, before);
  if (lies.size > 0 && set.members.length === 0)
    withheld.push(inPart(inTheWay(ties), piecesOf([...lies])));
  return { ...set, problems: [], withheld };
};
