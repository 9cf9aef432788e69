import { isOneTimber, isTailCut, lengthOf, type Member } from '../frame';
import { SAME_POINT_MM, v2, v3, type Vec2 } from '../geom';
import { isPost, isPurlin, isRafter, PHASES, type Phase } from '../kinds';
import type { Roof } from '../roof';
import { phaseOf } from './phases';

/** Whether the whole roof goes up in one go, or half of it is raised and covered before the other is begun. */
export type Stages = 1 | 2;

/** What is raised together: a phase of one stage; of what is laid on another roof, and each ridge, apart. */
export interface Lift {
  readonly phase: Phase;
  readonly stage: number;
  /** The block laid on another roof that it belongs to; null where it stands on walls. */
  readonly laid: string | null;
  readonly members: readonly Member[];
}

/**
 * What a timber is cut against: it cannot hang there before that stands. A tail is cut on a line that a fascia comes to
 * later, and a housing takes a lookout that is laid in.
 */
const against = ({ kind, ends, notches }: Member): string[] => {
  // A sleeper lies on the sheathing, whatever comes to its ends later.
  if (kind === 'sleeper') return [];
  return [
    ...ends.filter((end) => !isTailCut(end)),
    ...notches
      .filter((notch) => notch.for !== 'housing')
      .flatMap(({ seat, heels }) => [seat, ...heels]),
  ].flatMap(({ meets }) => (meets === null ? [] : [meets]));
};

/**
 * The rafters that hold a ridge near its two ends: on either side the first and the last that lean on it, those that
 * stand on a plate before all.
 */
const holding = (ridge: Member, members: readonly Member[]): Member[] => {
  const along = v2.unit(v3.inPlan(ridge.frame.a));
  const left = v2.left(along);
  const from = v3.inPlan(ridge.frame.origin);
  const at = ({ frame: { origin } }: Member): number =>
    v2.dot(v2.sub(v3.inPlan(origin), from), along);
  // A rafter knows the timber that it leans on whole, not in which of its lengths.
  const lengths = members.filter((one) => isOneTimber(one, ridge)).map(({ id }) => id);
  const { thickness } = ridge.stock;
  const leaning = members.filter(
    (one) =>
      isRafter(one) &&
      against(one).some((id) => lengths.includes(id)) &&
      at(one) > -thickness &&
      at(one) < ridge.axis.runMm + thickness,
  );
  return [1, -1].flatMap((side) => {
    const beside = leaning.filter(
      ({ frame }) => Math.sign(v2.dot(v2.sub(v3.inPlan(frame.origin), from), left)) === side,
    );
    const seated = beside.filter(({ notches }) => notches.some((notch) => notch.for === 'plate'));
    const own = seated.length > 0 ? seated : beside;
    const places = own.map(at);
    const [first, last] = [Math.min(...places), Math.max(...places)];
    return own.filter((one) => at(one) < first + SAME_POINT_MM || at(one) > last - SAME_POINT_MM);
  });
};

/** The posts of a ridge that is a beam. A post knows it whole, not in which of its lengths. */
const postsUnder = (ridge: Member, members: readonly Member[]): Member[] => {
  const lengths = members.filter((one) => isOneTimber(one, ridge)).map(({ id }) => id);
  return members.filter(
    (one) => one.kind === 'ridge-post' && against(one).some((id) => lengths.includes(id)),
  );
};

/** What a timber goes up on, though it is cut to it: a ridge on its pairs, a beam on its posts, a purlin on its struts. */
const holders = (member: Member, members: readonly Member[]): Member[] => {
  if (member.kind === 'ridge') {
    const posts = postsUnder(member, members);
    return posts.length > 0 ? posts : holding(member, members);
  }
  return member.kind === 'beam' || isPurlin(member)
    ? members.filter((one) => isPost(one) && against(one).includes(member.id))
    : [];
};

const middleOf = (member: Member): Vec2 => {
  const { origin, a } = member.frame;
  return v3.inPlan(v3.add(origin, v3.scale(a, lengthOf(member) / 2)));
};

