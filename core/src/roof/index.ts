/**
 * Blocks → planes → slopes → named lines.
 *
 * Takes a checked job; promises, per block, one plane per eave side (z = plate + hap + m·d) and one more above each
 * break in its pitch; the slopes, each plane
 * once, with the convex pieces that timbers stand under; the faces seen from above, counter-clockwise, that together
 * cover the grown outlines once; every edge once, classified. Hips, valleys and sloping ridges run from the low end to
 * the high end. The roof is the highest of the blocks' lowest planes. A roof that cannot be closed is a problem with
 * its place in the job, never a wrong roof.
 */
export { cheekStudOf } from './dormers';
export { framedHere } from './framed-here';
export { linesInPlan, workOutRoof } from './work-out';
export { withWaysOut } from './near-miss';
export { workOutMet } from './meetings';
export { comesOverWalls } from './refuse';
export { onSide, sideLines, type SideLine } from './side-lines';
export { heightAt, planeOver } from './bands';
export { betweenHigh } from './high-walls';
export { carryRidge, shareSide } from './edges';
export {
  loweredSquare,
  purlinDistance,
  purlinRows,
  purlinsOn,
  runOfSide,
  type PurlinRow,
} from './purlin-rows';
export {
  coveredWall,
  gablePlatesOf,
  platesOf,
  standingWall,
  postedEaves,
  strutWallsOf,
  type Plate,
  type PostedEave,
} from './plates';
export {
  eaveSlope,
  slopeOnWall,
  outside,
  overOwnWalls,
  overWall,
  blocksAbout,
  roofAbout,
  roofOver,
  type RoofOver,
} from './surface';
export { isOnePoint, runsThrough } from './nodes';
export { underLaid } from './underlaid';
export { climbs, LINE_TIMBER } from './model';
export type {
  BlockRoof,
  Carrier,
  ChalkLine,
  LaidOn,
  Fold,
  LineKind,
  Roof,
  RoofBorder,
  RoofEdge,
  RoofFace,
  RoofLine,
  RoofPiece,
  RoofPlane,
  SideRef,
  Slope,
} from './model';
