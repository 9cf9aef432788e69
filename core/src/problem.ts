import { spoken, type Sentence } from './sentence';

/**
 * What can be wrong with a job, as data.
 *
 * `path` names the place in the job file (`blocks.0.sides.2.pitch`), `text` says what is wrong there and
 * what would be accepted. Nothing in core throws for bad input; a throw is a defect of core itself.
 */
export type ProblemCode =
  | 'not-json'
  | 'schema'
  | 'newer'
  | 'length'
  | 'pitch'
  | 'outline'
  | 'missing-timber'
  | 'size'
  | 'seat'
  | 'shape-not-yet'
  | 'line-too-short'
  | 'open-end'
  | 'step'
  | 'not-framed';

export interface Problem {
  readonly code: ProblemCode;
  readonly path: string;
  readonly text: Sentence;
}

export type Result<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problems: readonly Problem[] };

export const ok = <T>(value: T): Result<T> => ({ ok: true, value });

export const refused = <T>(problems: readonly Problem[]): Result<T> => ({ ok: false, problems });

/** One line, as the command line and the log print it. */
export const problemLine = (problem: Problem): string => `${problem.path}: ${spoken(problem.text)}`;
