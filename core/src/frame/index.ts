/**
 * Edges → members in place.
 *
 * Takes the job and its roof; promises every member as a board in space: its frame, its stock, the half-spaces its
 * saw cuts keep, its notch. Order is the order of erection, then round the building counter-clockwise; the same job
 * gives the same members. What is left out, or wants a warning, comes back as remarks.
 */
export { frameRoof, type Framing } from './frame-roof';
export { planLine } from './plan-line';
export { solidOf, type BoardFace } from './solid-of';
export { KINDS_IN_ORDER } from './member';
export type { CutAt, EndCut, Kind, Member, Notch, Remark } from './member';
