import { v2, v3 } from '../../geom';
import { heightAt, type Slope } from '../../roof';
import type { FrameOnSite } from '../frame-on-site';
import type { Placed } from '../contact/placed';

/** How far apart two slopes are at a height, each held off, along a timber that runs from one to the other. mm */
const apartAt = (
  { member: { frame } }: Placed,
  slopes: readonly [Slope, Slope],
  hold: number,
  z: number,
): number => {
  const a = v2.unit(v3.inPlan(frame.a));
  const [t0, t1] = slopes.map(({ plane: { normal, offset } }) => {
    const [x, y] = frame.origin;
    const rate = normal[0] * a[0] + normal[1] * a[1];
    return (offset - hold - normal[0] * x - normal[1] * y - normal[2] * z) / rate;
  });
  return Math.abs((t1 ?? 0) - (t0 ?? 0));
};

/** Height at which the planes of two slopes meet, over a timber between them. mm */
const peakOver = (over: Placed, one: Slope, other: Slope): number => {
  const { origin, a } = over.member.frame;
  const at = (slope: Slope, t: number): number =>
    heightAt(slope, [origin[0] + a[0] * t, origin[1] + a[1] * t]);
  const rate = at(one, 1) - at(one, 0) - (at(other, 1) - at(other, 0));
  return at(one, (at(other, 0) - at(one, 0)) / rate);
};

/** How high the bottom edge of a collar tie stands between two slopes, as the job has it; of a tie or of one of its rafters. mm */
export const bottomOf = (
  { job, roof }: FrameOnSite,
  timber: Placed,
  one: Slope,
  other: Slope,
): number | undefined => {
  const block = roof.blocks.find(({ id }) => id === timber.member.block);
  if (block === undefined || job.collarTies === undefined) return undefined;
  const { bottom, hold } = job.collarTies;
  if (typeof bottom === 'number') return block.plateMm + bottom;
  const peak = peakOver(timber, one, other);
  const eave = block.sides[timber.member.side ?? 0];
  const foot = block.plateMm + (eave?.hapMm ?? 0);
  if (bottom === 'upper-third') return foot + (2 * (peak - foot)) / 3;
  // Its length grows evenly from the held-off peak down.
  const [low, high] = [peak - 3000, peak - 2000].map((z) => apartAt(timber, [one, other], hold, z));
  if (low === undefined || high === undefined) return undefined;
  return peak - 2000 - (1000 * (bottom.longPoint - high)) / (low - high);
};
