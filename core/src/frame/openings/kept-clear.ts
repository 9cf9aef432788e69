import { listedKind } from '../../kinds';
import { SLACK_MM, halfSpace, v2, v3, type HalfSpace } from '../../geom';
import type { Problem } from '../../problem';
import { say } from '../../sentence';
import { planPoint } from '../site/slope-plan';
import { woodWithin } from '../member/solid-of';
import type { Pass } from '../pass';
import { slopeAt, type OpeningPlace, type Site } from '../site';

/** Wood in the way, more than rounding. mm³ */
const IN_WAY_MM3 = 500;
/** What lies over the rafters is cut round the hole on site. mm */
const UNDER_MM = SLACK_MM.nothing;

/** What an opening keeps clear, from under its slope's plane down through the rafters. */
const boundsOf = (site: Site, { slope: index, us, vs }: OpeningPlace): HalfSpace[] => {
  const slope = slopeAt(site, index);
  const { along, uphill, plane } = slope;
  const [low, high] = [planPoint(slope, us[0], vs[0]), planPoint(slope, us[1], vs[1])];
  const out = (p: typeof low, way: typeof along): HalfSpace =>
    halfSpace([p[0], p[1], 0], [way[0], way[1], 0]);
  const { depth } = site.job.timber.common;
  return [
    out(low, v2.scale(along, -1)),
    out(low, v2.scale(uphill, -1)),
    out(high, along),
    out(high, uphill),
    { normal: plane.normal, offset: plane.offset - UNDER_MM },
    { normal: v3.scale(plane.normal, -1), offset: depth - plane.offset },
  ];
};

/** Refuses what would stand in an opening: a purlin under the rafters, a tie, a strut. It adds nothing. */
export const keptClear: Pass = (site, _primary, before) => ({
  members: [],
  problems: site.openings.flatMap((opening): Problem[] => {
    const bounds = boundsOf(site, opening);
    const inWay = before.find((member) => woodWithin(member, bounds) > IN_WAY_MM3);
    return inWay === undefined
      ? []
      : [
          {
            code: 'not-framed',
            path: ['openings', opening.index],
            text: say`a ${listedKind(inWay.kind)} would stand in what "${opening.name}" keeps clear; accepted is a place clear of it, or another place for that`,
          },
        ];
  }),
});
