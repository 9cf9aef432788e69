import { clashesOf, FLANGE_MM } from '../fixings';
import { inMm, mostMm, say } from '../sentence';
import { caution, type Remark, type Subject } from './remark';

/** Timbers that are to hang side by side, where two hangers have no room. */
export const aboutHangers = ({ job, framing: { members } }: Subject): Remark[] =>
  clashesOf(job, members).map(({ one, other, gapMm }) =>
    caution(
      'hangers-clash',
      gapMm < FLANGE_MM
        ? say`a rafter hangs only ${mostMm(gapMm)} beside the next: no hanger’s flange of ${inMm(FLANGE_MM)} goes between. Take one hanger wide enough for both with a packing between them, or fix one with nails or screws as the local code allows`
        : say`a rafter hangs ${mostMm(gapMm)} beside the next: two hangers with flanges of ${inMm(FLANGE_MM)} each cannot both be fixed between them. Take hangers with one flange, turned away from each other`,
      one.id < other.id ? one : other,
    ),
  );
