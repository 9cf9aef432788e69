import type { Problem } from '../problem';

/** A shape that is worked out and cannot be framed. */
export const notYet = (path: string, text: string): Problem => ({
  code: 'shape-not-yet',
  path,
  text,
});

/** A length in a problem's sentence. */
export const mm = (value: number): string => `${value.toFixed(0)} mm`;
