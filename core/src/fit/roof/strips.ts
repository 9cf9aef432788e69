import {
  boxOver,
  SLACK_MM,
  crossedAt,
  crossings,
  eachGap,
  intervals,
  spanning,
  v2,
  type Chords,
  type Interval,
  type Outline,
  type Spanning,
  type Vec2,
  type Vec3,
} from '../../geom';
import { inMm, say } from '../../sentence';
import { heightAt, overOwnWalls, type Slope } from '../../roof';
import type { FrameOnSite } from '../frame-on-site';
import { cornerOf, keptClear } from '../openings/openings';
import type { FitProblem, ShortJack } from '../report';

/** Strips are read at every change, this far to each side of it, and at least this often in between. mm */
const BESIDE_MM = SLACK_MM.beside;
const STEP_MM = 150;
/** A strip this little wider than the spacing is rounding. mm */
const SPARE_MM = SLACK_MM.true;
/** How far above a level another is read, to see which way an edge runs. mm */
const ABOVE_MM = SLACK_MM.rounding;
/** A top this far below a slope's plane still carries it: a dropped hip, a header. mm */
const CARRIES_MM = 250;
/** An edge of the roof that runs up the slope wants its rafter flush beside it. mm */
const FLUSH_MM = SLACK_MM.nothing;
/** A strip that runs up the slope for less than this lies between the corners of timbers that meet. mm */
const LEAST_TALL_MM = 60;
/** A jack whose shorter face is less has no wood to nail. mm */
const NO_WOOD_MM = SLACK_MM.nothing;
/** Less of the roof than this between two edges wants no rafter. mm */
const NO_WIDTH_MM = SLACK_MM.nothing;

const turnedOver = (outline: Outline): Outline => outline.map(([u, v]): Vec2 => [v, u]);

const chords = (outlines: readonly Outline[], v: number): Interval[] => {
  const crossed: Interval[] = [];
  for (const outline of outlines) {
    const chord = crossedAt(outline, v);
    if (chord !== null) crossed.push(chord);
  }
  return crossed;
};

/** What stands under one slope: the parts of it inside walls, and the tops that carry it. */
interface Strips {
  readonly slope: Slope;
  readonly parts: readonly Outline[];
  /** The slope's pieces whole, out to their tails. */
  readonly whole: readonly Outline[];
  readonly supports: readonly Spanning[];
  readonly tops: readonly Outline[];
}

const local = (slope: Slope): ((p: Vec2 | Vec3) => Vec2) => {
  const origin = slope.sides[0]?.line.start ?? [0, 0];
  const { along, uphill } = slope;
  return (p) => {
    const x = p[0] - origin[0];
    const y = p[1] - origin[1];
    return [x * along[0] + y * along[1], x * uphill[0] + y * uphill[1]];
  };
};

/** Whether a corner of a top lies within CARRIES_MM of the slope's plane, up and down. */
const carriesAt = ({ plane: { normal, offset } }: Slope, points: readonly Vec3[]): boolean => {
  const most = CARRIES_MM * normal[2];
  for (const p of points)
    if (Math.abs(offset - normal[0] * p[0] - normal[1] * p[1] - normal[2] * p[2]) < most)
      return true;
  return false;
};

const supportsOf = (slope: Slope, { index }: FrameOnSite): Spanning[] => {
  const to = local(slope);
  const supports: Spanning[] = [];
  const over = boxOver(slope.pieces.flatMap(({ polygon }) => polygon.points));
  for (const { member, tops } of index.near(over, BESIDE_MM)) {
    if (member.kind === 'fascia') continue;
    for (const { points } of tops)
      if (carriesAt(slope, points)) supports.push(spanning(points.map(to)));
  }
  return supports;
};

/** What openings keep clear of a slope wants no rafter, from the one trimmer to the other. */
const openingsOn = (site: FrameOnSite, slope: Slope): Spanning[] => {
  const to = local(slope);
  return keptClear(site).flatMap((kept): Spanning[] => {
    if (kept.slope !== slope) return [];
    const [[a0, a1], [u0, u1]] = [kept.along, kept.up];
    const corners = [
      [a0, u0],
      [a1, u0],
      [a1, u1],
      [a0, u1],
    ] as const;
    return [spanning(corners.map(([along, up]) => to(cornerOf(kept, along, up))))];
  });
};

