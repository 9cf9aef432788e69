/**
 * Short exercises on made-up roofs, for what is mixed up on every site: the angle and its complement, 12 and 17, left and
 * right, which face is the long one, sums on the tape.
 *
 * Takes a kind, a number and the crew's way of writing; promises a question with one right answer, each answer with its
 * reason, out of a roof that the core itself works out. The same number draws the same exercise.
 */
export { EXERCISES, exerciseOf, type Answer, type Exercise, type ExerciseKind } from './exercise';
