import {
  SLACK_MM,
  chordOf,
  intervals,
  v2,
  v3,
  type Interval,
  type Vec2,
  type Vec3,
} from '../../geom';
import { heightAt, isOnePoint, LINE_TIMBER, runsThrough, type RoofLine } from '../../roof';
import { memberId } from '../member/member';
import { blockAt, blocksOf, runFrom, sideAt, slopeAt, standingAt, stockOf, type Site } from '.';

/** What lies this near a wall's face, an eave or a slope's edge is on it. mm */
const NEAR_MM = SLACK_MM.place;

/** Where a hip or valley comes down on the plates. */
export interface Foot {
  readonly point: Vec3;
  /** Level its seat is cut to. */
  readonly plateMm: number;
  /** Where the roof ends below it: the far end of its tail. */
  readonly tail: Vec3;
}

export interface LineEnd {
  /** Number of the point where it meets other lines; null where it meets none. */
  readonly node: number | null;
  /** The gable's or wall's face it ends at. */
  readonly wall: { readonly point: Vec2; readonly outward: Vec2 } | null;
}

/** A ridge, hip, valley or break in pitch as a place for a timber. */
export interface LinePlace {
  readonly id: string;
  readonly kind: RoofLine['kind'];
  readonly block: string;
  readonly line: RoofLine;
  /** Theory ends: a hip's or valley's low end stands over the plate. */
  readonly low: Vec3;
  readonly high: Vec3;
  readonly heading: Vec2;
  readonly foot: Foot | null;
  readonly lowEnd: LineEnd;
  readonly highEnd: LineEnd;
  /** A supporting valley runs on from here, in the plane of this slope, to a higher line. */
  readonly runsOn: {
    readonly from: Vec3;
    readonly slope: number;
    /** Where its corner leaves the lower roof, so that its top must follow the slope. */
    readonly bevelFrom: Vec2;
  } | null;
}

/** The face of a gable, a wall or a gablet that a line ends at, coming from its other end. */
const wallAt = (site: Site, line: RoofLine, p: Vec3): LineEnd['wall'] => {
  const other = p === line.from ? line.to : line.from;
  const blocks = line.slopes.flatMap((slope) => blocksOf(slopeAt(site, slope)));
  for (const id of new Set(blocks)) {
    for (const side of blockAt(site, id).sides) {
      if (side.roof === 'eave' || side.roof === 'open') continue;
      const from = v2.sub(v3.inPlan(p), side.start);
      const along = v2.dot(from, side.along);
      if (Math.abs(v2.dot(from, side.inward)) > NEAR_MM) continue;
      if (along < -NEAR_MM || along > side.lengthMm + NEAR_MM) continue;
      // A hip comes up to a gablet's face from outside.
      const below = v2.dot(v2.sub(v3.inPlan(other), side.start), side.inward) < -NEAR_MM;
      return { point: side.start, outward: v2.scale(side.inward, below ? 1 : -1) };
    }
  }
  return null;
};

/** Where the line, from its low end up, first comes over the plates of the blocks it parts. */
const footOf = (site: Site, line: RoofLine): Foot | null => {
  const low = v3.inPlan(line.from);
  const heading = v2.unit(v2.sub(v3.inPlan(line.to), low));
  const length = v2.distance(low, v3.inPlan(line.to));
  let first: { t: number; block: string; side: number } | null = null;
  for (const slope of line.slopes) {
    for (const id of blocksOf(slopeAt(site, slope))) {
      const { sides } = blockAt(site, id);
      const outline = {
        points: sides.map(({ start }) => start),
        tags: sides.map(({ index }) => index),
      };
      const chord = chordOf(outline, low, heading);
      if (chord === null || chord.low < -NEAR_MM || chord.low > length) continue;
      if (first === null || chord.low < first.t)
        first = { t: chord.low, block: id, side: chord.lowTag };
    }
  }
  if (first === null) return null;
  const t = Math.max(0, first.t);
  const at = v2.add(low, v2.scale(heading, t));
  const z = line.from[2] + ((line.to[2] - line.from[2]) * t) / length;
  return {
    point: [at[0], at[1], z],
    plateMm: sideAt(site, first.block, first.side).plateMm,
    tail: line.from,
  };
};

