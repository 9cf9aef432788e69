import { v2, v3, type Vec2, type Vec3 } from '../../geom';
import type { Stock } from '../../job';
import { say } from '../../sentence';
import { highTail, tailOfSide } from '../eaves/tails';
import { plumbFrame, plumbKeep } from '../member/board';
import { makeMember, axisOf, memberId, type EndCut, type Member } from '../member/member';
import { wholly, type Added, type Pass } from '../pass';
import { heightOn, runFrom, sideAt, type Site } from '../site';
import { lookoutsOf, tooThick, type Lookouts } from './lookouts';
import { isSquare, rakesOf, SAME_MM, type Rake } from './rake';

/** Whether a rake starts at its eave, with a tail; else it starts at a break in pitch. */
const startsAtEave = (site: Site, { low, eave }: Rake): boolean => {
  const line = sideAt(site, eave.block, eave.side);
  return Math.abs(runFrom(line, v3.inPlan(low)) + line.overhangMm) < SAME_MM;
};

const plumb = (at: 'top' | 'bottom', p: Vec3, outward: Vec2): EndCut => ({
  at,
  name: 'plumb cut',
  keep: plumbKeep(v3.inPlan(p), outward),
  meets: null,
});

/**
 * The barge under a rake: a rafter along the edge of the roof, its outside face on it. Over a gable out of square it runs
 * off the fall of its slope: it lies a hair flatter, and one top corner of it comes to the roof.
 */
const bargeOf = (site: Site, rake: Rake, stock: Stock, number: number): Member => {
  const { slope, low, high, outward, up, toLine, over, eave, border } = rake;
  const line = sideAt(site, eave.block, eave.side);
  const tail = startsAtEave(site, rake);
  const p = v2.add(v3.inPlan(low), v2.scale(outward, -stock.thickness / 2));
  // The theory line starts over the plate's outside face, or at the break.
  const start = tail ? runFrom(line, p) / v2.dot(up, slope.uphill) : 0;
  const foot = v2.sub(p, v2.scale(up, start));
  const whole = v2.dot(v2.sub(v3.inPlan(high), foot), up);
  const cut = tail
    ? tailOfSide(site, eave.block, eave.side, foot, 'tail cut').cut
    : plumb('bottom', low, v2.scale(up, -1));
  const upper =
    over === null ? plumb('top', high, toLine) : highTail(site, slope, border.block, over).cut;
  // To the high wall's outside face, as its rafters.
  const past = over === null ? 0 : over.overhangMm / v2.dot(over.inward, up);
  const run = whole + past;
  const rise = slope.rise * v2.dot(up, slope.uphill);
  const slopeRad = isSquare(rake) ? slope.slopeRad : Math.atan(rise);
  const falls = slope.rise * Math.abs(v2.dot(outward, slope.uphill));
  return makeMember({
    id: memberId(border.block, 'barge', border.side, number),
    kind: 'barge',
    block: border.block,
    side: eave.side,
    stock,
    frame: plumbFrame([foot[0], foot[1], heightOn(slope, foot)], up, slopeRad),
    topMm: isSquare(rake) ? 0 : -(stock.thickness / 2) * falls * Math.cos(slopeRad),
    ends: [upper, cut],
    axis: { ...axisOf(run, run * rise), slopeRad },
    pair: { rise, run: 1 },
  });
};

const isOneGable = ({ border: one }: Rake, { border: other }: Rake): boolean =>
  one.block === other.block && one.side === other.side;

/**
 * The barges of one gable with what carries them; null where a lookout finds no rafter, as at a tail that a wall out of
 * square has trimmed away: two barges carry each other, so there is none then.
 */
const endOf = (
  site: Site,
  rakes: readonly Rake[],
  barge: Stock,
  lookout: Stock,
  before: readonly Member[],
): Lookouts | null => {
  const members: Member[] = [];
  const resawn: Member[] = [];
  for (const rake of rakes) {
    const { block, side } = rake.border;
    const number = (kind: 'barge' | 'lookout'): number =>
      members.filter(({ id }) => id.startsWith(`${memberId(block, kind, side)}.`)).length;
    members.push(bargeOf(site, rake, barge, number('barge')));
    // Where the overhang is no wider than the barge, it lies against the gable's own rafter.
    if (rake.overhangMm <= barge.thickness + SAME_MM) continue;
    const carried = lookoutsOf(site, rake, barge, lookout, number('lookout'), before);
    if (carried === null) return null;
    members.push(...carried.members);
    resawn.push(...carried.resawn);
  }
  return { members, resawn };
};

/** Barges and their ladders at every gable that the roof hangs over. */
export const gableEnds: Pass = (site, _primary, before): Added => {
  const { barge, lookout } = site.job.timber;
  if (barge === undefined) return { members: [], problems: [] };
  if (lookout === undefined)
    return {
      members: [],
      problems: [
        {
          code: 'missing-timber',
          path: ['timber', 'lookout'],
          text: say`missing; ‹barges› stand on ‹lookouts›, so give their actual size as {"thickness": 38.1, "depth": 88.9}`,
        },
      ],
    };
  const wrong = tooThick(site, lookout);
  if (wrong !== null) return { members: [], problems: [], withheld: [wholly(wrong)] };
  const rakes = rakesOf(site);
  const gables = rakes.filter((rake, i) => rakes.findIndex((one) => isOneGable(one, rake)) === i);
  const built = gables.flatMap((gable): Lookouts[] => {
    const own = rakes.filter((rake) => isOneGable(rake, gable));
    const found = endOf(site, own, barge, lookout, before);
    return found === null ? [] : [found];
  });
  return {
    members: built.flatMap(({ members }) => members),
    problems: [],
    resawn: built.flatMap(({ resawn }) => resawn),
  };
};
