import { insideBy, SAME_POINT_MM, v2 } from '../../geom';
import type { Block, Job, Side } from '../schema';
import { betweenEaves, wallLengths } from './parts';

type HipBrace = NonNullable<Job['hipBraces']>[number];

/** How a hip's brace is set: where its head and its foot are along the hip, and what it stands on. */
export type BraceWay = Omit<HipBrace, 'block' | 'corner'>;

/** Where a first brace stands along a hip, of the part's shortest wall: square hips run 0.7 of it. */
const [HEAD, FOOT] = [0.4, 0.3];
/** To what its figures are rounded: five centimetres, or two inches. mm */
const ROUND_METRIC_MM = 50;
const ROUND_IMPERIAL_MM = 50.8;

/** Parts whose roofs are framed into this one's: what is laid on it, or leans against its wall, leaves its hips alone. */
const framedWith = (job: Job, block: Block): Block[] =>
  job.blocks.filter(
    (other) =>
      other.id !== block.id &&
      other.join === 'framed' &&
      other.sides.every(({ roof }) => roof !== 'wall'),
  );

const raiseOf = (side: Side | undefined): number => (side?.roof === 'eave' ? (side.raise ?? 0) : 0);

/**
 * Corners of a part that a hip rises from: those between two eaves that point outward, where no other part goes on.
 */
export const hipCorners = (job: Job, block: Block): number[] => {
  const { outline, sides } = block;
  const others = framedWith(job, block);
  return outline.flatMap((corner, i) => {
    const before = (i + outline.length - 1) % outline.length;
    const [from, to] = [outline[before], outline[(i + 1) % outline.length]];
    if (from === undefined || to === undefined) return [];
    // Of two eaves at different heights, the hip rises from where the higher begins.
    const level = raiseOf(sides[i]) === raiseOf(sides[before]);
    const outward = v2.cross(v2.sub(corner, from), v2.sub(to, corner)) > 0;
    const alone = others.every(({ outline: wing }) => insideBy(wing, corner) < -SAME_POINT_MM);
    return betweenEaves(block, i) && level && outward && alone ? [i] : [];
  });
};

/** How the brace under the hip at a corner is set; null where it has none. */
export const braceWay = (job: Job, block: string, corner: number): BraceWay | null => {
  const found = job.hipBraces?.find((one) => one.block === block && one.corner === corner);
  if (found === undefined) return null;
  const { block: _block, corner: _corner, ...way } = found;
  return way;
};

/** A brace to start from: its head about halfway up the hips of a part, its foot nearer to the corner, on the ties if any. */
export const firstBrace = (job: Job, block: Block): BraceWay => {
  const shortest = Math.min(...wallLengths(block));
  const roundMm = job.display.units === 'imperial' ? ROUND_IMPERIAL_MM : ROUND_METRIC_MM;
  const round = (share: number): number => Math.round((share * shortest) / roundMm) * roundMm;
  const ties = job.rafterTies === undefined ? undefined : job.timber.rafterTie?.depth;
  return {
    at: round(HEAD),
    foot: round(FOOT),
    ...(ties !== undefined && { level: ties }),
  };
};

/** Braces under the hips at these corners, set so; none there where null. Struts' timber is the rafters' until it is given. */
export const withBraces = (
  job: Job,
  block: string,
  corners: readonly number[],
  way: BraceWay | null,
): Job => {
  const { hipBraces = [], ...rest } = job;
  const others = hipBraces.filter((one) => one.block !== block || !corners.includes(one.corner));
  const own = way === null ? [] : corners.map((corner) => ({ block, corner, ...way }));
  const all = [...others, ...own];
  if (all.length === 0) return rest;
  return {
    ...rest,
    timber: { ...job.timber, strut: job.timber.strut ?? job.timber.common },
    hipBraces: all,
  };
};
