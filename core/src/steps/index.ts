/**
 * A framed member → what the hands do to saw it, as data: every reading from the hooked upper end, the face it is
 * marked on, the line's angle and lean, the saw's tilt and lean, what falls off, what to turn. The words are the
 * interface's; the tests saw boards by these data alone and hold them against the members' own solids.
 */
export { stepsOf } from './steps-of';
export type { BoardMark3, EdgePoint, SawLine, SawStep, SquarePair } from './model';
