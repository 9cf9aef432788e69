import { pitchRad } from '../../units';
import type { Job, Side } from '../schema';
import { hapOf } from '../seat';
import { firstEave } from '../sides';

type Eave = Extract<Side, { roof: 'eave' }>;

/** The eave of a part, as one problem: any two of seat, overhang and soffit give the third. mm */
export interface EaveOfPart {
  /** The side that governs it. */
  readonly side: number;
  readonly slopeRad: number;
  readonly hap: number;
  readonly overhang: number;
  /** The tails' lowest corners, which a level soffit hangs under: below the plate's top; negative above it. */
  readonly soffit: number;
}

/** From a tail's top corner down to its lowest: plumb, or square to the slope. mm */
const tailDepth = ({ framing, timber }: Job, slopeRad: number): number =>
  framing.tail === 'plumb'
    ? timber.common.depth / Math.cos(slopeRad)
    : timber.common.depth * Math.cos(slopeRad);

/** The eave of a part by its first eave wall; null where it has none. */
export const eaveOfPart = (job: Job, index: number): EaveOfPart | null => {
  const block = job.blocks[index];
  const first = block === undefined ? null : firstEave(block);
  if (first === null) return null;
  const slopeRad = pitchRad(first.side.pitch);
  const { overhang } = first.side;
  const hap = hapOf(job, slopeRad);
  const soffit = overhang * Math.tan(slopeRad) + tailDepth(job, slopeRad) - hap;
  return { side: first.index, slopeRad, hap, overhang, soffit };
};

/** The overhang of a part's eaves; those that were like the first stay like it. */
export const withOverhang = (job: Job, index: number, mm: number): Job => {
  const eave = eaveOfPart(job, index);
  if (eave === null) return job;
  const alike = (side: Side): side is Eave =>
    side.roof === 'eave' && side.overhang === eave.overhang;
  return {
    ...job,
    blocks: job.blocks.map((block, i) =>
      i !== index
        ? block
        : {
            ...block,
            sides: block.sides.map((side) => (alike(side) ? { ...side, overhang: mm } : side)),
          },
    ),
  };
};

const withHap = (job: Job, hap: number): Job => ({
  ...job,
  framing: { ...job.framing, seat: { hap } },
});

/** What gives way when the soffit is set: the overhang, or the seat. */
export type Gives = 'overhang' | 'seat';

/** A part's soffit so far below its plate's top: by another overhang, or by another height of the rafters over the plate. */
export const withSoffit = (job: Job, index: number, below: number, gives: Gives): Job => {
  const eave = eaveOfPart(job, index);
  if (eave === null) return job;
  const down = tailDepth(job, eave.slopeRad);
  const rise = Math.tan(eave.slopeRad);
  return gives === 'overhang'
    ? withOverhang(job, index, Math.max(0, (below + eave.hap - down) / rise))
    : withHap(job, eave.overhang * rise + down - below);
};

/**
 * How far above what is in the way the rafters' undersides pass, plumb; negative where it stands in them. Null where
 * there is nothing to clear, or it stands out past the tails. mm
 */
export const clearanceOf = (job: Job, index: number): number | null => {
  const eave = eaveOfPart(job, index);
  const { obstruction } = job.framing;
  if (eave === null || obstruction === undefined || obstruction.out > eave.overhang) return null;
  const { out, below } = obstruction;
  const { depth } = job.timber.common;
  return eave.hap - out * Math.tan(eave.slopeRad) - depth / Math.cos(eave.slopeRad) + below;
};

/** The rafters raised or lowered over the plate until they just clear what is in the way. */
export const withObstructionCleared = (job: Job, index: number): Job => {
  const eave = eaveOfPart(job, index);
  const clear = clearanceOf(job, index);
  return eave === null || clear === null ? job : withHap(job, eave.hap - clear);
};

/** A window's head under the eave, below the plate's top; none where null. mm */
export const withWindowHead = (job: Job, mm: number | null): Job => {
  const { windowHead: _before, ...framing } = job.framing;
  return { ...job, framing: mm === null ? framing : { ...framing, windowHead: mm } };
};

/** What the rafters have to clear outside the wall; nothing where null. */
export const withObstruction = (
  job: Job,
  obstruction: NonNullable<Job['framing']['obstruction']> | null,
): Job => {
  const { obstruction: _before, ...framing } = job.framing;
  return { ...job, framing: obstruction === null ? framing : { ...framing, obstruction } };
};
