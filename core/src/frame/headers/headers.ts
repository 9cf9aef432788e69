import { SAME_POINT_MM, v2, v3, type Vec3 } from '../../geom';
import { plumbKeep } from '../member/board';
import type { Stock } from '../../job';
import type { Junction } from '../site/line-places';
import { memberId, type EndCut } from '../member/member';
import type { RafterPlace } from '../rafters/set-rafters';
import { footOfCheek, type Divider, type Span } from '../layout/spans';
import { onSlope, planPoint } from '../site/slope-plan';
import { openStrip, withPolygon, type Strip } from '../joint/strip';
import { heightOn, slopeAt, stockOf, type Site } from '../site';

/** A level timber across a slope, which carries the end of a lower ridge and its two valleys. */
export interface HeaderPlace {
  readonly id: string;
  readonly block: string;
  readonly slope: number;
  /** Stations of the rafters that carry its two ends, and of the ridge it carries. */
  readonly ends: readonly [low: number, high: number];
  readonly u: number;
  /** Its lower face and its centre line up the slope. */
  readonly v: number;
  readonly centre: number;
  /** Its theory ends: the centre lines of the rafters that carry it. */
  readonly from: Vec3;
  readonly to: Vec3;
  readonly stock: Stock;
  /** How thick the rafters are that carry it. mm */
  readonly carriers: number;
}

/** What a header is whichever timbers carry it: its theory line, and where it belongs. */
export type HeaderTheory = Pick<HeaderPlace, 'id' | 'block' | 'slope' | 'from' | 'to' | 'stock'>;

/** Half the width that a ridge and two valleys take up along the header's face. */
const needs = (site: Site, { ridge, valleys, slope }: Junction): number => {
  const { along } = slopeAt(site, slope);
  const valley = valleys.map(({ heading, kind }) => {
    const sine = Math.abs(v2.cross(heading, along));
    return stockOf(site, kind).thickness / sine;
  });
  return stockOf(site, ridge.kind).thickness + Math.max(...valley);
};

/** Room for a nail between the header's lower face and the foot of the rafter that carries it. mm */
const PASSES_MM = 20;

/**
 * The header at a junction, between the two nearest rafters that pass it and reach a valley; null where no such
 * rafter stands on one side.
 *
 * @param spans rafters of the junction's slope, not yet parted by the header
 */
export const headerAt = (
  site: Site,
  junction: Junction,
  spans: readonly Span[],
  number: number,
): HeaderPlace | null => {
  const slope = slopeAt(site, junction.slope);
  const [u, v] = onSlope(slope, v3.inPlan(junction.at));
  const { thickness } = stockOf(site, 'header');
  const aside = needs(site, junction) + site.job.timber.common.thickness / 2;
  const passing = spans
    .filter(
      (span) =>
        span.low.v + footOfCheek(site, span) < v - PASSES_MM && span.high.v > v + 2 * thickness,
    )
    .map(({ station }) => station.u);
  const low = Math.max(...passing.filter((station) => station < u - aside));
  const high = Math.min(...passing.filter((station) => station > u + aside));
  if (!Number.isFinite(low) || !Number.isFinite(high)) return null;
  const centre = v + thickness / 2;
  const at = (station: number): Vec3 => {
    const p = planPoint(slope, station, centre);
    return [p[0], p[1], heightOn(slope, planPoint(slope, u, v))];
  };
  const block = slope.sides[0]?.block ?? '';
  return {
    id: memberId(block, 'header', number),
    block,
    slope: junction.slope,
    ends: [low, high],
    u,
    v,
    centre,
    from: at(low),
    to: at(high),
    stock: stockOf(site, 'header'),
    carriers: site.job.timber.common.thickness,
  };
};

/** The header's outline in plan, cut on the faces of the rafters that carry it. */
export const headerStrip = (
  site: Site,
  header: HeaderPlace,
  rafters: readonly RafterPlace[],
): Strip => {
  const slope = slopeAt(site, header.slope);
  const half = header.carriers / 2;
  const { thickness, depth } = header.stock;
  const [low, high] = header.ends;
  const z = header.from[2];
  const whole = openStrip(
    planPoint(slope, low + half, header.centre),
    planPoint(slope, high - half, header.centre),
    thickness,
    {
      id: header.id,
      kind: 'header',
      heading: slope.along,
      topAt: () => z,
      plumbMm: depth,
      anchor: planPoint(slope, header.u, header.centre),
    },
  );
  const carrier = (station: number): string | null =>
    rafters.find(
      ({ span }) =>
        span.index === header.slope &&
        Math.abs(span.station.u - station) < SAME_POINT_MM &&
        span.low.v < header.v &&
        span.high.v > header.v,
    )?.id ?? null;
  const end = (at: 'top' | 'bottom', station: number, inward: 1 | -1): EndCut => ({
    at,
    name: 'end cut',
    keep: plumbKeep(
      planPoint(slope, station + inward * half, header.centre),
      v2.scale(slope.along, -inward),
    ),
    meets: carrier(station),
  });
  const ends = { bottom: end('bottom', low, 1), top: end('top', high, -1) };
  return withPolygon(whole, {
    points: whole.polygon.points,
    tags: whole.polygon.tags.map((tag) =>
      tag === 'open top' ? ends.top : tag === 'open bottom' ? ends.bottom : tag,
    ),
  });
};

export const dividerOf = ({ slope, from, to }: HeaderPlace): Divider => ({
  slope,
  from,
  to,
  stop: 'header',
});
