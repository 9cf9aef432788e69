import type { FitReport } from '@ogee/core/src/fit';
import type { Job } from '@ogee/core/src/job';
import { acceptedAt, fit, prove, solve, workOut, type Solution } from '@ogee/core/src/solve';
import type {
  EaveSection,
  ElevationView,
  FrameMesh,
  Looking,
  SheetDrawing,
} from '@ogee/core/src/drawing';
import type { Fixings } from '@ogee/core/src/fixings';
import { logCsv, type TableLine } from '@ogee/core/src/export';
import type { Measurement, Tick } from '@ogee/core/src/log';
import type { RaisingStep, Stages } from '@ogee/core/src/raising';
import type { Looked } from '@ogee/core/src/test-fit';
import { exerciseOf, type Exercise, type ExerciseKind } from '@ogee/core/src/practice';
import { ok, type Accepted, type Result } from '@ogee/core/src/problem';
import { expose, transfer } from 'comlink';
import {
  asBuiltAnswer,
  dayAnswer,
  eaveAnswer,
  fixingsAnswer,
  raisingAnswer,
  elevationAnswer,
  meshAnswer,
  pieceAnswer,
  roofAnswer,
  sheetsAnswer,
  triedAnswer,
  type AsBuiltAnswer,
  type DayAnswer,
  type Figures,
  type PieceAnswer,
  type RoofAnswer,
  type TriedAnswer,
} from './answers';
import { changeOf } from './change';

/** A checked job, and the number that the page knows its roof by. */
export interface Subject {
  readonly job: Job;
  readonly serial: number;
}

/** The roofs last worked out here: what the page asks next is about one of them. */
const held = new Map<number, Result<Solution>>();
const HELD = 3;

const hold = (serial: number, result: Result<Solution>): Result<Solution> => {
  held.set(serial, result);
  for (const old of held.keys()) if (held.size > HELD) held.delete(old);
  return result;
};

const solved = ({ job, serial }: Subject): Result<Solution> =>
  held.get(serial) ?? hold(serial, solve(job));

/** What the page was last told of, so that it is told only what has changed since. */
let told: { readonly serial: number; readonly answer: RoofAnswer } | null = null;

const figures = (solution: Solution, serial: number, since: number | null): Figures => {
  const answer = roofAnswer(solution);
  const before = told !== null && told.serial === since ? told.answer : null;
  told = { serial, answer };
  return {
    since: before === null ? null : since,
    change: before === null ? { to: answer } : changeOf(before, answer),
  };
};

const about = <T>(subject: Subject, answer: (solution: Solution) => T): T | null => {
  const result = solved(subject);
  return result.ok ? answer(result.value) : null;
};

/**
 * Runs in its own thread. The roof's members stay here; the page gets what it shows: the list and the plan with each
 * solve, the rest when it is looked at.
 */
const solver = {
  /** The figures of a roof, told as what has changed since those that the page has. */
  figures: ({ job, serial }: Subject, since: number | null): Result<Figures> => {
    const result = hold(serial, workOut(job));
    return result.ok ? ok(figures(result.value, serial, since)) : result;
  },
  /**
   * Proves a roof whose figures were told. Null where they stand; where pieces do not hold, the figures without them, known
   * by a number of their own from then on; or why there is no roof.
   */
  prove: (subject: Subject, without: number): Result<Figures | null> => {
    const { serial } = subject;
    const known = held.get(serial) ?? workOut(subject.job);
    const result = known.ok ? prove(known.value) : known;
    if (!result.ok) {
      hold(serial, result);
      return result;
    }
    if (known.ok && result.value === known.value) return ok(null);
    hold(without, result);
    return ok(figures(result.value, without, told?.serial ?? null));
  },
  /** The whole of a roof that is only looked at. */
  solve: (subject: Subject): Result<RoofAnswer> => {
    const result = solved(subject);
    return result.ok ? ok(roofAnswer(result.value)) : result;
  },
  fit: (subject: Subject): FitReport | null => about(subject, fit),
  piece: (subject: Subject, mark: string): PieceAnswer | null =>
    about(subject, (solution) => pieceAnswer(solution, mark)),
  eave: (subject: Subject, block: string): EaveSection | null =>
    about(subject, (solution) => eaveAnswer(solution, block)),
  elevation: (subject: Subject, looking: Looking): ElevationView | null =>
    about(subject, (solution) => elevationAnswer(solution, looking)),
  sheets: (subject: Subject): SheetDrawing[] | null => about(subject, sheetsAnswer),
  raising: (subject: Subject, stages: Stages): RaisingStep[] | null =>
    about(subject, (solution) => raisingAnswer(solution, stages)),
  day: (subject: Subject, ticks: readonly Tick[]): DayAnswer | null =>
    about(subject, (solution) => dayAnswer(solution, ticks)),
  tried: (subject: Subject, mark: string, looked: Looked): TriedAnswer | null =>
    about(subject, (solution) => triedAnswer(solution, mark, looked)),
  asBuilt: (subject: Subject, part: number, lines: readonly Measurement[]): AsBuiltAnswer | null =>
    about(subject, (solution) => asBuiltAnswer(solution, part, lines)),
  logTable: (lines: readonly TableLine[]): string => logCsv(lines),
  /** What would do at a place that something is withheld at. */
  accepted: (subject: Subject, path: string): readonly Accepted[] | null =>
    about(subject, (solution) => acceptedAt(solution, path)),
  exercise: (kind: ExerciseKind, seed: number, display: Job['display']): Exercise =>
    exerciseOf(kind, seed, display),
  fixings: (subject: Subject): Fixings | null => about(subject, fixingsAnswer),
  mesh: (subject: Subject): FrameMesh | null => {
    const mesh = about(subject, meshAnswer);
    if (mesh === null) return null;
    const { corners, endGrain, edges, plates, walls, planes } = mesh;
    const rows = [corners, endGrain, edges, plates, walls, planes];
    return transfer(
      mesh,
      rows.map(({ buffer }) => buffer as ArrayBuffer),
    );
  },
};

export type Solver = typeof solver;

expose(solver);
