/**
 * What is asked for beyond the base frame and cannot stand: who gives way, what that leaves open, what would do instead.
 *
 * Takes the job, its frame and its proof; promises for each thing that is withheld its place in the job, its reason, and
 * values that would do, each of them tried. It frames nothing itself.
 */
export { juniors, type Junior } from './juniors';
export { isLeftOpen, isOfExtra, isSameFinding } from './left-open';
export { placeOfLaid, placeOfPiece } from './place-of-piece';
export { acceptedValues, withValue } from './accepted';
export { spotsOf } from './spots';
export { extrasNamed, sifted, type Dropped } from './sifted';
