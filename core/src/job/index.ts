/**
 * The job file: the only door through which numbers enter.
 *
 * Takes anything; promises a `Job` with every length in millimetres, every default written in, outlines convex and
 * counter-clockwise, no NaN, no absurd size; or the list of problems, each with the path of its cause.
 */
export { jobSchema, type Job, type JobInput, type Block, type Side, type Stock } from './schema';
export { jobFromStore, readJob, readJobText } from './read';
export { firstEave, standsAlready } from './sides';
export { newJob, type NewJobChoice, type NewShape } from './new-job';
export * from './edit';
export {
  merged,
  withPartRenamed,
  type Clash,
  type Merged,
  type Preferred,
  type Renaming,
} from './merge';
export {
  cornerAngles,
  diagonals,
  fromAngles,
  fromSides,
  spokesOf,
  type CornerAngle,
  type Measured,
  type MeasuredAngles,
  type MeasuredSides,
} from './measured';
export { extraAt, extrasOf, valueAt, withoutExtras, type LessAsked } from './extras';
export { partOfJob, type PartOfJob } from './part';
export { plateThicknessOf, plateWidthOf } from './plate-sizes';
export { hapOf } from './seat';