/** The wall in whose face a line starts that has no tail, where the eave there ends although it overhangs. */
const wallWithoutEave = (site: Site, line: RoofLine, { point, tail }: Foot): LineEnd['wall'] => {
  if (v3.distance(point, tail) > NEAR_MM) return null;
  const here = line.slopes
    .flatMap((slope) => slopeAt(site, slope).sides)
    .map(({ block, side }) => ({
      line: sideAt(site, block, side),
      stands: stands(site, block, side),
    }))
    .filter((side) => Math.abs(runFrom(side.line, v3.inPlan(point))) < NEAR_MM);
  // Where one of them has no overhang at all, its own tail's cut ends the timber.
  if (here.some((side) => side.line.overhangMm === 0)) return null;
  // The side of a bay may run on inside the house, where no wall stands.
  const [own] = here.sort((p, q) => Number(q.stands) - Number(p.stands));
  return own === undefined
    ? null
    : { point: own.line.start, outward: v2.scale(own.line.inward, -1) };
};

const stands = (site: Site, block: string, side: number): boolean =>
  standingAt(site, block, side).length > 0;

const kindNumber = new Map<RoofLine['kind'], number>([
  ['ridge', 0],
  ['hip', 1],
  ['valley', 2],
  ['break', 3],
]);

/** Every line of the roof as a place for a timber, block by block, kind by kind. */
export const linePlaces = (site: Site): LinePlace[] => {
  const { lines } = site.roof;
  const joined = (node: number, own: number): boolean =>
    lines.some((line, i) => i !== own && (line.ends.includes(node) || line.through.includes(node)));
  /** Whether lines only start at a point: the tails of two that meet in the overhang. */
  const onlyStarts = (node: number): boolean =>
    !lines.some((line) => line.ends[1] === node || line.through.includes(node));
  const numbers = new Map<string, number>();
  const order = (line: RoofLine): number => kindNumber.get(line.kind) ?? 0;
  return lines
    .map((line, own): LinePlace => {
      const [a, b] = line.ends;
      const end = (p: Vec3, node: number): LineEnd => ({
        node: joined(node, own) ? node : null,
        wall: wallAt(site, line, p),
      });
      const [lowEnd, highEnd] = [end(line.from, a), end(line.to, b)];
      const stands = lowEnd.wall === null && (line.kind === 'hip' || line.kind === 'valley');
      const found = stands ? footOf(site, line) : null;
      // Lines that meet over a plate's corner each stand on it.
      const onCorner = found !== null && v3.distance(found.point, line.from) < NEAR_MM;
      const foot = lowEnd.node === null || onCorner || onlyStarts(a) ? found : null;
      const ending = foot === null ? null : wallWithoutEave(site, line, foot);
      const left = slopeAt(site, line.slopes[0]).sides[0];
      const right = slopeAt(site, line.slopes[1]).sides[0];
      // A valley belongs to the later block, which made it; any other line to the earlier.
      const blocks = site.roof.blocks.map(({ id }) => id);
      const owners = [left?.block ?? '', right?.block ?? ''].sort(
        (p, q) => blocks.indexOf(p) - blocks.indexOf(q),
      );
      const block = (line.kind === 'valley' ? owners[1] : owners[0]) ?? '';
      return {
        id: '',
        kind: line.kind,
        block,
        line,
        low: foot?.point ?? line.from,
        high: line.to,
        heading: v2.unit(v2.sub(v3.inPlan(line.to), v3.inPlan(line.from))),
        foot,
        lowEnd: ending === null ? lowEnd : { ...lowEnd, wall: ending },
        highEnd,
        runsOn: null,
      };
    })
    .sort((p, q) => order(p.line) - order(q.line))
    .map((place) => {
      const key = `${place.block} ${place.kind}`;
      const number = numbers.get(key) ?? 0;
      numbers.set(key, number + 1);
      return { ...place, id: memberId(place.block, LINE_TIMBER[place.kind], number) };
    });
};

