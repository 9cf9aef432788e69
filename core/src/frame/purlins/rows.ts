import { halfSpace, intervals, v2, v3, type Interval, type Vec3 } from '../../geom';
import type { Job } from '../../job';
import { underLaid } from '../../roof';
import { axisOf, type EndCut, type Member } from '../member/member';
import { heightOn, sideAt, type Site } from '../site';
import { openingsAcross } from '../site/openings-across';
import { SHORTEST_MM, type Stretch } from './stretches';

export type RoofPurlins = Job['roofPurlins'][number];

/** One row of a set, on one stretch of a side's roof. */
export interface Row {
  readonly set: RoofPurlins;
  readonly block: string;
  readonly side: number;
  readonly distance: number;
  /** Along the slope from the tail's top corner. mm */
  readonly along: number;
  readonly stretch: Stretch;
}

/** Just inside a board's edges. mm */
export const OVER_MM = 5;

/** A point of a row at `t` along the side. */
export const pointOf = (
  site: Site,
  { block, side, distance, stretch: { slope } }: Row,
  t: number,
): Vec3 => {
  const line = sideAt(site, block, side);
  const from = v2.add(line.start, v2.scale(line.inward, distance));
  const [x, y] = v2.add(from, v2.scale(slope.along, t));
  return [x, y, heightOn(slope, [x, y])];
};

/** Where a row would cross openings, along the side. mm */
export const holesOn = (site: Site, row: Row): Interval[] => {
  const { block, side, distance, stretch } = row;
  const half = halfOf(row);
  const reach = [distance - half, distance + half] as const;
  return openingsAcross(site, stretch.slope, sideAt(site, block, side), reach);
};

/** Half of a row's thickness, plan. mm */
const halfOf = ({ set, stretch: { slope } }: Row): number =>
  (set.stock.thickness / 2) * Math.cos(slope.slopeRad);

/** Where at either of its edges another roof is laid in a row's way, along the side. mm */
const laidInWay = (site: Site, row: Row): Interval[] => {
  const { slope } = row.stretch;
  const at = v3.inPlan(pointOf(site, row, 0));
  const half = v2.scale(slope.uphill, halfOf(row));
  const top = row.set.stock.depth / Math.cos(slope.slopeRad);
  return [v2.add(at, half), v2.sub(at, half)].flatMap((from) =>
    underLaid(site.roof, slope, from, slope.along, top),
  );
};

/** A purlin over the rafters without what lies in holes, and under what is laid on the roof: cut plumb and square there. */
export const partedAt = (
  site: Site,
  row: Row,
  purlin: Member,
  from: number,
  next: () => string,
): Member[] => {
  const { along } = row.stretch.slope;
  const cut = (at: 'top' | 'bottom', t: number): EndCut => {
    const [x, y, z] = pointOf(site, row, t);
    const out = at === 'top' ? along : v2.scale(along, -1);
    return {
      at,
      name: 'end cut',
      keep: halfSpace([x, y, z], [out[0], out[1], 0]),
      meets: null,
    };
  };
  const to = from + purlin.axis.runMm;
  const gaps = intervals.unite([...holesOn(site, row), ...laidInWay(site, row)], OVER_MM);
  if (!gaps.some(([low, high]) => low < to && high > from)) return [purlin];
  const own = (at: 'top' | 'bottom') => purlin.ends.filter((one) => one.at === at);
  return intervals.without([[from, to]], gaps, SHORTEST_MM).map(([start, end], i): Member => ({
    ...purlin,
    id: i === 0 ? purlin.id : next(),
    frame: { ...purlin.frame, origin: pointOf(site, row, start) },
    axis: axisOf(end - start, 0),
    ends: [
      ...(end < to ? [cut('top', end)] : own('top')),
      ...(start > from ? [cut('bottom', start)] : own('bottom')),
    ],
  }));
};
