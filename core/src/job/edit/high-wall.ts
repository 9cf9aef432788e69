import { PARALLEL_SINE, SAME_HEIGHT_MM, v2 } from '../../geom';
import { degrees, pitchRad } from '../../units';
import { plateWidthOf } from '../plate-sizes';
import type { Job } from '../schema';
import { firstEave } from '../sides';
import { depthBehind, wallOf } from './on-wall';
import { withSide } from './parts';

/** One slope over two walls: the eave it falls to, and what settles how high the upper plate stands. mm */
interface OverTwo {
  readonly eave: number;
  /** Level, from the low wall's outside face to the high wall's inside face: between the two heel lines. */
  readonly betweenMm: number;
  readonly slopeRad: number;
  readonly raise: number | undefined;
}

/** Null where the wall is no high one that one pitch runs straight up to. */
const overTwoAt = (job: Job, index: number, wall: number): OverTwo | null => {
  const block = job.blocks[index];
  const first = block === undefined ? null : firstEave(block);
  const side = block?.sides[wall];
  if (block === undefined || first === null || side?.roof !== 'high') return null;
  const [low, high] = [wallOf(block, first.index), wallOf(block, wall)];
  if (v2.dot(low.inward, high.inward) > -1 + PARALLEL_SINE || first.side.breaks !== undefined)
    return null;
  return {
    eave: first.index,
    betweenMm: depthBehind(low) - plateWidthOf(job),
    slopeRad: pitchRad(first.side.pitch),
    raise: side.raise,
  };
};

/** How far the plate of a high wall stands above the low one where both notches are alike. mm */
const raiseAlike = ({ betweenMm, slopeRad }: OverTwo): number => betweenMm * Math.tan(slopeRad);

export interface HighPlate {
  /** Above the low one: as typed, or as both notches want it. mm */
  readonly raise: number;
  readonly typed: boolean;
  /** Whether both notches come out alike. */
  readonly alike: boolean;
}

/** How the plate of a high wall stands; null where the wall is none. */
export const highPlateOf = (job: Job, index: number, wall: number): HighPlate | null => {
  const found = overTwoAt(job, index, wall);
  if (found === null) return null;
  const wanted = raiseAlike(found);
  const raise = found.raise ?? wanted;
  return {
    raise,
    typed: found.raise !== undefined,
    alike: Math.abs(raise - wanted) < SAME_HEIGHT_MM,
  };
};

/** A high wall's plate at a height above the low one, or where both notches are alike. */
export const withHighPlate = (
  job: Job,
  index: number,
  wall: number,
  raise: number | 'alike',
): Job =>
  withSide(job, index, wall, (side) => {
    if (side.roof !== 'high') return side;
    const { raise: _before, ...rest } = side;
    return raise === 'alike' ? rest : { ...rest, raise };
  });

/** The pitch at which both notches are alike, the two plates staying where they are. */
export const withPitchOfPlates = (job: Job, index: number, wall: number): Job => {
  const found = overTwoAt(job, index, wall);
  if (found?.raise === undefined || found.raise <= 0) return job;
  const pitch = `${Number(degrees(Math.atan(found.raise / found.betweenMm)).toFixed(6))}°`;
  return withSide(job, index, found.eave, (side) =>
    side.roof === 'eave' ? { ...side, pitch } : side,
  );
};
