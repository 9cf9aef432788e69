import { TOUCHING_MM, halfSpace, intervals, v2, v3, type Interval, type Vec3 } from '../../geom';
import { clashing } from '../joint/in-space';
import type { CutAt, EndCut, Member } from '../member/member';
import { cornersOf } from '../member/solid-of';
import { runFrom, sideAt, type Site } from '../site';
import { openingsAcross } from '../site/openings-across';
import { besideLine, linesInWay } from './lips';
import { SHORTEST_MM, type Stretch, type StretchEnd, type Wanted } from './stretches';

/** A place at which a purlin that would run on is parted: from where to where along its side, and the two cuts there. */
interface Gap {
  readonly from: number;
  readonly to: number;
  readonly ends: readonly [before: EndCut, after: EndCut];
}

/** The edges of the holes that a purlin would run across: it stops under their trimmers, flush with the inner faces. */
const atOpenings = (site: Site, wanted: Wanted, { slope }: Stretch, purlin: Member): Gap[] => {
  const line = sideAt(site, wanted.block, wanted.side);
  const ins = cornersOf(purlin).map((p) => runFrom(line, v3.inPlan(p)));
  const body: Interval = [Math.min(...ins) + TOUCHING_MM, Math.max(...ins) - TOUCHING_MM];
  const stop = (t: number, at: CutAt): EndCut => {
    const [x, y] = v2.add(line.start, v2.scale(slope.along, t));
    const out = v2.scale(slope.along, at === 'top' ? 1 : -1);
    return { at, name: 'end cut', keep: halfSpace([x, y, 0], [out[0], out[1], 0]), meets: null };
  };
  return openingsAcross(site, slope, line, body).map(([from, to]): Gap => ({
    from,
    to,
    ends: [stop(from, 'top'), stop(to, 'bottom')],
  }));
};

/** The hips and valleys that a purlin would run into on its way: it stops at their two sides. */
const atLines = (purlin: Member, stretch: Stretch, before: readonly Member[]): Gap[] => {
  const { origin, a } = purlin.frame;
  return linesInWay(purlin, before).onWay.map((line): Gap => {
    const { s } = line.frame;
    const across = v3.dot(a, s);
    const middle = stretch.low + v3.dot(v3.sub(line.frame.origin, origin), s) / across;
    const half = line.stock.thickness / 2 / Math.abs(across);
    const at = (t: number): Vec3 => v3.add(origin, v3.scale(a, t - stretch.low));
    const [from, to] = [middle - half, middle + half];
    return {
      from,
      to,
      ends: [besideLine(purlin, line, at(from - half)), besideLine(purlin, line, at(to + half))],
    };
  });
};

/**
 * A stretch without the gaps in it: what is left between them, as far as it is long enough for a purlin. Where several
 * timbers meet it is sawn along each.
 */
const without = (stretch: Stretch, gaps: readonly Gap[]): Stretch[] => {
  if (gaps.length === 0) return [stretch];
  const spans = intervals.unite(
    gaps.map(({ from, to }): Interval => [from, to]),
    TOUCHING_MM,
  );
  const stops = (t: number, which: 0 | 1): StretchEnd | undefined => {
    const span = spans.find((one) => Math.abs(one[which] - t) < TOUCHING_MM);
    if (span === undefined) return undefined;
    const own = gaps.filter(({ from, to }) => to > span[0] && from < span[1]);
    return { of: 'stop', cuts: own.map(({ ends }) => ends[which]) };
  };
  return intervals
    .without([[stretch.low, stretch.high]], spans, SHORTEST_MM)
    .map(([low, high]) => ({
      ...stretch,
      low,
      high,
      lowTag: stops(low, 1) ?? stretch.lowTag,
      highTag: stops(high, 0) ?? stretch.highTag,
    }));
};

/**
 * Where a purlin is parted on its way: at a window, a dormer or a chimney, whose trimmers it stops under, and at a hip or a
 * valley that runs through its line and hangs lower than the rafters.
 *
 * @param made the purlin of a stretch, as it would be sawn
 */
export const parted = (
  site: Site,
  wanted: Wanted,
  stretch: Stretch,
  made: (stretch: Stretch) => Member,
  before: readonly Member[],
): Stretch[] =>
  without(stretch, atOpenings(site, wanted, stretch, made(stretch))).flatMap((part) =>
    without(part, atLines(made(part), part, before)),
  );

/** A purlin without the stops that it needs no more: sawn along another's side it does not come to that timber. */
export const withoutIdleStops = (purlin: Member, before: readonly Member[]): Member =>
  [...purlin.ends].reverse().reduce<Member>((left, stop) => {
    const timber = before.find(({ id }) => id === stop.meets);
    if (timber === undefined || left.ends.filter(({ at }) => at === stop.at).length < 2)
      return left;
    const next = { ...left, ends: left.ends.filter((end) => end !== stop) };
    return clashing(next, [timber]).length === 0 ? next : left;
  }, purlin);
