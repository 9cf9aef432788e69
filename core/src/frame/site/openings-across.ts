import type { Interval } from '../../geom';
import type { SideLine, Slope } from '../../roof';
import { slopeAt, type Site } from '.';
import { onSlope } from './slope-plan';

/**
 * Where along a side openings lie in the way of what reaches from one distance in from its plate to another on its slope:
 * from edge to edge of what each keeps clear. mm
 */
export const openingsAcross = (
  site: Site,
  slope: Slope,
  { start }: Pick<SideLine, 'start'>,
  [low, high]: Interval,
): Interval[] => {
  const [u0, v0] = onSlope(slope, start);
  return site.openings.flatMap(({ slope: index, us, vs }): Interval[] =>
    slopeAt(site, index) === slope && low < vs[1] - v0 && high > vs[0] - v0
      ? [[us[0] - u0, us[1] - u0]]
      : [],
  );
};
