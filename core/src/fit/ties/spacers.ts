import { FIT_GAP_MM, SAME_WAY_SINE, v2, v3, type Vec2 } from '../../geom';
import { isRafter } from '../../kinds';
import { inMm, say } from '../../sentence';
import { otherOf, type Touching } from '../contact/contacts';
import { findingOn } from '../finding';
import { middleOf, outFrom, type FrameOnSite } from '../frame-on-site';
import { isEavePlate, isMember, levelBox, type Placed } from '../contact/placed';
import type { FitProblem } from '../report';
import { isTaken, platesUnder } from './untied';

/** The gaps that are packed: wider ones are not, nearer faces touch. mm */
const GAPS_MM = [0.6, 59.9] as const;

/** How long a spacer block is, in depths of its tie. */
const DEPTHS_LONG = 2;

/** What a spacer lies flat between: a rafter and a tie. */
const between = (spacer: Placed, touching: Touching): boolean => {
  const flat = touching(spacer).flatMap((contact) => {
    const other = otherOf(contact, spacer);
    const across = Math.abs(v3.dot(contact.face.plane.normal, spacer.member.frame.s));
    return isMember(other) && across > 1 - SAME_WAY_SINE ? [other.member] : [];
  });
  return flat.some(isRafter) && flat.some(({ kind }) => kind === 'rafter-tie');
};

/** How far across its way a timber reaches, from a point. mm */
const acrossOf = ({ corners }: Placed, from: Vec2, left: Vec2): readonly [number, number] => {
  const ts = corners.map((p) => v2.dot(v2.sub(v3.inPlan(p), from), left));
  return [Math.min(...ts), Math.max(...ts)];
};

/** How the spacer blocks lie, and the gaps between rafters and ties that want one and have none. */
export const checkSpacers = (site: FrameOnSite, touching: Touching): FitProblem[] => {
  if (site.job.rafterTies?.spacers !== true) return [];
  const spacers = site.members.filter(({ member }) => member.kind === 'spacer');
  const ties = site.members.filter(({ member }) => member.kind === 'rafter-tie');
  const plates = new Map(ties.map((tie) => [tie, new Set(platesUnder(tie, touching))]));
  const amiss = spacers.flatMap((spacer): FitProblem[] => {
    const on = touching(spacer)
      .map((contact) => otherOf(contact, spacer))
      .filter(isEavePlate);
    const outside = on.some(({ plate: { line } }) => {
      const outs = spacer.corners.map((p) => outFrom(line, p));
      const long = DEPTHS_LONG * spacer.member.stock.depth;
      return (
        Math.abs(Math.max(...outs)) <= FIT_GAP_MM &&
        Math.abs(Math.min(...outs) + long) <= FIT_GAP_MM
      );
    });
    return outside && between(spacer, touching)
      ? []
      : [
          findingOn(
            spacer,
            'loose',
            0,
            say`${spacer.mark} does not fill the gap between a rafter and its ‹rafter tie› over the ‹plate›`,
          ),
        ];
  });
  const bare = site.members.flatMap((rafter): FitProblem[] => {
    const { member } = rafter;
    if (member.kind !== 'common') return [];
    const heading = v2.unit(v3.inPlan(member.frame.a));
    const left = v2.left(heading);
    const foot = v3.inPlan(member.frame.origin);
    const half = member.stock.thickness / 2;
    const on = platesUnder(rafter, touching);
    const near = ties.flatMap((tie): { tie: Placed; gap: number; way: 1 | -1 }[] => {
      if (Math.abs(v2.cross(heading, v3.inPlan(tie.member.frame.a))) > SAME_WAY_SINE) return [];
      if (!on.some((plate) => plates.get(tie)?.has(plate) === true)) return [];
      const [low, high] = acrossOf(tie, foot, left);
      const way = low > 0 ? 1 : -1;
      return [{ tie, gap: way > 0 ? low - half : -high - half, way }];
    });
    const [first] = near.sort((p, q) => p.gap - q.gap);
    if (first === undefined || first.gap < GAPS_MM[0] || first.gap > GAPS_MM[1]) return [];
    const packed = spacers.some((spacer) =>
      [rafter, first.tie].every((one) =>
        touching(spacer).some((contact) => otherOf(contact, spacer) === one),
      ),
    );
    if (packed) return [];
    const { stock } = first.tie.member;
    const z = first.tie.member.frame.origin[2];
    const [from, to] = [first.way * half, first.way * (half + first.gap)];
    const place = levelBox(
      [foot[0], foot[1], z],
      heading,
      [stock.depth, Math.min(from, to), 1],
      [2 * stock.depth, Math.max(from, to), stock.depth - 1],
    );
    return isTaken(site, place)
      ? []
      : [
          {
            members: [rafter.mark, first.tie.mark],
            ids: [member.id, first.tie.member.id],
            kind: 'missing',
            mm: first.gap,
            at: middleOf(rafter),
            text: say`no ‹spacer block› fills the ${inMm(first.gap, 1)} between ${rafter.mark} and ${first.tie.mark}`,
          },
        ];
  });
  return [...amiss, ...bare];
};
