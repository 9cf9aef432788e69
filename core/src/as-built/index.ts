/**
 * What stands against what was planned.
 *
 * Takes the measurements of a job's log; promises how far each is off, the plan as it stands, what framing to it does to
 * every mark, and the packing where the roof is held as planned instead. mm and degrees.
 */
export { builtJob, marksMoved, SIZED, type MarkMoved } from './effect';
export { asBuiltPath, newestMeasured } from './measured';
export {
  builtOutline,
  cornersOff,
  levelPacking,
  oneOff,
  packingOf,
  sidesOff,
  type CornerOff,
  type Off,
  type Packing,
} from './outline';
