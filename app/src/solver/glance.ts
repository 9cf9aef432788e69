import type { PlanDrawing } from '@ogee/core/src/drawing';
import type { Job } from '@ogee/core/src/job';
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

/** Works a job out for a look at it, in one thread for all that are looked at; null where it has no roof. */
export const glanceAt = async (job: Job): Promise<Glance | null> => {
  thread ??= new SolverThread();
  asked += 1;
  // Numbers of its own, that no open job's roof has.
  const serial = -asked;
  const result = await thread.ask<Result<RoofAnswer>>((solver) => solver.solve({ job, serial }));
  if (!result.ok) return null;
  const { cuts, plan } = result.value;
  return { plan, boards: cuts.members.reduce((sum, { count }) => sum + count, 0) };
};
