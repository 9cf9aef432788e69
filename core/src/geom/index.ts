/**
 * Pure mathematics of planes, polygons and convex solids. No timber words, no units of its own (core feeds it
 * millimetres). Outlines counter-clockwise; half-spaces keep the side their normal points away from; degenerate
 * meetings are values, never NaN.
 */
export type { Vec2, Vec3 } from './vec';
export * as v2 from './vec2';
export * as v3 from './vec3';
export {
  halfSpace,
  through,
  planeAt,
  crossing,
  flip,
  type HalfSpace,
  type Plane,
  type Crossing,
} from './plane';
export {
  area2,
  chordOf,
  joinedChords,
  clipConvex,
  commonConvex,
  edgesOf,
  insideBy,
  lineCrossing,
  partedByEdge,
  subtractConvex,
  type Chord,
  type ConvexBound,
  type PolygonEdge,
  type TaggedPolygon,
} from './polygon';
export * as intervals from './intervals';
export type { Interval } from './intervals';
export {
  crossedAt,
  crossings,
  eachGap,
  spanning,
  type Chords,
  type Outline,
  type Spanning,
} from './level-lines';
export { boxOver, boxRound, boxesMeet, BoxIndex, GrowingBox, type Box } from './boxes';
export { toWorld, halfSpaceToLocal, type BoardFrame } from './frame';
export {
  box,
  chordWithin,
  clipByAll,
  clipSolid,
  extent,
  volume,
  type ConvexSolid,
  type SolidFace,
} from './solid';
export {
  SAME_POINT_MM,
  PARALLEL_SINE,
  CUT_ALIKE_MM,
  CUT_ALIKE_RAD,
  NO_HAND_MM,
  LEVEL_RISE,
  TOUCHING_MM,
  FIT_GAP_MM,
  FIT_IN_PLATE_MM3,
  FIT_OVERLAP_MM3,
  FIT_PROUD_MM,
  SAME_WAY_SINE,
  ALONGSIDE_SINE,
  MEETS_SINE,
  SAME_HEIGHT_MM,
  TOUCHING_MM2,
  SLACK_MM,
  SLACK_MM2,
  SLACK_MM3,
  SLACK_SINE,
  SLACK_RAD,
  SLACK_DEG,
  SLACK_SHARE,
} from './tolerance';
