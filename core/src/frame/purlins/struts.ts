import { halfSpace, SAME_POINT_MM, v2, v3, type Vec2, type Vec3 } from '../../geom';
import type { Job, Stock } from '../../job';
import type { Problem } from '../../problem';
import { inDegrees, inMm, mostMm, say } from '../../sentence';
import { degrees, radians } from '../../units';
import { clashing } from '../joint/in-space';
import { bellyOf, plumbFrame } from '../member/board';
import { makeMember, axisOf, memberId, type Member } from '../member/member';
import { inPart, wholly, type Added, type Pass, type Withheld } from '../pass';
import { sideAt, type Site } from '../site';

type Purlin = Job['purlins'][number];
type Struts = NonNullable<Purlin['struts']>;

/** A strut lower than this between wall and purlin is none. mm */
const LEAST_RISE_MM = 200;

/** The middle of a purlin's underside, `t` along it. */
export const underMiddle = (purlin: Member, t: number): Vec3 => {
  const { frame, topMm, stock } = purlin;
  return v3.add(v3.add(frame.origin, v3.scale(frame.a, t)), v3.scale(frame.e, topMm - stock.depth));
};

/**
 * A strut in the plumb plane across a purlin, from the middle of its underside to the middle of a bearing wall's top.
 *
 *      ╲╲
 *      ╱╱╲╲        its head lies on the purlin's underside, its foot level on the wall
 *       ╲  strut
 *       ▔▔ wall
 */
const strutAt = (
  site: Site,
  wanted: Purlin,
  struts: Struts,
  purlin: Member,
  stock: Stock,
  t: number,
): Member => {
  const line = sideAt(site, wanted.block, wanted.side);
  const head = underMiddle(purlin, t);
  const out = v2.dot(v2.sub(v3.inPlan(head), line.start), line.inward) - struts.foot;
  const [x, y] = v2.sub(v3.inPlan(head), v2.scale(line.inward, out));
  const foot: Vec3 = [x, y, line.plateMm + (struts.level ?? 0)];
  const member = standUnder(
    'strut',
    purlin,
    { foot, outMm: out, riseMm: head[2] - foot[2], inward: line.inward },
    stock,
  );
  return { ...member, block: wanted.block, side: wanted.side };
};

/** Where a post stands: its foot, and its head from there: so far along `inward`, negative against it, and so high. mm */
interface UnderTimber {
  readonly foot: Vec3;
  readonly outMm: number;
  readonly riseMm: number;
  readonly inward: Vec2;
}

/** What stands in a plumb plane under a timber, its head sawn to that one's underside, its foot level. */
export const standUnder = (
  kind: 'strut' | 'hip-brace',
  carried: Member,
  { foot, outMm, riseMm, inward }: UnderTimber,
  stock: Stock,
): Member => {
  const axis = axisOf(Math.abs(outMm), riseMm);
  return makeMember({
    id: '',
    kind,
    block: carried.block,
    side: null,
    stock,
    frame: plumbFrame(foot, outMm < 0 ? v2.scale(inward, -1) : inward, axis.slopeRad),
    topMm: stock.depth / 2,
    ends: [
      { at: 'top', name: 'head cut', keep: bellyOf(carried), meets: carried.id },
      { at: 'bottom', name: 'foot', keep: halfSpace(foot, [0, 0, -1]), meets: null },
    ],
    axis,
    pair: axis.upright ? { rise: 0, run: 1 } : { rise: Math.tan(axis.slopeRad), run: 1 },
  });
};

/** A strut is cut level under its purlin: flatter than this its head is a splinter. */
const LEAST_SLOPE_DEG = 30;
const LEAST_SLOPE_RAD = radians(LEAST_SLOPE_DEG);

/**
 * Where along a purlin a strut stands: in its even place; where it would stand in a tie or another strut, flat on the
 * nearer face of that. Null where it is clear nowhere.
 */
