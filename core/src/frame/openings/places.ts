import {
  SLACK_MM,
  chordOf,
  insideBy,
  intervals,
  TOUCHING_MM,
  type Interval,
  type Vec2,
} from '../../geom';
import type { Job } from '../../job';
import type { Problem } from '../../problem';
import { onSide, outside, type Roof, type Slope } from '../../roof';
import { inMm, leastMm, mostMm, say } from '../../sentence';
import { onSlope, planPoint } from '../site/slope-plan';
import { wholly, type Withheld } from '../pass';
import { rafterStock, type OpeningPlace } from '../site';

type Opening = Job['openings'][number];

/** A rafter that an opening leaves less than this of, plan, is none. mm */
const LEAST_JACK_MM = 150;
/** A stretch that runs on across a seam of its slope is one. mm */
const SEAM_MM = SLACK_MM.shut;

/** How many stand side by side. */
const ply = ({ doubled }: Opening): number => (doubled === true ? 2 : 1);

/** Where a slope's level line, or its line up the slope, lies on it. */
const chordsOf = ({ pieces }: Slope, from: Vec2, way: Vec2): Interval[] =>
  intervals.unite(
    pieces.flatMap(({ polygon }): Interval[] => {
      const chord = chordOf(polygon, from, way);
      return chord === null ? [] : [[chord.low, chord.high]];
    }),
    SEAM_MM,
  );

const around = (all: readonly Interval[], [low, high]: Interval): Interval | null =>
  all.find(([from, to]) => from <= low + TOUCHING_MM && to >= high - TOUCHING_MM) ?? null;

/** The slope that the middle of an opening lies in. */
const slopeUnder = ({ slopes }: Roof, p: Vec2, { block, side }: Opening): number =>
  slopes.findIndex(({ pieces }) =>
    pieces.some(
      ({ plane, polygon }) =>
        plane.block === block && plane.side === side && insideBy(polygon.points, p) >= 0,
    ),
  );

/** What an opening takes up with its trimmers, its headers and what it leaves of the rafters, in its slope's plan. */
interface Taken {
  readonly us: Interval;
  readonly vs: Interval;
}

const problem = (index: number, text: Problem['text']): Problem => ({
  code: 'not-framed',
  path: ['openings', index],
  text,
});

/** Why it does not fit where it is, with what would; null where it does. */
const amiss = (
  opening: Opening,
  slope: Slope,
  { us, vs }: Taken,
  from: readonly [u: number, v: number],
): Problem['text'] | null => {
  const [u0, v0] = from;
  const level = (v: number): Interval | null =>
    around(chordsOf(slope, planPoint(slope, 0, v), slope.along), us);
  const upright = (u: number): Interval | null =>
    around(chordsOf(slope, planPoint(slope, u, 0), slope.uphill), vs);
  const across = [level(vs[0]), level(vs[1])];
  const up = [upright(us[0]), upright(us[1])];
  if ([...across, ...up].every((chord) => chord !== null)) return null;
  // Of the slope at its lowest and its highest, what lies nearest to it.
  const middle = (us[0] + us[1]) / 2;
  const room = (chords: readonly (readonly Interval[])[], at: number): Interval | null =>
    chords.reduce<Interval | null>(
      (left, own) => {
        const off = ([low, high]: Interval): number => Math.max(0, low - at, at - high);
        const [first, ...others] = own;
        if (first === undefined || left === null) return null;
        const found = others.reduce((p, q) => (off(q) < off(p) ? q : p), first);
        return [Math.max(left[0], found[0]), Math.min(left[1], found[1])];
      },
      [-Infinity, Infinity],
    );
  const along = room(
    [vs[0], vs[1]].map((v) => chordsOf(slope, planPoint(slope, 0, v), slope.along)),
    middle,
  );
  const sideways =
    along === null
      ? null
      : ([
          along[0] - u0 + (opening.along[0] - (us[0] - u0)),
          along[1] - u0 - (us[1] - u0 - opening.along[1]),
        ] as const);
  const heights = room(
    [us[0], us[1]].map((u) => chordsOf(slope, planPoint(slope, u, 0), slope.uphill)),
    (vs[0] + vs[1]) / 2,
  );
  const upward =
    heights === null
      ? null
      : ([
          Math.max(heights[0] - v0, 0) + (opening.up[0] - (vs[0] - v0)),
          heights[1] - v0 - (vs[1] - v0 - opening.up[1]),
        ] as const);
  const [wide, tall] = [opening.along[1] - opening.along[0], opening.up[1] - opening.up[0]];
  const fits = [
    ...(sideways !== null && sideways[1] - sideways[0] >= wide
      ? [say`from ${leastMm(sideways[0])} to ${mostMm(sideways[1])} along the wall at that height`]
      : []),
    ...(upward !== null && upward[1] - upward[0] >= tall
      ? [say`from ${leastMm(upward[0])} to ${mostMm(upward[1])} up from the ‹plate› there`]
      : []),
  ];
  const [first, second] = fits;
  return say`"${opening.name}" runs into a ‹hip›, a ‹valley›, the ‹ridge› or the edge of its slope with its ‹trimmers› and ‹headers›; ${
    first === undefined
      ? say`accepted is a smaller opening, or another place`
      : second === undefined
        ? say`accepted is ${first}`
        : say`accepted is ${first}, or ${second}`
  }`;
};

