import { SAME_POINT_MM } from '../../geom';
import { rafterStock, type Site } from '../site';

interface Placed {
  readonly u: number;
  readonly node: number | null;
  readonly trimmer?: true;
}

/**
 * A slope's stations with its trimmers among them, flush outside what the openings keep clear. A rafter of the layout
 * that would stand in a trimmer stands flat beside it instead, away from the opening, and doubles it.
 *
 *      trimmer ▮▯ ┆ opening ┆ ▮        ▯ would have stood half in the trimmer
 */
export const withTrimmers = (
  site: Site,
  slope: number,
  at: readonly Placed[],
): readonly Placed[] => {
  const openings = site.openings.filter((one) => one.slope === slope);
  if (openings.length === 0) return at;
  const wide = rafterStock(site, 'trimmer').thickness;
  const { thickness } = site.job.timber.common;
  const trimmers = openings.flatMap(({ us, ply }) =>
    ([-1, 1] as const).flatMap((way) =>
      Array.from({ length: ply }, (_, k) => ({
        u: us[way < 0 ? 0 : 1] + way * (k + 0.5) * wide,
        way,
      })),
    ),
  );
  const apart = (wide + thickness) / 2;
  const found: Placed[] = [];
  for (const { u } of trimmers)
    if (!found.some((one) => Math.abs(one.u - u) < SAME_POINT_MM))
      found.push({ u, node: null, trimmer: true });
  for (const one of at) {
    let { u } = one;
    // Past one trimmer it may come into the next.
    for (const { u: in2, way } of [...trimmers].sort(
      (p, q) => Math.abs(p.u - one.u) - Math.abs(q.u - one.u),
    ))
      if (Math.abs(u - in2) < apart - SAME_POINT_MM) u = in2 + way * apart;
    const free = found.every(
      (other) => Math.abs(other.u - u) > Math.min(apart, thickness) - 2 * SAME_POINT_MM,
    );
    if (free) found.push(u === one.u ? one : { u, node: null });
  }
  return found.sort((p, q) => p.u - q.u);
};
