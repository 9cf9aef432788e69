/**
 * Edits of a job, each a pure function job → job: what stands on a wall goes with it, everything else stays as it is.
 * Nothing here checks; what an edit leads to is read like any other job.
 */
export { withBay, withLeanTo, withoutBlock, withWing } from './add-block';
export { withHouseBeside } from './house-beside';
export {
  LEAST_WALL_MM,
  standingOn,
  withOutline,
  withStanding,
  withWallMoved,
  type Standing,
} from './change-block';
export {
  takesGablet,
  withBreak,
  withBreakChanged,
  withGablet,
  withoutBreak,
  withSidesAlike,
  type BreakWay,
} from './change-side';
export {
  clearanceOf,
  eaveOfPart,
  withObstruction,
  withObstructionCleared,
  withOverhang,
  withSoffit,
  withWindowHead,
  type EaveOfPart,
  type Gives,
} from './eave';
export { heightAtWall, withHeightAtWall, withPosts } from './lean-to';
export { highPlateOf, withHighPlate, withPitchOfPlates, type HighPlate } from './high-wall';
export { withCorners } from './change-corners';
export {
  hangsOverGables,
  hasGables,
  leansOnWall,
  atWallWay,
  edgeWay,
  studWay,
  withBarges,
  withBlocking,
  withGableStuds,
  withLedger,
} from './roof-edges';
export { braceWay, firstBrace, hipCorners, withBraces, type BraceWay } from './hip-braces';
export { purlinsAlike, purlinWay, withPurlins, type PurlinWay } from './purlins';
export {
  roofPurlinsOf,
  seatDeepenedBy,
  withRoofPurlins,
  withSeatKept,
  type RoofPurlins,
} from './roof-purlins';
export { collarWay, withBacking, withCollarTies, withRafterTies, type CollarWay } from './ties';
export { canBeLaidOn, standsBeside, withExisting, withJoin, withSleepers } from './laid-on';
export {
  dormersOf,
  withDormer,
  withDormerAs,
  withDormerRoof,
  type Dormer,
  type ShedWay,
} from './dormers';
export { hasRidge, withRidgeBeam, type RidgeBeam } from './ridge-beam';
export { ridgeHeight, withRidgeHeight } from './ridge-height';
export {
  gutterOf,
  saddleRidge,
  saddlesIn,
  withSaddleBetween,
  withSaddlePitch,
  withSaddleRidge,
  withSaddleStock,
  type Gutter,
  type Saddle,
} from './saddles';
export { withFixing, type FixingRule } from './fixings';
export {
  saddleBehind,
  withSaddleBehind,
  openingsOf,
  withOpening,
  withOpeningAs,
  type Opening,
} from './openings';
export { wallOf, wallsOf, type OnWall, type Wall } from './on-wall';
export {
  isRectangle,
  laid,
  measurable,
  onePitch,
  onePitchAllOver,
  pitchText,
  resized,
  wallLengths,
  withBlock,
  withPitch,
  withPitchAllOver,
  withSide,
  writtenPitch,
} from './parts';
