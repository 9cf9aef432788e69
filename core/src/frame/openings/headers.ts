import type { Vec3 } from '../../geom';
import type { Divider, Span } from '../layout/spans';
import { planPoint } from '../site/slope-plan';
import type { HeaderPlace } from '../headers/headers';
import { memberId } from '../member/member';
import { heightOn, rafterStock, slopeAt, type OpeningPlace, type Site } from '../site';

/** Told apart from the headers under ridges by the end of their ids. */
const OPENING = 'opening';

/**
 * The headers of an opening, plumb between its trimmers: below it with their upper faces, above it with their lower
 * faces, on the edge of what it keeps clear. Each has its top level, its lower corner in the slope.
 */
const headersOf = (site: Site, opening: OpeningPlace): HeaderPlace[] => {
  const { us, vs, ply, slope: index, block, atPlate } = opening;
  const slope = slopeAt(site, index);
  const stock = rafterStock(site, 'trimmer');
  const half = stock.thickness / 2;
  const ends = [us[0] - half, us[1] + half] as const;
  const u = (us[0] + us[1]) / 2;
  return (atPlate ? ([1] as const) : ([-1, 1] as const)).flatMap((way) =>
    Array.from({ length: ply }, (_, k): HeaderPlace => {
      const lower = way < 0 ? vs[0] - (k + 1) * stock.thickness : vs[1] + k * stock.thickness;
      const centre = lower + half;
      const z = heightOn(slope, planPoint(slope, u, lower));
      const at = (station: number): Vec3 => {
        const p = planPoint(slope, station, centre);
        return [p[0], p[1], z];
      };
      return {
        id: `${memberId(block, 'header', opening.index, way < 0 ? 0 : 1, k)}.${OPENING}`,
        block,
        slope: index,
        stock,
        carriers: stock.thickness,
        ends,
        u,
        v: lower,
        centre,
        from: at(ends[0]),
        to: at(ends[1]),
      };
    }),
  );
};

export const openingHeaders = (site: Site): HeaderPlace[] =>
  site.openings.flatMap((opening) => headersOf(site, opening));

/** Where the rafters of a slope are parted by openings: at the outermost header of each end. */
export const openingDividers = (site: Site): Divider[] =>
  site.openings.flatMap((opening) => {
    const headers = headersOf(site, opening);
    const outermost = opening.atPlate
      ? [headers.at(-1)]
      : [headers[opening.ply - 1], headers.at(-1)];
    return outermost.flatMap((header): Divider[] =>
      header === undefined
        ? []
        : [{ slope: header.slope, from: header.from, to: header.to, stop: 'opening' }],
    );
  });

/** Whether a stretch of rafter lies in what an opening keeps clear. */
export const isOpen = ({ openings }: Site, { index, station, low, high }: Span): boolean =>
  openings.some(({ slope, us, vs, atPlate }) => {
    const middle = (low.v + high.v) / 2;
    const across = station.u > us[0] && station.u < us[1];
    // Down to the plate nothing is left below, tails and all.
    return slope === index && across && (atPlate || middle > vs[0]) && middle < vs[1];
  });

export const isOpeningHeader = ({ id }: { readonly id: string }): boolean =>
  id.endsWith(`.${OPENING}`);
