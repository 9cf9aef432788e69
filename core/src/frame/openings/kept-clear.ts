import { isExtra, listedKind } from '../../kinds';
import { SLACK_MM, halfSpace, v2, v3, type HalfSpace } from '../../geom';
import type { Problem } from '../../problem';
import { say } from '../../sentence';
import { planPoint } from '../site/slope-plan';
import { woodWithin } from '../member/solid-of';
import type { Member } from '../member/member';
import { inPart, type Pass } from '../pass';
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

const standsIn = ({ index, name }: OpeningPlace, member: Member): Problem => ({
  code: 'not-framed',
  path: ['openings', index],
  text: say`a ${listedKind(member.kind)} would stand in what "${name}" keeps clear${isExtra(member) ? ', and is left out' : ''}; accepted is a place clear of it, or another place for that`,
});

/**
 * An opening holds: what would stand in it, a tie, a strut, gives way. A timber of the base frame
 * does not. It adds nothing.
 */
export const keptClear: Pass = (site, _primary, before) => {
  const inWay = site.openings.flatMap((opening) => {
    const bounds = boundsOf(site, opening);
    return before
      .filter((member) => woodWithin(member, bounds) > IN_WAY_MM3)
      .map((member) => ({ member, problem: standsIn(opening, member) }));
  });
  const base = inWay.filter(({ member }) => !isExtra(member));
  const extra = inWay.filter(({ member }) => isExtra(member));
  return {
    members: [],
    problems: base.map(({ problem }) => problem),
    withheld: extra.map(({ member, problem }) => inPart(problem, [member])),
    giveWay: extra.map(({ member }) => member),
  };
};
