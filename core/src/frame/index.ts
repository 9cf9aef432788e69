/**
 * Slopes and lines → members in place.
 *
 * Takes the job and its roof; promises every member as a board in space: its frame, its stock, the half-spaces its
 * saw cuts keep, its notches. Order is the order of erection, then round the building counter-clockwise; the same job
 * gives the same members. What had to be left out comes back counted.
 */
export { frameRoof, type Framing } from './frame-roof';
export { inPart, onePlaceEach, wholly, type Withheld } from './pass';
export { offSquareGables } from './gables/rake';
export { isSquareTail } from './eaves/tails';
export { isOpeningHeader } from './openings/headers';
export { scarfTimes, slotOf } from './joint/scarfs';
export { MOST_SPACER_MM } from './ties/spacers';
export type { LeftOut } from './primary';
export { bellyOf } from './member/board';
export { isOneTimber, isTailCut, isUpper, lengthOf, memberId } from './member/member';
export { crossingOf, planLine } from './member/plan-line';
export { cornersOf, solidOf, woodWithin, type BoardFace } from './member/solid-of';
export type {
  Axis,
  Bevel,
  CutAt,
  EndCut,
  FoldPlan,
  Member,
  Notch,
  NotchFor,
} from './member/member';
