import { SLACK_MM, chordOf, joinedChords, v2, v3, type HalfSpace, type Vec2 } from '../../geom';
import type { Job } from '../../job';
import type { Carrier, LineKind, Slope } from '../../roof';
import type { EndCut } from '../member/member';
import { sideAt, type Site } from '../site';

export type Wanted = Job['purlins'][number];

/** The side that a purlin is wanted on. */
type OnSide = Pick<Wanted, 'block' | 'side'>;

/** Parts of one level line this near are one. mm */
const NEAR_MM = SLACK_MM.rounding;
/** A point this near a line of the roof, in plan, lies on it. mm */
const ON_LINE_MM = SLACK_MM.beside;
/** Less of a slope than this between two ends wants no purlin. mm */
export const SHORTEST_MM = 300;

/** What ends a stretch: an edge of its slope, or the planes it stops at on the way. */
export type StretchEnd = Carrier | { readonly of: 'stop'; readonly cuts: readonly EndCut[] };

/** A stretch of level line on one slope, `t` along the side from its start. mm */
export interface Stretch {
  readonly slope: Slope;
  readonly index: number;
  readonly low: number;
  readonly high: number;
  readonly lowTag: StretchEnd;
  readonly highTag: StretchEnd;
}

/** The level line of a side at a distance, as far as its roof reaches. */
export const stretches = (site: Site, { block, side }: OnSide, distance: number): Stretch[] => {
  const line = sideAt(site, block, side);
  const from = v2.add(line.start, v2.scale(line.inward, distance));
  return site.roof.slopes.flatMap((slope, index): Stretch[] => {
    const chords = slope.pieces
      .filter(({ plane }) => plane.block === block && plane.side === side)
      .flatMap(({ polygon }) => chordOf(polygon, from, slope.along) ?? []);
    return joinedChords(chords, NEAR_MM)
      .filter(({ low, high }) => high - low > SHORTEST_MM)
      .map((chord) => ({ slope, index, ...chord }));
  });
};

/** The mitre is one cut with a line on each face: the trade calls the two by their own names. */
export const endCuts = (at: 'top' | 'bottom', keep: HalfSpace, mitre: boolean): EndCut[] =>
  mitre
    ? [
        { at, name: 'side', keep, meets: null },
        { at, name: 'edge', keep, meets: null },
      ]
    : [{ at, name: 'end cut', keep, meets: null }];

/**
 * How an end is sawn: at a hip or a valley down its plumb middle plane, where the purlin of the other slope meets it; at
 * a gable along the wall's outside face; else square.
 */
const endPlane = (
  site: Site,
  { index }: Stretch,
  tag: StretchEnd,
  p: Vec2,
  out: Vec2,
  mitred: readonly LineKind[],
): { readonly normal: Vec2; readonly mitre: boolean; readonly open: boolean } => {
  if (tag.of === 'slope') {
    const asides = site.roof.lines.flatMap(({ kind, slopes, from, to }): Vec2[] => {
      if (!mitred.includes(kind)) return [];
      if (!slopes.includes(index) || !slopes.includes(tag.slope)) return [];
      const aside = v2.left(v2.unit(v2.sub(v3.inPlan(to), v3.inPlan(from))));
      return Math.abs(v2.dot(aside, v2.sub(p, v3.inPlan(from)))) < ON_LINE_MM ? [aside] : [];
    });
    const [aside] = asides;
    if (aside !== undefined) {
      return {
        normal: v2.dot(aside, out) > 0 ? aside : v2.scale(aside, -1),
        mitre: true,
        open: false,
      };
    }
  }
  if (tag.of === 'wall') {
    const { inward } = sideAt(site, tag.block, tag.side);
    return { normal: v2.scale(inward, -1), mitre: false, open: false };
  }
  return { normal: out, mitre: false, open: tag.of !== 'stop' };
};

/** How one end of a stretch is sawn; mitred on the plumb middle plane of lines of the kinds given. */
export const endOf = (
  site: Site,
  { block, side }: OnSide,
  distance: number,
  stretch: Stretch,
  which: 'top' | 'bottom',
  mitred: readonly LineKind[] = ['hip', 'valley'],
): ReturnType<typeof endPlane> => {
  const line = sideAt(site, block, side);
  const t = which === 'top' ? stretch.high : stretch.low;
  const from = v2.add(line.start, v2.scale(line.inward, distance));
  const { along } = stretch.slope;
  return endPlane(
    site,
    stretch,
    which === 'top' ? stretch.highTag : stretch.lowTag,
    v2.add(from, v2.scale(along, t)),
    v2.scale(along, which === 'top' ? 1 : -1),
    mitred,
  );
};
