import { SAME_HEIGHT_MM, v2, v3, type Vec3 } from '../../geom';
import type { Job } from '../../job';
import type { Problem } from '../../problem';
import { inDegrees, inMm, leastMm, say } from '../../sentence';
import { degrees, radians } from '../../units';
import { clashing } from '../joint/in-space';
import { memberId, type Member } from '../member/member';
import { wholly, type Added, type Pass, type Withheld } from '../pass';
import type { Site } from '../site';
import { standUnder, underMiddle } from './struts';

type Wanted = NonNullable<Job['hipBraces']>[number];

/** A brace lower than this is none. mm */
const LEAST_RISE_MM = 200;
/** Its head is sawn to the hip's underside: where the two run nearer to one way, it is a splinter. */
const LEAST_BETWEEN_DEG = 30;

/** The hip that rises from a corner of a block; null where none does. */
const hipAt = (
  site: Site,
  { block, corner }: Wanted,
  members: readonly Member[],
): Member | null => {
  const line = site.roof.blocks.find(({ id }) => id === block)?.sides[corner];
  if (line === undefined) return null;
  return (
    members.find(
      (member) =>
        member.kind === 'hip' &&
        member.block === block &&
        v2.distance(v3.inPlan(member.frame.origin), line.start) < SAME_HEIGHT_MM,
    ) ?? null
  );
};

/**
 * In the plumb plane of a hip, from the middle of its underside.
 *
 *          ╱╱
 *        ╱╱ head, sawn to the hip's underside
 *      ╱╱│
 *     ╱  │ brace
 *        ▔▔ a wall or a tie beam, so far along the hip in plan
 */
const braceUnder = (site: Site, wanted: Wanted, hip: Member, stock: Member['stock']): Member => {
  const { frame, axis, topMm } = hip;
  const heading = v2.unit(v3.inPlan(frame.a));
  const [sine, cosine] = [Math.sin(axis.slopeRad), Math.cos(axis.slopeRad)];
  // Square down from the top edge, the underside lies further up the hip in plan.
  const t = (wanted.at - (hip.stock.depth - topMm) * sine) / cosine;
  const plate = site.roof.blocks.find(({ id }) => id === wanted.block)?.plateMm ?? 0;
  const [x, y] = v2.add(v3.inPlan(frame.origin), v2.scale(heading, wanted.foot));
  const foot: Vec3 = [x, y, plate + (wanted.level ?? 0)];
  const riseMm = underMiddle(hip, t)[2] - foot[2];
  return standUnder(
    'hip-brace',
    hip,
    { foot, outMm: wanted.at - wanted.foot, riseMm, inward: heading },
    stock,
  );
};

const problem = (index: number, fields: readonly string[], text: Problem['text']): Problem => ({
  code: 'not-framed',
  path: ['hipBraces', index, ...fields],
  text,
});

/** What keeps a brace from standing as it is asked for; null where it stands. */
const refusalOf = (
  index: number,
  wanted: Wanted,
  hip: Member,
  brace: Member,
  others: readonly Member[],
): Problem | null => {
  const { runMm, slopeRad } = hip.axis;
  if (wanted.at > runMm)
    return problem(
      index,
      ['at'],
      say`the ‹hip› is ${inMm(runMm)} long in plan; accepted is a place under it`,
    );
  if (brace.axis.riseMm < LEAST_RISE_MM)
    return problem(
      index,
      ['at'],
      say`a ‹hip brace› would stand ${inMm(brace.axis.riseMm)} high there; accepted is at least ${leastMm(LEAST_RISE_MM)}`,
    );
  // Against the hip it leans under, or away from it.
  const leans = wanted.foot < wanted.at ? brace.axis.slopeRad : Math.PI - brace.axis.slopeRad;
  const between = leans - slopeRad;
  if (between < radians(LEAST_BETWEEN_DEG))
    return problem(
      index,
      ['foot'],
      say`a ‹hip brace› would run ${inDegrees(degrees(between))} off the ‹hip›’s own slope, where its head no longer bears; accepted is ${inDegrees(LEAST_BETWEEN_DEG)} or more: a foot nearer to under its head`,
    );
  const inWay = clashing(brace, others);
  return inWay.length === 0
    ? null
    : problem(
        index,
        [],
        say`a ‹hip brace› would stand in other timber there; accepted is a place clear of it`,
      );
};

/** Braces from hips down to walls or tie beams, where the crew wants them. */
export const hipBraces: Pass = (site, _primary, before): Added => {
  const { hipBraces: all = [], timber } = site.job;
  if (all.length === 0) return { members: [], problems: [] };
  const stock = timber.strut;
  if (stock === undefined)
    return {
      members: [],
      problems: [
        {
          code: 'missing-timber',
          path: ['timber', 'strut'],
          text: say`missing; this roof has ‹hip braces›, so give their actual size as {"thickness": 50, "depth": 100}`,
        },
      ],
    };
  const members: Member[] = [];
  const withheld: Withheld[] = [];
  for (const [i, wanted] of all.entries()) {
    const hip = hipAt(site, wanted, before);
    if (hip === null) {
      withheld.push(
        wholly(
          problem(
            i,
            ['corner'],
            say`no ‹hip› rises from corner ${wanted.corner + 1} of "${wanted.block}"; accepted is a corner between two eaves`,
          ),
        ),
      );
      continue;
    }
    const brace = braceUnder(site, wanted, hip, stock);
    const others = [...before.filter((one) => one !== hip), ...members];
    const refusal = refusalOf(i, wanted, hip, brace, others);
    if (refusal !== null) withheld.push(wholly(refusal));
    else members.push({ ...brace, id: memberId(wanted.block, 'hip-brace', i) });
  }
  return { members, problems: [], withheld };
};