/** Runs along many rafters, which have to stand first. */
const runsAlong = (member: Member): boolean =>
  phaseOf(member) === 'edges' || phaseOf(member) === 'roof-purlins';

/**
 * Which half of the roof a timber belongs to where it is raised in two: parted square across the longest ridge, half-way
 * along it. What runs along rafters of both halves goes up with the second, and so does a fascia that one of its tails
 * belongs to.
 */
const halfOf = (roof: Roof, members: readonly Member[]): ((member: Member) => number) => {
  const ridges = roof.lines.filter(({ kind }) => kind === 'ridge');
  const length = ({ from, to }: (typeof ridges)[number]): number => v3.distance(from, to);
  const [longest] = [...ridges].sort((p, q) => length(q) - length(p));
  if (longest === undefined) return () => 0;
  const along = v2.unit(v2.sub(v3.inPlan(longest.to), v3.inPlan(longest.from)));
  const parted = v2.dot(v3.inPlan(v3.lerp(longest.from, longest.to, 0.5)), along);
  const half = (member: Member): number => {
    const reach = lengthOf(member) / 2;
    const past = runsAlong(member) ? reach * Math.abs(v2.dot(v3.inPlan(member.frame.a), along)) : 0;
    return v2.dot(middleOf(member), along) + past > parted + SAME_POINT_MM ? 1 : 0;
  };
  const late = new Set(
    members.flatMap((member) =>
      half(member) === 1 ? member.ends.flatMap((end) => (isTailCut(end) ? [end.meets] : [])) : [],
    ),
  );
  return (member) => (late.has(member.id) ? 1 : half(member));
};

/** Longest first: jacks go up from the longest, each with its partner. */
const longestFirst = (p: Member, q: Member): number => lengthOf(q) - lengthOf(p);

/**
 * The frame in the order in which it goes up. Each member is in one lift; what it is cut against stands in the same or
 * an earlier one.
 */
export const liftsOf = (roof: Roof, members: readonly Member[], stages: Stages): Lift[] => {
  const byId = new Map(members.map((member) => [member.id, member]));
  const laidBlocks = roof.laid.map(({ block }) => block);
  const half = stages === 1 ? () => 0 : halfOf(roof, members);
  const up = new Set<string>();
  const raise = (member: Member, lift: Member[]): void => {
    if (up.has(member.id)) return;
    // A post goes up with its fellows, and right after them what they carry.
    const carried = isPost(member) ? against(member).map((id) => byId.get(id)) : [];
    const above = carried.find(
      (one) => one !== undefined && !up.has(one.id) && holders(one, members).includes(member),
    );
    if (above !== undefined) raise(above, lift);
    if (up.has(member.id)) return;
    up.add(member.id);
    const held = holders(member, members);
    for (const other of [...held, ...against(member).map((id) => byId.get(id))])
      // Two lengths of one timber are held each by itself.
      if (other !== undefined && !isOneTimber(member, other) && !runsAlong(other))
        raise(other, lift);
    lift.push(member);
  };
  const lift = (of: Omit<Lift, 'members'>, wanted: readonly Member[]): Lift[] => {
    const raised: Member[] = [];
    for (const member of wanted) raise(member, raised);
    return raised.length === 0 ? [] : [{ ...of, members: raised }];
  };
  const liftsIn = (own: readonly Member[], stage: number, laid: string | null): Lift[] =>
    PHASES.flatMap((phase) => {
      const wanted = own.filter((member) => phaseOf(member) === phase);
      const of = { phase, stage, laid };
      if (phase === 'frames')
        return wanted.filter(({ kind }) => kind === 'ridge').flatMap((ridge) => lift(of, [ridge]));
      return lift(of, phase === 'jacks' ? [...wanted].sort(longestFirst) : wanted);
    });
  const below = members.filter(({ block }) => !laidBlocks.includes(block));
  return [
    ...Array.from({ length: stages }, (_, stage) =>
      liftsIn(
        below.filter((member) => half(member) === stage),
        stage + 1,
        null,
      ),
    ).flat(),
    ...laidBlocks.flatMap((laid) =>
      liftsIn(
        members.filter(({ block }) => block === laid),
        stages,
        laid,
      ),
    ),
  ];
};
