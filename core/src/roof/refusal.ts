import type { Path, Problem } from '../problem';
import type { Sentence } from '../sentence';

/** A shape that is worked out and cannot be framed. */
export const notYet = (path: Path, text: Sentence): Problem => ({
  code: 'shape-not-yet',
  path,
  text,
});