/** Each opening's place in its slope, or why it has none there. */
const placeOf = (job: Job, roof: Roof, opening: Opening, index: number): OpeningPlace | Problem => {
  const side = roof.blocks.find(({ id }) => id === opening.block)?.sides[opening.side];
  if (side === undefined)
    throw new Error(`frame: opening ${index} passed the check without a side`);
  const [a0, a1] = opening.along;
  const [h0, h1] = opening.up;
  const slopeIndex = slopeUnder(roof, onSide(side, (a0 + a1) / 2, (h0 + h1) / 2), opening);
  const slope = roof.slopes[slopeIndex];
  if (slope === undefined)
    return problem(
      index,
      say`"${opening.name}" lies outside the slope of side ${opening.side + 1} of "${opening.block}", or under another roof; accepted is a place within it`,
    );
  const from = onSlope(slope, side.start);
  const clear = opening.clearance;
  const us: Interval = [from[0] + a0 - clear, from[0] + a1 + clear];
  const vs: Interval = [from[1] + h0 - clear, from[1] + h1 + clear];
  const stock = rafterStock({ job }, 'trimmer');
  const beside = ply(opening) * stock.thickness;
  const across = beside + LEAST_JACK_MM;
  const atPlate = h0 === 0;
  const taken: Taken = {
    us: [us[0] - beside, us[1] + beside],
    // Down to the plate there is no header, and nothing is left below.
    vs: [atPlate ? from[1] + SEAM_MM : vs[0] - across, vs[1] + across],
  };
  const why = amiss(opening, slope, taken, from);
  if (why !== null) return problem(index, why);
  const low = h0 - clear - across;
  if (low < 0 && !atPlate)
    return problem(
      index,
      say`"${opening.name}" starts ${inMm(h0)} up from the ‹plate›, so that nothing is left of the rafters below it; accepted is at least ${leastMm(h0 - low)}, or none, where a wall stands in it on the ‹plate›`,
    );
  const middle = planPoint(slope, (us[0] + us[1]) / 2, (vs[0] + vs[1]) / 2);
  const walls = roof.blocks.find(({ id }) => id === opening.block)?.walls ?? [];
  if (outside(walls, middle) > 0)
    return problem(index, say`"${opening.name}" lies outside the walls; accepted is over them`);
  return {
    index,
    name: opening.name,
    block: opening.block,
    side: opening.side,
    slope: slopeIndex,
    us,
    vs: atPlate ? [from[1], vs[1]] : vs,
    atPlate,
    ply: ply(opening),
  };
};

/** Why one stands so near another that their timbers would be the same; null where it does not. */
const tooNear = (job: Job, one: OpeningPlace, places: readonly OpeningPlace[]): Problem | null => {
  const { thickness } = rafterStock({ job }, 'trimmer');
  const [near] = places.flatMap((other): Problem[] => {
    if (other.slope !== one.slope) return [];
    const apart = (p: Interval, q: Interval, least: number): boolean =>
      p[0] - q[1] >= least || q[0] - p[1] >= least;
    const beside = (one.ply + other.ply) * thickness;
    // Clear of each other along the eave, or one over the other on the same two trimmers.
    const clear = apart(one.us, other.us, beside);
    const same =
      one.us.every((u, k) => Math.abs(u - (other.us[k] ?? NaN)) < SEAM_MM) &&
      apart(one.vs, other.vs, beside + LEAST_JACK_MM);
    return clear || same
      ? []
      : [
          problem(
            one.index,
            say`"${one.name}" and "${other.name}" stand so near each other that their ‹trimmers› or ‹headers› would be in one place; accepted is ${leastMm(beside)} between what they keep clear, or the two over each other, as wide as each other`,
          ),
        ];
  });
  return near ?? null;
};

/** Where every opening lies in its slope, and those that lie in none. */
export const openingPlaces = (
  job: Job,
  roof: Roof,
): { readonly places: readonly OpeningPlace[]; readonly withheld: readonly Withheld[] } => {
  const places: OpeningPlace[] = [];
  const withheld: Withheld[] = [];
  for (const [index, opening] of job.openings.entries()) {
    const found = placeOf(job, roof, opening, index);
    const why = 'path' in found ? found : tooNear(job, found, places);
    if (why !== null) withheld.push(wholly(why));
    else if (!('path' in found)) places.push(found);
  }
  return { places, withheld };
};
