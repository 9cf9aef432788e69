/**
 * Member + end planes → angles, lengths, marks, hands, working; grouped into a cut list.
 *
 * Takes framed members; promises the contract's cut list (mm and degrees, full precision), each board's marks as seen
 * with its upper end on the left and its left face up. Pieces cut alike or as mirror images share an entry. Order:
 * erection, then longest first. Of the member that is looked at, `boardOf` draws the marked board and `workingOf` tells
 * the chain that each number was computed by.
 */
export { impossibleLine } from './sound';
export { boardOf } from './board-drawing';
export { cutLines } from './cut-list';
export { runningMarks, tapesOf } from './running-marks';
export { storyTapes } from './story-tapes';
export { notchPlumbDepth } from './local-cut';
export { seatOf, upperSeatOf, type Seat } from './seat';
export { handOf, pieceOf } from './group';
export { markOf, marksById, memberOf } from './marks';
export { span } from './lengths';
export { workingOf } from './figures';
export { cutListSchema } from './model';
export type { BoardDrawing, BoardMark } from './board-drawing';
export type { CutEntry, CutList, CutListEntry, Hands, RidgeHeight, RunningMarks } from './model';
export type { Step, Unit, Working } from './working';
