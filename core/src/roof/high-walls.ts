import { type Interval } from '../geom';
import { plateWidthOf, type Block, type Job } from '../job';
import type { Problem } from '../problem';
import { inMm, leastMm, mostMm, say } from '../sentence';
import { heightAt, planeOver } from './bands';
import type { BlockRoof, RoofPlane } from './model';
import { onSide, type SideLine } from './side-lines';

/** A notch less deep than this, plumb, is none. mm */
const LEAST_NOTCH_MM = 2;

type LonePlane = Omit<RoofPlane, 'slope'>;

/** How high the rafters' tops stand over a wall's inside face, at its two ends. mm */
const topsOver = (
  job: Job,
  bands: readonly (readonly LonePlane[])[],
  side: SideLine,
): { readonly rad: number; readonly low: number; readonly high: number } | null => {
  const width = plateWidthOf(job);
  const over = [0, side.lengthMm].flatMap((u) => {
    const p = onSide(side, u, width);
    const plane = planeOver(bands, p);
    return plane === null ? [] : [{ z: heightAt(plane, p), rad: plane.slopeRad }];
  });
  const [first] = over;
  if (first === undefined) return null;
  const zs = over.map(({ z }) => z);
  return { rad: first.rad, low: Math.min(...zs), high: Math.max(...zs) };
};

/**
 * The sides of a block, each high wall's plate at its height. Its rafters' heel is on the plate's inside face, so that
 * both their notches are alike where the plate stands m × (low wall's outside face to high wall's inside face) above
 * the low one:
 *
 *            ╱│
 *          ╱╲ │ high plate
 *        ╱    ┘
 *     ╱╲╱
 *     └ low plate
 */
export const withHighPlates = (
  job: Job,
  block: Block,
  sides: readonly SideLine[],
  bands: readonly (readonly LonePlane[])[],
): readonly SideLine[] =>
  sides.map((side): SideLine => {
    const given = block.sides[side.index];
    const tops = given?.roof === 'high' ? topsOver(job, bands, side) : null;
    if (given?.roof !== 'high' || tops === null) return side;
    const hap = sides.find(({ roof }) => roof === 'eave')?.hapMm ?? 0;
    const plumb = job.timber.common.depth / Math.cos(tops.rad);
    // Where the wall runs off its eave's way, the shallowest notch still is one.
    const worked = Math.max(tops.low - hap, tops.high - plumb + LEAST_NOTCH_MM);
    const plateMm = given.raise === undefined ? worked : block.plate + given.raise;
    return { ...side, plateMm, hapMm: tops.low - plateMm };
  });

/** The stretch of a wall between the high walls beside it, which stand there up to the roof themselves. mm */
export const betweenHigh = (
  job: Job,
  { sides }: Pick<BlockRoof, 'sides'>,
  { index, lengthMm }: SideLine,
): Interval => {
  const wide = (step: number): number =>
    sides[(index + step + sides.length) % sides.length]?.roof === 'high' ? plateWidthOf(job) : 0;
  return [wide(-1), lengthMm - wide(1)];
};

/** Why rafters cannot be seated on a block's high wall; none where they can. */
export const unseatedHigh = (
  job: Job,
  block: Block,
  sides: readonly SideLine[],
  bands: readonly (readonly LonePlane[])[],
): Problem[] =>
  sides.flatMap((side): Problem[] => {
    const tops = side.roof === 'high' ? topsOver(job, bands, side) : null;
    if (tops === null) return [];
    const path = ['blocks', job.blocks.findIndex(({ id }) => id === block.id), 'sides', side.index];
    const plumb = job.timber.common.depth / Math.cos(tops.rad);
    const raise = side.plateMm - block.plate;
    // A wall that runs off its eave's way has the rafters higher at one end: the shallowest notch is there.
    const apart = tops.high - tops.low;
    const most = raise + side.hapMm;
    const least = most + apart - plumb + LEAST_NOTCH_MM;
    if (raise >= least && raise < most) return [];
    if (least >= most)
      return [
        {
          code: 'seat',
          path: [...path, 'roof'],
          text: say`the rafters come to this wall ${inMm(apart, 1)} higher at one end than at the other, and its ‹plate› is level: no height of it gives every rafter a seat; accepted is a high wall that runs nearer along the eave it faces`,
        },
      ];
    return [
      {
        code: 'seat',
        path: [...path, 'raise'],
        text: say`a ‹plate› ${inMm(raise, 1)} above the low one ${raise < least ? say`is ${inMm(least - raise, 1)} too low: the rafters pass over it and have no seat` : say`stands above the rafters' tops`}; accepted is at least ${leastMm(Math.max(0, least), 1)} and under ${mostMm(most, 1)}, or another pitch`,
      },
    ];
  });
