import {
  SLACK_MM,
  SLACK_SINE,
  flip,
  PARALLEL_SINE,
  planeAt,
  v3,
  type HalfSpace,
  type Plane,
} from '../../geom';
import type { Job } from '../../job';
import { isRafter, isTie, KINDS } from '../../kinds';
import type { LaidOn } from '../../roof';
import { axisOf, lengthOf, memberId, type EndCut, type Member } from '../member/member';
import { cornersOf } from '../member/solid-of';
import { runFrom } from '../site';

/** Wood that comes below the sheathing by less touches it. mm */
const BELOW_MM = SLACK_MM.rounding;
/** A timber nearer than this to lying along the sheathing is not cut by it, as a sine. */
const ALONG = SLACK_SINE.along;

/** A rafter with less than this of its middle left is none. mm */
const LEAST_BODY_MM = 100;

/** Keeps what stands above a plane that looks up. */
const over = ({ normal, offset }: Plane): HalfSpace => flip({ normal, offset });

/** Where a member's theory line comes through a plane, from its origin along it; null where it runs beside it. mm */
export const through = ({ frame: { origin, a } }: Member, plane: Plane): number | null => {
  const rate = v3.dot(plane.normal, a);
  return Math.abs(rate) < ALONG ? null : -planeAt(plane, origin) / rate;
};

/** A member between two points of its theory line, its ends there replaced. mm */
const between = (member: Member, from: number, to: number, ends: readonly EndCut[]): Member => {
  const { frame, axis } = member;
  const share = (to - from) / lengthOf(member);
  return {
    ...member,
    frame: { ...frame, origin: v3.add(frame.origin, v3.scale(frame.a, from)) },
    axis: {
      ...axisOf(axis.runMm * share, axis.riseMm * share),
      slopeRad: axis.slopeRad,
      level: axis.level,
    },
    ends,
  };
};

/** A rafter that comes down on the sheathing, or on a sleeper on it: from the chalk line up, no seat and no tail. */
const rafterOnDeck = (
  member: Member,
  deck: Plane,
  stands: Plane,
  meets: string | null,
): Member | null => {
  const chalk = through(member, deck);
  const standsAt = through(member, stands);
  if (chalk === null || standsAt === null || lengthOf(member) - standsAt < LEAST_BODY_MM)
    return null;
  const foot: EndCut = { at: 'bottom', name: 'long cut', keep: over(stands), meets };
  const jack: Member = {
    ...between(member, chalk, lengthOf(member), [
      ...member.ends.filter(({ at }) => at === 'top'),
      foot,
    ]),
    kind: 'valley-jack',
    notches: [],
  };
  // Beside the eave its toe would reach out past the tails' line.
  const tails = member.ends.filter(
    ({ at, keep }) => at === 'tail' && cornersOf(jack).some((p) => planeAt(keep, p) > BELOW_MM),
  );
  return tails.length === 0 ? jack : { ...jack, ends: [...jack.ends, ...tails] };
};

/** A timber that runs down on to the sheathing with one of its ends, cut along it. */
const cutOnDeck = (member: Member, deck: Plane): Member | null => {
  const t = through(member, deck);
  if (t === null) return null;
  const upper = v3.dot(deck.normal, member.frame.a) < 0;
  const at = upper ? 'top' : 'bottom';
  const square = Math.abs(v3.dot(deck.normal, member.frame.s)) < PARALLEL_SINE;
  const cut: EndCut = {
    at,
    name: square ? 'long cut' : 'compound cut',
    keep: over(deck),
    meets: null,
  };
  const ends = member.ends.filter(
    (end) => end.at !== at && !(at === 'bottom' && end.at === 'tail'),
  );
  const kept = upper
    ? between(member, 0, Math.min(t, lengthOf(member)), [cut, ...ends])
    : between(member, Math.max(t, 0), lengthOf(member), [...ends, cut]);
  return kept.axis.runMm > BELOW_MM ? kept : null;
};

/** A tail that reaches down on to the lower roof is cut off along it; its seat stays. */
const tailOnDeck = (member: Member, deck: Plane): Member => ({
  ...member,
  ends: [...member.ends, { at: 'tail', name: 'tail on the roof', keep: over(deck), meets: null }],
});

/** Whether a rafter stands on its own plate, clear of the roof below all through its thickness. */
export const isSeated = ({ wall, platesMm }: LaidOn, { frame, stock, notches }: Member): boolean =>
  notches.length > 0 &&
  runFrom(wall, v3.inPlan(frame.origin)) <= platesMm - stock.thickness / 2 + BELOW_MM;

/** Whether a rafter stands wholly before the eave of the roof below, where there is nothing to come down on. */
const isOutside = ({ wall }: LaidOn, { frame, stock }: Member): boolean =>
  runFrom(wall, v3.inPlan(frame.origin)) + stock.thickness / 2 < -wall.overhangMm;

/** Whether a rafter climbs less than the roof below, and comes down on that with its upper end. */
const runsUnder = ({ frame }: Member, deck: Plane): boolean =>
  v3.dot(deck.normal, frame.a) < -ALONG;

export interface OnDeck {
  readonly members: readonly Member[];
  /** Rafters too short to be set. */
  readonly short: number;
}

/**
 * A block's frame, made as if it stood alone, where it is laid on another roof: what lies under that is left out, what
 * comes down on it is cut along its sheathing.
 *
 * @param sleeperOf the sleeper that a side's rafters stand on, if any, and how thick it is
 */
export const onDeck = (
  job: Job,
  laid: LaidOn,
  members: readonly Member[],
  sleeperOf: (side: number) => Member | undefined,
): OnDeck => {
  const { deck, block } = laid;
  const numbers = new Map<number, number>();
  let short = 0;
  const kept = members.flatMap((member): Member[] => {
    const heights = cornersOf(member).map((p) => planeAt(deck, p));
    if (Math.min(...heights) >= -BELOW_MM) return [member];
    if (Math.max(...heights) <= BELOW_MM) return [];
    if (isRafter(member) && runsUnder(member, deck)) {
      const cut = cutOnDeck(member, deck);
      return cut === null ? [] : [cut];
    }
    if (isRafter(member)) {
      if (isOutside(laid, member)) return [member];
      if (isSeated(laid, member)) return [tailOnDeck(member, deck)];
      const side = member.side ?? 0;
      const sleeper = sleeperOf(side);
      const stands =
        sleeper === undefined ? deck : { ...deck, offset: deck.offset + sleeper.stock.thickness };
      const jack = rafterOnDeck(member, deck, stands, sleeper?.id ?? null);
      if (jack === null || lengthOf(jack) < job.framing.shortestJack) {
        short += 1;
        return [];
      }
      const number = numbers.get(side) ?? 0;
      numbers.set(side, number + 1);
      return [{ ...jack, id: memberId(block, 'valley-jack', side, number) }];
    }
    if (isTie(member) || KINDS[member.kind].onDeck === 'whole') return [];
    const cut = cutOnDeck(member, deck);
    return cut === null ? [] : [cut];
  });
  return { members: kept, short };
};
