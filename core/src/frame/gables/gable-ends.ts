import { v2, v3, type Vec2, type Vec3 } from '../../geom';
import type { Stock } from '../../job';
import { say } from '../../sentence';
import { tailOfSide } from '../eaves/tails';
import { plumbFrame, plumbKeep } from '../member/board';
import { axisOf, memberId, type EndCut, type Member } from '../member/member';
import type { Added, Pass } from '../pass';
import { heightOn, runFrom, sideAt, type Site } from '../site';
import { lookoutsOf, tooThick } from './lookouts';
import { rakesOf, SAME_MM, type Rake } from './rake';

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

/** The barge under a rake: a rafter beside the gable, its outside face on the edge of the roof. */
const bargeOf = (site: Site, rake: Rake, stock: Stock, number: number): Member => {
  const { slope, low, high, outward, eave, border } = rake;
  const line = sideAt(site, eave.block, eave.side);
  const tail = startsAtEave(site, rake);
  const inside = v2.scale(outward, -stock.thickness / 2);
  const start = tail ? runFrom(line, v3.inPlan(low)) : 0;
  // The theory line starts over the plate's outside face, or at the break.
  const foot = v2.add(v3.inPlan(low), v2.add(inside, v2.scale(slope.uphill, -start)));
  const run = v2.dot(v2.sub(v3.inPlan(high), foot), slope.uphill);
  const cut = tail
    ? tailOfSide(site, eave.block, eave.side, foot, 'tail cut').cut
    : plumb('bottom', low, v2.scale(slope.uphill, -1));
  return {
    id: memberId(border.block, 'barge', border.side, number),
    kind: 'barge',
    block: border.block,
    side: eave.side,
    stock,
    frame: plumbFrame([foot[0], foot[1], heightOn(slope, foot)], slope.uphill, slope.slopeRad),
    topMm: 0,
    ends: [plumb('top', high, slope.uphill), cut],
    notches: [],
    bevels: [],
    mayStandProud: false,
    axis: { ...axisOf(run, run * slope.rise), slopeRad: slope.slopeRad },
    pair: { rise: slope.rise, run: 1 },
    fold: null,
    dropMm: null,
  };
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
          path: 'timber.lookout',
          text: say`missing; ‹barges› stand on ‹lookouts›, so give their actual size as {"thickness": 38.1, "depth": 88.9}`,
        },
      ],
    };
  const wrong = tooThick(site, lookout);
  if (wrong !== null) return { members: [], problems: [wrong] };
  const members: Member[] = [];
  const resawn: Member[] = [];
  for (const rake of rakesOf(site)) {
    const { block, side } = rake.border;
    const number = (kind: 'barge' | 'lookout'): number =>
      members.filter(({ id }) => id.startsWith(`${memberId(block, kind, side)}.`)).length;
    members.push(bargeOf(site, rake, barge, number('barge')));
    // Where the overhang is no wider than the barge, it lies against the gable's own rafter.
    if (rake.overhangMm <= barge.thickness + SAME_MM) continue;
    const carried = lookoutsOf(site, rake, barge, lookout, number('lookout'), before);
    members.push(...carried.members);
    resawn.push(...carried.resawn);
  }
  return { members, problems: [], resawn };
};
