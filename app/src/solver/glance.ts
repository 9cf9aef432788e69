import type { PlanDrawing } from '@ogee/core/src/drawing';
import type { Job } from '@ogee/core/src/job';
import type { TableLine } from '@ogee/core/src/export';
import type { Exercise, ExerciseKind } from '@ogee/core/src/practice';
import type { Result } from '@ogee/core/src/problem';
import type { RoofAnswer } from './answers';
import { SolverThread } from './thread';

/** What is seen of a roof at a glance. */
export interface Glance {
  readonly plan: PlanDrawing;
  readonly boards: number;
}

let thread: SolverThread | null = null;
let asked = 0;

/** A job's roof and list, worked out in one thread for all that are only looked at; null where it has no roof. */
export const roofAt = async (job: Job): Promise<RoofAnswer | null> => {
  thread ??= new SolverThread();
  asked += 1;
  // Numbers of its own, that no open job's roof has.
  const serial = -asked;
  const result = await thread.ask<Result<RoofAnswer>>((solver) => solver.solve({ job, serial }));
  return result.ok ? result.value : null;
};

/** What is seen of a job at a glance; null where it has no roof. */
export const glanceAt = async (job: Job): Promise<Glance | null> => {
  const roof = await roofAt(job);
  if (roof === null) return null;
  const { cuts, plan } = roof;
  return { plan, boards: cuts.members.reduce((sum, { count }) => sum + count, 0) };
};

/** An exercise out of a made-up roof, drawn by a number. */
export const exerciseAt = (
  kind: ExerciseKind,
  seed: number,
  display: Job['display'],
): Promise<Exercise> => {
  thread ??= new SolverThread();
  return thread.ask<Exercise>((solver) => solver.exercise(kind, seed, display));
};

/** A log as a table; written there, where what it takes is already. */
export const logTableOf = (lines: readonly TableLine[]): Promise<string> => {
  thread ??= new SolverThread();
  return thread.ask<string>((solver) => solver.logTable(lines));
};