const clearAt = (
  even: number,
  at: (t: number) => Member,
  purlin: Member,
  others: readonly Member[],
): Member | null => {
  const wanted = at(even);
  const along = (member: Member): number =>
    v3.dot(v3.sub(member.frame.origin, purlin.frame.origin), purlin.frame.a);
  const beside = clashing(wanted, others).flatMap((other) => {
    const flat = (other.stock.thickness + wanted.stock.thickness) / 2;
    return [along(other) - flat, along(other) + flat];
  });
  const ways = [even, ...beside.sort((p, q) => Math.abs(p - even) - Math.abs(q - even))];
  return ways.map(at).find((strut) => clashing(strut, others).length === 0) ?? null;
};

const problem = (index: number, field: string, text: Problem['text']): Problem => ({
  code: 'not-framed',
  path: ['purlins', index, 'struts', field],
  text,
});

/** Struts from the purlins under the rafters down to bearing walls, where the crew wants them. */
export const struts: Pass = (site, _primary, before): Added => {
  const { purlins, timber } = site.job;
  if (purlins.every((one) => one.struts === undefined)) return { members: [], problems: [] };
  const stock = timber.strut;
  if (stock === undefined)
    return {
      members: [],
      problems: [
        {
          code: 'missing-timber',
          path: ['timber', 'strut'],
          text: say`missing; these ‹purlins› have ‹struts›, so give their actual size as {"thickness": 50, "depth": 100}`,
        },
      ],
    };
  const members: Member[] = [];
  const withheld: Withheld[] = [];
  for (const [i, wanted] of purlins.entries()) {
    const { struts: set } = wanted;
    if (set === undefined) continue;
    const own = before.filter(({ id }) =>
      id.startsWith(`${memberId(wanted.block, 'purlin', wanted.side, i)}.`),
    );
    let number = 0;
    for (const purlin of own) {
      const length = purlin.axis.runMm;
      const bays = Math.ceil((length - SAME_POINT_MM) / set.spacing);
      const at = (t: number): Member => strutAt(site, wanted, set, purlin, stock, t);
      const alone = own.length === 1;
      const noneOf = (told: Problem): Withheld =>
        alone ? wholly(told) : inPart(told, [at(length / 2)]);
      if (at(length / 2).axis.riseMm < LEAST_RISE_MM) {
        withheld.push(
          noneOf(
            problem(
              i,
              'foot',
              say`a ‹strut› would stand ${inMm(at(length / 2).axis.riseMm)} high between the wall’s top and the ‹purlin›; accepted is at least ${inMm(LEAST_RISE_MM)}`,
            ),
          ),
        );
        continue;
      }
      const { slopeRad, runMm, riseMm } = at(length / 2).axis;
      if (slopeRad < LEAST_SLOPE_RAD) {
        withheld.push(
          noneOf(
            problem(
              i,
              'foot',
              say`a ‹strut› would lean to ${inDegrees(degrees(slopeRad))} from level, where its head no longer bears under the ‹purlin›; accepted is ${inDegrees(LEAST_SLOPE_DEG)} or steeper: a wall at most ${mostMm(riseMm / Math.tan(LEAST_SLOPE_RAD))} off the ‹purlin›, plan, not ${inMm(runMm)}`,
            ),
          ),
        );
        continue;
      }
      for (let k = 1; k < bays; k += 1) {
        const others = [...before.filter((other) => other !== purlin), ...members];
        const strut = clearAt((length * k) / bays, at, purlin, others);
        if (strut === null)
          withheld.push(
            inPart(
              problem(
                i,
                'spacing',
                say`the ‹strut› ${inMm((length * k) / bays)} along its ‹purlin› would stand in other timber; accepted is a spacing, or a foot, that is clear of it`,
              ),
              [at((length * k) / bays)],
            ),
          );
        else {
          members.push({ ...strut, id: memberId(wanted.block, 'strut', wanted.side, i, number) });
          number += 1;
        }
      }
    }
  }
  return { members, problems: [], withheld };
};
