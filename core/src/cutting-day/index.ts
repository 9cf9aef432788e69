/**
 * The cut list as a day's work: in what order it is sawn, which pieces are patterns, and what of it is done.
 *
 * Takes a solved job and the ticks that stand in its log; a sawn piece is known by what it was cut to, so that after a
 * change of the job it is told which still serve, which can be sawn again, and which cannot. mm throughout.
 */
export { cuttingDay, sawnFrom } from './judge';
export type { CuttingDay, LineDone, Misfit, Verdict } from './judge';
export { cuttingOrder, type CuttingStage } from './order';
export { patternsOf, type Pattern } from './patterns';
