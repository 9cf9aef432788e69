import { SLACK_MM, chordOf, edgesOf, intervals, v2, type Interval, type Vec2 } from '../../geom';
import { overOwnWalls, type Slope } from '../../roof';
import { onSlope, planPoint } from '../site/slope-plan';
import type { Site } from '../site';

/** Stations this near are one. mm */
export const SAME_STATION_MM = SLACK_MM.rounding;

/** A bay wider than the spacing by no more than a hair is not parted. mm */
const HAIR_MM = SLACK_MM.layout;

/** A slope's pieces over the walls of its own blocks, by their distances along the eave and up the slope. */
const overWalls = (
  { roof }: Site,
  slope: Slope,
): (readonly (readonly [u: number, v: number])[])[] =>
  overOwnWalls(roof, slope).map(({ points }) => points.map((p) => onSlope(slope, p)));

/** The stretches along its eave where a slope lies over the walls of its blocks. */
const stretchesOf = (site: Site, slope: Slope): Interval[] =>
  intervals.unite(
    overWalls(site, slope).map((part): Interval => {
      const us = part.map(([u]) => u);
      return [Math.min(...us), Math.max(...us)];
    }),
    SAME_STATION_MM,
  );

/** An edge that runs up the slope for less than this needs no rafter of its own. mm */
const SHORT_EDGE_MM = 60;
/** How far beside an edge it is looked whether the slope goes on. mm */
const BESIDE_MM = SLACK_MM.nothing;

/** Whether a point of the plan lies on a slope. */
const isOn = ({ pieces }: Slope, p: Vec2): boolean =>
  pieces.some(({ polygon }) =>
    edgesOf(polygon).every(({ point, inward }) => v2.dot(v2.sub(p, point), inward) > 0),
  );

/** Rafters flush inside the edges that run up a slope and end it there: at a higher wall, where it runs on beneath. */
export const besideEdges = (site: Site, slope: Slope): number[] => {
  const half = site.job.timber.common.thickness / 2;
  return overWalls(site, slope).flatMap((part) => {
    const middle = part.reduce((sum, [u]) => sum + u, 0) / part.length;
    return part.flatMap(([u, v], i): number[] => {
      const [u2, v2nd] = part[(i + 1) % part.length] ?? [u, v];
      if (Math.abs(u2 - u) > SAME_STATION_MM || Math.abs(v2nd - v) < SHORT_EDGE_MM) return [];
      const inward = middle > u ? 1 : -1;
      const beyond = planPoint(slope, u - inward * BESIDE_MM, (v + v2nd) / 2);
      return isOn(slope, beyond) ? [] : [u + inward * half];
    });
  });
};

/** Whether the longest rafter that could stand at a station is long enough for the crew to cut it. */
const isCut = ({ job }: Site, slope: Slope, u: number): boolean =>
  runsUpAt(slope, u) >= job.framing.shortestJack * Math.cos(slope.slopeRad);

/** How far a slope runs up at a station, plan. mm */
const runsUpAt = (slope: Slope, u: number): number =>
  slope.pieces.reduce((sum, { polygon }) => {
    const chord = chordOf(polygon, planPoint(slope, u, 0), slope.uphill);
    return sum + (chord === null ? 0 : chord.high - chord.low);
  }, 0);

/**
 * What is wider than the spacing is parted evenly: where two layouts meet, where a station had to give way to a rafter
 * that must stand beside it, and out to the edge of a slope that runs on past its last line.
 */
export const between = (site: Site, slope: Slope, at: readonly number[]): number[] => {
  const { spacing } = site.job.framing;
  return stretchesOf(site, slope).flatMap(([low, high]): number[] => {
    const all = [low, ...at.filter((u) => u > low && u < high), high];
    // The last station before an edge ends no bay that is parted, where its jack is too short to be cut.
    const marks = all.filter((u, i) => {
      const [inner, isLast] = i === 1 ? [all[2], true] : [all[i - 1], i === all.length - 2];
      const isParted = inner !== undefined && Math.abs(u - inner) > spacing + HAIR_MM;
      return !isLast || !isParted || isCut(site, slope, u);
    });
    return marks.slice(1).flatMap((to, i): number[] => {
      const from = marks[i] ?? to;
      const bays = Math.ceil((to - from - HAIR_MM) / spacing);
      return Array.from(
        { length: Math.max(0, bays - 1) },
        (_, k) => from + ((k + 1) * (to - from)) / bays,
      );
    });
  });
};
