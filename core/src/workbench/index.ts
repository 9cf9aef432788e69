/**
 * Sums that a framer does on an offcut, without a job: triangles, slopes, stepping off, hips, compound cuts, studs under a
 * slope, saddles, purlins' bevels.
 *
 * Takes millimetres and degrees and gives them back unrounded. Each is a closed form of its own; the solver knows
 * nothing of them, and their tests hold them against it.
 */
export { compoundCut, hipFigures, purlinBevels, type CompoundCut, type HipFigures } from './hip';
export {
  saddleFigures,
  slopeOfLevels,
  stepping,
  wallHeights,
  type SaddleFigures,
  type Stepping,
} from './on-the-slope';
export { triangle, type Known, type Solved, type Triangle } from './triangle';
