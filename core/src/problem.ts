import { spoken, type Sentence } from './sentence';

/**
 * What can be wrong with a job, as data.
 *
 * `path` names the place in the job file (`blocks.0.sides.2.pitch`, as it is written), `text` says what is wrong there and
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

/** A place in a job file, from the outside in: names of fields, and numbers in lists from 0. */
export type Path = readonly (string | number)[];

/** A place as it is written for people: `blocks.0.sides.2.pitch`. */
export const pathText = (path: Path): string => path.join('.');

/** A place that is written so. */
export const pathFrom = (text: string): Path =>
  text.split('.').map((key) => (/^\d+$/u.test(key) ? Number(key) : key));

/** A plane of the roof, by the side of a block that it rises over: band 0 at the eave, 1 above its first break in pitch. */
export interface PlaneOf {
  readonly block: string;
  readonly side: number;
  readonly band: number;
}

/** A line of a roof in plan. mm */
export interface LineInPlan {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
}

/** A value that would do at a place in a job. */
export interface Accepted {
  readonly path: Path;
  readonly value: unknown;
  readonly text: Sentence;
}

export interface Problem {
  readonly code: ProblemCode;
  readonly path: Path;
  readonly text: Sentence;
  /** The spot of the plan that it is about. mm */
  readonly at?: readonly [number, number];
  /** Of the first problem of a roof that is refused, the lines of that roof as far as they can be worked out. */
  readonly lines?: readonly LineInPlan[];
  /** Of lines that nearly meet in one point, the four planes that would. */
  readonly planes?: readonly PlaneOf[];
  /** Values near by with which it is none, each of them tried. */
  readonly accepted?: readonly Accepted[];
}

export type Result<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly problems: readonly Problem[] };

export const ok = <T>(value: T): Result<T> => ({ ok: true, value });

export const refused = <T>(problems: readonly Problem[]): Result<T> => ({ ok: false, problems });

/** One line, as the command line and the log print it. */
export const problemLine = (problem: Problem): string =>
  `${pathText(problem.path)}: ${spoken(problem.text)}`;