const levels = ({ parts, supports }: Strips): number[] => {
  let low = Infinity;
  let high = -Infinity;
  const events: number[] = [];
  for (const part of parts)
    for (const [, v] of part) {
      low = Math.min(low, v);
      high = Math.max(high, v);
      events.push(v);
    }
  for (const { outline } of supports)
    for (const [, v] of outline) if (v >= low && v <= high) events.push(v);
  const found: number[] = [];
  let last = -Infinity;
  for (const v of Float64Array.from(events).sort()) {
    if (v - last < BESIDE_MM / 2) continue;
    if (Number.isFinite(last))
      for (let k = 1; k * STEP_MM < v - last; k += 1) found.push(last + k * STEP_MM);
    found.push(v - BESIDE_MM, v + BESIDE_MM);
    last = v;
  }
  return found.filter((v) => v > low && v < high).sort((p, q) => p - q);
};

/** A list of outlines turned over, each once: `u` up the slope and `v` along the eave. */
const turned = (of: readonly Outline[]): readonly Outline[] => {
  const known = overturned.get(of);
  if (known !== undefined) return known;
  const found = of.map(turnedOver);
  overturned.set(of, found);
  return found;
};

const overturned = new WeakMap<readonly Outline[], readonly Outline[]>();

/** The length of rafter that would stand at u through v, between what stands there already, inside the walls. mm */
const runThrough = ({ parts, tops }: Strips, u: number, v: number): number => {
  const runs = intervals.unite(chords(turned(parts), u), NO_WIDTH_MM);
  const held = chords(turned(tops), u);
  const run = intervals
    .without(runs, held, NO_WIDTH_MM)
    .find(([low, high]) => low <= v + BESIDE_MM && high >= v - BESIDE_MM);
  return run === undefined ? 0 : run[1] - run[0];
};

/**
 * Whether a wide strip is one that jacks too short to be cut leave: of those that would stand in it, none is longer than
 * the crew's shortest, with wood to nail on both its faces.
 */
const isShortJack = (
  { job }: FrameOnSite,
  strips: Strips,
  [from, to]: Interval,
  v: number,
): boolean => {
  const { spacing, shortestJack } = job.framing;
  const { thickness } = job.timber.common;
  const missing = Math.ceil((to - from + thickness - SPARE_MM) / spacing) - 1;
  const step = (to - from + thickness) / (missing + 1);
  const first = [spacing, step] as const;
  const layouts = [
    Array.from({ length: missing }, (_, i) => from + (i + 1) * first[0] - thickness / 2),
    Array.from({ length: missing }, (_, i) => to - (i + 1) * first[0] + thickness / 2),
    Array.from({ length: missing }, (_, i) => from + (i + 1) * first[1] - thickness / 2),
  ];
  const short = (u: number): boolean =>
    runThrough(strips, u, v) / Math.cos(strips.slope.slopeRad) < shortestJack ||
    [u - thickness / 2, u + thickness / 2].some((face) => runThrough(strips, face, v) < NO_WOOD_MM);
  return layouts.some((layout) => layout.every(short));
};

interface Strip {
  readonly v: number;
  readonly between: Interval;
  readonly widthMm: number;
  readonly flush: boolean;
}

