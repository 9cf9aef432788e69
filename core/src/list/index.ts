/**
 * A finished cut list, read: what another says otherwise, a tape from its other end.
 *
 * Takes lists as they are printed and knows nothing of the frame, so that a page that shows one fetches no more.
 */
export { changesBetween, cutsAlike, type MarkChange } from './changes';
export { fromOtherEnd } from './other-end';