/** Where a ridge dies on a slope between two valleys. */
export interface Junction {
  readonly at: Vec3;
  readonly ridge: LinePlace;
  readonly valleys: readonly [LinePlace, LinePlace];
  /** The slope the ridge dies on. */
  readonly slope: number;
}

export const junctionsOf = (places: readonly LinePlace[]): Junction[] => {
  const found: Junction[] = [];
  for (const ridge of places) {
    if (ridge.kind !== 'ridge') continue;
    for (const end of [ridge.lowEnd, ridge.highEnd]) {
      const at = end === ridge.lowEnd ? ridge.low : ridge.high;
      const { node } = end;
      if (node === null || places.some(({ line }) => line.through.includes(node))) continue;
      const others = places.filter(
        (place) =>
          place !== ridge && (place.highEnd.node === end.node || place.lowEnd.node === end.node),
      );
      const [one, other] = others;
      if (others.length !== 2 || one?.kind !== 'valley' || other?.kind !== 'valley') continue;
      const slope = one.line.slopes.find((index) => other.line.slopes.includes(index));
      if (slope === undefined) continue;
      found.push({ at, ridge, valleys: [one, other], slope });
    }
  }
  return found;
};

/** How far a valley can run on across a slope, and what stops it there. */
const runOn = (
  site: Site,
  places: readonly LinePlace[],
  valley: LinePlace,
  { at, slope }: Junction,
): { end: Vec3; length: number; rank: number } | null => {
  const from = v3.inPlan(at);
  const chords = slopeAt(site, slope).pieces.flatMap(({ polygon }): Interval[] => {
    const chord = chordOf(polygon, from, valley.heading);
    return chord === null ? [] : [[chord.low, chord.high]];
  });
  const stretch = intervals.unite(chords, NEAR_MM).find(([low, high]) => low < 1 && high > 1);
  if (stretch === undefined) return null;
  const length = stretch[1];
  const p = v2.add(from, v2.scale(valley.heading, length));
  const plane = slopeAt(site, slope).sides[0];
  if (plane === undefined) return null;
  const end: Vec3 = [p[0], p[1], heightAt(plane, p)];
  const stops = places.filter(({ line }) => {
    const ends = [line.from, line.to].some((one) => isOnePoint(v3.inPlan(one), p));
    return line.slopes.includes(slope) && (ends || runsThrough(line, end));
  });
  const rank = stops.some(({ kind }) => kind === 'ridge' || kind === 'break')
    ? 0
    : stops.some(({ kind }) => kind === 'hip')
      ? 1
      : 2;
  return rank === 2 ? null : { end, length, rank };
};

/** The better of a junction's two valleys carried on to a higher line; null where neither reaches one. */
export const supportingValley = (
  site: Site,
  places: readonly LinePlace[],
  junction: Junction,
): LinePlace | null => {
  const [best] = junction.valleys
    .flatMap((valley) => {
      const on = runOn(site, places, valley, junction);
      return on === null ? [] : [{ valley, on }];
    })
    .sort(
      (p, q) =>
        p.on.rank - q.on.rank ||
        (Math.abs(p.on.length - q.on.length) > NEAR_MM ? p.on.length - q.on.length : 0),
    );
  if (best === undefined) return null;
  const { valley, on } = best;
  const sine = Math.abs(v2.cross(valley.heading, junction.ridge.heading));
  const cosine = Math.abs(v2.dot(valley.heading, junction.ridge.heading));
  const cornerBack = (stockOf(site, 'valley').thickness / 2) * (cosine / sine);
  return {
    ...valley,
    high: on.end,
    highEnd: { node: null, wall: null },
    runsOn: {
      from: junction.at,
      slope: junction.slope,
      bevelFrom: v2.add(v3.inPlan(junction.at), v2.scale(valley.heading, -cornerBack)),
    },
  };
};