/** Sees every strip of one slope at one level: from where to where it is clear, and whether both its edges are held. */
const eachStrip = (
  { parts, whole }: Strips,
  v: number,
  tops: Chords,
  see: (from: number, to: number, flush: boolean) => void,
): void => {
  // An edge that runs up the slope wants a rafter flush beside it.
  const runsUp = (edge: number, side: 0 | 1): boolean =>
    intervals
      .unite(chords(parts, v + ABOVE_MM), NO_WIDTH_MM)
      .some((chord) => Math.abs(chord[side] - edge) < ABOVE_MM / 1000) &&
    !intervals
      .unite(chords(whole, v), NO_WIDTH_MM)
      .some(([low, high]) => low < edge - FLUSH_MM && high > edge + FLUSH_MM);
  for (const part of intervals.unite(chords(parts, v), NO_WIDTH_MM))
    eachGap(part, tops, NO_WIDTH_MM, (from, to) => {
      const [left, right] = part;
      const open =
        (from - left < FLUSH_MM && runsUp(left, 0)) || (right - to < FLUSH_MM && runsUp(right, 1));
      see(from, to, !open);
    });
};

/** A strip that is too wide or bare beside an edge, as far up the slope as it is read. */
interface Wide {
  readonly strip: Strip;
  readonly short: boolean;
  readonly low: number;
  readonly high: number;
}

/** Of strips that lie over each other, the widest speaks for all. */
const take = (wide: Wide[], strip: Strip, short: boolean): void => {
  const { v } = strip;
  const twin = wide.findIndex(
    (one) =>
      one.short === short &&
      one.strip.between[0] < strip.between[1] &&
      strip.between[0] < one.strip.between[1],
  );
  const found = wide[twin];
  if (found === undefined) wide.push({ strip, short, low: v, high: v });
  else {
    const widest = strip.widthMm > found.strip.widthMm ? strip : found.strip;
    wide[twin] = { strip: widest, short, low: found.low, high: v };
  }
};

/** The strips of roof between neighbours that are wider than the spacing, or bare beside an edge; and the widest of all. */
export const bareStrips = (
  site: FrameOnSite,
): { problems: FitProblem[]; shortJacks: ShortJack[]; widestMm: number } => {
  const { spacing } = site.job.framing;
  const { thickness } = site.job.timber.common;
  const problems: FitProblem[] = [];
  const shortJacks: ShortJack[] = [];
  let widestMm = 0;
  for (const slope of site.roof.slopes) {
    const to = local(slope);
    const supports = [...supportsOf(slope, site), ...openingsOn(site, slope)];
    const strips: Strips = {
      slope,
      parts: overOwnWalls(site.roof, slope).map(({ points }) => points.map(to)),
      whole: slope.pieces.map(({ polygon }) => polygon.points.map(to)),
      supports,
      tops: supports.map(({ outline }) => outline),
    };
    if (strips.parts.length === 0) continue;
    const wide: Wide[] = [];
    const crossed = crossings(strips.supports);
    for (const v of levels(strips))
      eachStrip(strips, v, crossed(v), (from, to, flush) => {
        // As wide as it is clear and a rafter's thickness more: on centres.
        const widthMm = to - from + thickness;
        if (flush && widthMm <= spacing + SPARE_MM) widestMm = Math.max(widestMm, widthMm);
        else
          take(
            wide,
            { v, between: [from, to], widthMm, flush },
            isShortJack(site, strips, [from, to], v),
          );
      });
    const origin = slope.sides[0]?.line.start ?? [0, 0];
    for (const { strip, short, low, high } of wide) {
      if (high - low < LEAST_TALL_MM) continue;
      const u = (strip.between[0] + strip.between[1]) / 2;
      const p = v2.add(origin, v2.add(v2.scale(slope.along, u), v2.scale(slope.uphill, strip.v)));
      const at: Vec3 = [p[0], p[1], heightAt(slope, p)];
      const mm = strip.widthMm;
      const where = say`"${slope.sides[0]?.block ?? ''}", wall ${(slope.sides[0]?.side ?? 0) + 1}`;
      if (short) shortJacks.push({ at, mm });
      else
        problems.push({
          members: ['rafter', 'roof'],
          ids: [],
          kind: 'missing',
          mm,
          at,
          text: strip.flush
            ? say`a strip of roof ${inMm(mm)} wide stands bare between neighbours; the spacing is ${inMm(spacing, 1)} (${where})`
            : say`no rafter stands flush at the edge of the roof, ${inMm(mm)} from its nearest (${where})`,
        });
    }
  }
  return { problems, shortJacks, widestMm };
};
