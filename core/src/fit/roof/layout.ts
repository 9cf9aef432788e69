import { isRafter } from '../../kinds';
import { SLACK_MM, planeAt, v2, v3 } from '../../geom';
import { inMm, say } from '../../sentence';
import { overOwnWalls, type Slope } from '../../roof';
import { middleOf, type FrameOnSite } from '../frame-on-site';
import { cornerOf, keptClear } from '../openings/openings';
import type { Placed } from '../contact/placed';
import type { FitProblem } from '../report';

/** A rafter this near its place is on the layout: rounding alone parts the two. mm */
const ON_LAYOUT_MM = SLACK_MM.layout;

/** The slope whose plane a rafter's upper edge lies nearest to. */
export const slopeOf = ({ roof }: FrameOnSite, { member }: Placed): Slope | null => {
  let best: Slope | null = null;
  let least = Infinity;
  const top = v3.add(member.frame.origin, v3.scale(member.frame.e, member.topMm));
  for (const slope of roof.slopes) {
    const turned = 1 - v3.dot(slope.plane.normal, member.frame.e);
    const off = Math.abs(planeAt(slope.plane, top)) + 1e6 * turned;
    if (off < least) [best, least] = [slope, off];
  }
  return best;
};

/** Whether a slope is the band of a side above another's. */
const isAbove = (upper: Slope, { sides }: Slope): boolean =>
  upper.sides.some((one) =>
    sides.some(
      ({ block, side, band }) => one.block === block && one.side === side && one.band > band,
    ),
  );

/** Distances along a slope's eave that layouts are counted from: its corners over the walls, and the ends of its lines. */
const origins = (site: FrameOnSite, slope: Slope, us: (p: readonly number[]) => number) => {
  const { roof } = site;
  const index = roof.slopes.indexOf(slope);
  const lines = roof.lines
    .filter(({ slopes }) => slopes.includes(index))
    .flatMap(({ kind, from, to }) => (kind === 'ridge' ? [us(from), us(to)] : [us(to)]));
  const blocks = new Set(slope.sides.map(({ block }) => block));
  const corners = roof.blocks
    .filter(({ id }) => blocks.has(id))
    .flatMap(({ sides }) => sides.map(({ start }) => us(start)));
  const inside = overOwnWalls(site.roof, slope).flatMap(({ points }) => points.map(us));
  return [...new Set([...lines, ...corners, ...inside])];
};

/** Rafters that stand neither on the layout, counted from one of its origins, nor at an origin or flush beside it. */
export const offLayout = (site: FrameOnSite): FitProblem[] => {
  const { spacing } = site.job.framing;
  const half = site.job.timber.common.thickness / 2;
  const bySlope = new Map<Slope, Placed[]>();
  for (const placed of site.members) {
    if (!isRafter(placed.member)) continue;
    const slope = slopeOf(site, placed);
    if (slope !== null) bySlope.set(slope, [...(bySlope.get(slope) ?? []), placed]);
  }
  return [...bySlope].flatMap(([slope, rafters]) => {
    const us = ([x = 0, y = 0]: readonly number[]): number => v2.dot([x, y], slope.along);
    // Below a break in pitch rafters stand under those above it, and their layout goes on from there.
    const from = site.roof.slopes
      .filter((upper) => upper === slope || isAbove(upper, slope))
      .flatMap((upper) => [
        ...origins(site, upper, us),
        ...(upper === slope ? [] : (bySlope.get(upper) ?? [])).map(({ member }) =>
          us(member.frame.origin),
        ),
      ]);
    const stood = rafters.map(({ member }) => us(member.frame.origin));
    const edges = overOwnWalls(site.roof, slope).flatMap(({ points }) => {
      const along = points.map(us);
      const [low, high] = [Math.min(...along), Math.max(...along)];
      return [low, low + half, high - half, high];
    });
    const trimmers = besideOpenings(site, slope, us);
    return rafters.flatMap((placed): FitProblem[] => {
      const u = us(placed.member.frame.origin);
      let least = Math.min(
        Infinity,
        ...trimmers
          .filter(({ trimmer }) => trimmer || placed.member.kind !== 'trimmer')
          .map((one) => Math.abs(one.u - u)),
      );
      for (const origin of from) {
        const away = u - origin;
        const steps = Math.abs(away - spacing * Math.round(away / spacing));
        least = Math.min(least, steps, Math.abs(Math.abs(away) - half));
      }
      if (least > ON_LAYOUT_MM) least = Math.min(least, evenly(stood, edges, u, spacing));
      if (least <= ON_LAYOUT_MM) return [];
      return [
        {
          members: [placed.mark, 'layout'],
          ids: [placed.member.id],
          kind: 'misplaced',
          mm: least,
          at: middleOf(placed),
          text: say`${placed.mark} stands ${inMm(least, 1)} off the layout`,
        },
      ];
    });
  });
};

/**
 * Where rafters stand beside openings: the trimmers, flush outside what is kept clear, and flat beside those a rafter of
 * the layout that would stand in them.
 */
const besideOpenings = (
  site: FrameOnSite,
  slope: Slope,
  us: (p: readonly number[]) => number,
): { readonly u: number; readonly trimmer: boolean }[] => {
  const { common, trimmer = common } = site.job.timber;
  return keptClear(site)
    .filter((kept) => kept.slope === slope)
    .flatMap((kept) =>
      kept.along.flatMap((at, i) => {
        const edge = us(cornerOf(kept, at, 0));
        const way = i === 0 ? -1 : 1;
        return [
          ...Array.from({ length: kept.ply }, (_, k) => ({
            u: edge + way * (k + 0.5) * trimmer.thickness,
            trimmer: true,
          })),
          {
            u: edge + way * (kept.ply * trimmer.thickness + common.thickness / 2),
            trimmer: false,
          },
        ];
      }),
    );
};

/** How many ends of bays to each side of a rafter are tried. */
const NEIGHBOURS = 10;

const beyond = (marks: readonly number[], u: number, sign: 1 | -1): number[] =>
  [...new Set(marks)]
    .filter((mark) => (mark - u) * sign > ON_LAYOUT_MM)
    .sort((p, q) => (p - q) * sign)
    .slice(0, NEIGHBOURS);

/**
 * How far a rafter stands off an even part of a bay that was too wide for the spacing. The bay runs between rafters or
 * edges of the roof; every other part of it has its rafter, and no more stand in it. mm
 */
const evenly = (
  stood: readonly number[],
  edges: readonly number[],
  u: number,
  spacing: number,
): number => {
  let least = Infinity;
  const marks = [...stood, ...edges];
  for (const low of beyond(marks, u, -1)) {
    for (const high of beyond(marks, u, 1)) {
      const bays = Math.ceil((high - low - ON_LAYOUT_MM) / spacing);
      if (bays < 2) continue;
      const part = (high - low) / bays;
      const off = (x: number): number =>
        Math.abs((x - low) / part - Math.round((x - low) / part)) * part;
      const within = stood.filter((x) => x > low + ON_LAYOUT_MM && x < high - ON_LAYOUT_MM);
      const others = within.filter((x) => Math.abs(x - u) > ON_LAYOUT_MM);
      if (others.some((x) => off(x) > ON_LAYOUT_MM)) continue;
      least = Math.min(least, off(u));
    }
  }
  return least;
};
