import { SLACK_MM, PARALLEL_SINE, v2, v3, type Vec2 } from '../../geom';
import type { Slope } from '../../roof';
import { planPoint } from '../site/slope-plan';
import type { Primary } from '../primary';
import { startOf, type SetRafter } from '../rafters/set-rafters';
import { heightOn, type Site } from '../site';

/** Two rafters that lean against each other across a ridge, their faces in the same two planes. */
export interface Pair {
  readonly rafters: readonly [SetRafter, SetRafter];
  /** From the first's slope towards the second's, level and unit; and along the ridge, to its left. */
  readonly across: Vec2;
  readonly along: Vec2;
  /** Where the two centre lines stand, along `along`. mm */
  readonly at: number;
  /** The highest of their two low ends: below it one of them has no wood. mm */
  readonly lowMm: number;
  /** Where the planes of their tops meet. mm */
  readonly peakMm: number;
}

/** The pairs of one ridge, in order along it, and the rafters on it that have no partner. */
export interface PairedRidge {
  /** Where its middle stands, along `along` of its pairs. mm */
  readonly middle: number;
  readonly pairs: readonly Pair[];
  readonly alone: readonly SetRafter[];
}

/** Two centre lines this near run on into each other: the tie lies flat on both. mm */
const SAME_LINE_MM = SLACK_MM.place;
/** Two rafters whose upper ends are this near lean on one ridge. mm */
const SAME_RIDGE_MM = SLACK_MM.nothing;

const highPoint = ({ span: { slope, station, high } }: SetRafter): Vec2 =>
  planPoint(slope, station.u, high.v);

const lowHeight = ({ span }: SetRafter): number =>
  heightOn(span.slope, planPoint(span.slope, span.station.u, startOf(span)));

const facing = (one: Slope, other: Slope): boolean =>
  v2.dot(one.uphill, other.uphill) < -1 + PARALLEL_SINE;

const pairOf = (one: SetRafter, other: SetRafter): Pair | null =>
  v2.distance(highPoint(one), highPoint(other)) > SAME_RIDGE_MM ? null : oppositeOf(one, other);

/** Two rafters whose slopes face each other, in one line across. */
const oppositeOf = (one: SetRafter, other: SetRafter): Pair | null => {
  if (one.span.slope === other.span.slope || !facing(one.span.slope, other.span.slope)) return null;
  const [p, q] = [highPoint(one), highPoint(other)];
  const along = one.span.slope.along;
  if (Math.abs(v2.dot(v2.sub(p, q), along)) > SAME_LINE_MM) return null;
  return {
    rafters: [one, other],
    across: one.span.slope.uphill,
    along,
    at: v2.dot(p, along),
    lowMm: Math.max(lowHeight(one), lowHeight(other)),
    peakMm: heightOn(one.span.slope, p),
  };
};

/** Hip jacks of one part that stand opposite each other, each with its own foot on a plate. */
export const jackPairs = ({ rafters }: Primary): Pair[] => {
  const jacks = rafters.filter(({ kind, span }) => kind === 'hip-jack' && span.foot !== null);
  return jacks.flatMap((one, i) =>
    jacks.slice(i + 1).flatMap((other): Pair[] => {
      const pair = one.span.block === other.span.block ? oppositeOf(one, other) : null;
      return pair === null ? [] : [pair];
    }),
  );
};

/** Finds the rafters that stand opposite each other, ridge by ridge. */
export const pairedRidges = (site: Site, { rafters }: Primary): PairedRidge[] =>
  site.roof.lines.flatMap((line): PairedRidge[] => {
    if (line.kind !== 'ridge') return [];
    const [left, right] = line.slopes.map((index) => site.roof.slopes[index]);
    const from = v3.inPlan(line.from);
    const to = v3.inPlan(line.to);
    const heading = v2.unit(v2.sub(to, from));
    const length = v2.distance(from, to);
    const onLine = (rafter: SetRafter): boolean => {
      const off = v2.sub(highPoint(rafter), from);
      const t = v2.dot(off, heading);
      return (
        rafter.span.high.stop === 'ridge' &&
        Math.abs(v2.cross(heading, off)) < SAME_RIDGE_MM &&
        t > -SAME_RIDGE_MM &&
        t < length + SAME_RIDGE_MM
      );
    };
    const of = (slope: Slope | undefined): SetRafter[] =>
      rafters.filter((rafter) => rafter.span.slope === slope && onLine(rafter));
    const [ones, others] = [of(left), of(right)];
    const pairs = ones.flatMap((one) => {
      for (const other of others) {
        const pair = pairOf(one, other);
        if (pair !== null) return [pair];
      }
      return [];
    });
    const paired = new Set(pairs.flatMap((pair) => pair.rafters));
    return [
      {
        middle: v2.dot(v2.scale(v2.add(from, to), 0.5), left?.along ?? heading),
        pairs: pairs.sort((p, q) => p.at - q.at),
        alone: [...ones, ...others].filter((rafter) => !paired.has(rafter)),
      },
    ];
  });
