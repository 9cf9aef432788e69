import { partOfJob, standsAlready, type Job, type PartOfJob } from '../job';
import type { Roof } from './model';
import { workOutFramed } from './work-out';

/** What of a job and its roof is framed here. */
export interface FramedHere {
  readonly part: PartOfJob;
  readonly roof: Roof;
}

/** A roof never changes, nor what of it is framed. */
const known = new WeakMap<Roof, FramedHere>();

/** The parts of a job that do not stand already, and their roof; null where all of them stand. The check keeps the two apart. */
export const framedHere = (job: Job, roof: Roof): FramedHere | null => {
  const standing = job.blocks.filter(standsAlready);
  if (standing.length === 0) return { part: { job, restored: (problems) => [...problems] }, roof };
  if (standing.length === job.blocks.length) return null;
  const before = known.get(roof);
  if (before !== undefined) return before;
  const part = partOfJob(job, (id) => !standing.some((block) => block.id === id));
  const own = workOutFramed(part.job, false);
  if (!own.ok) throw new Error('roof: parts beside what stands have no roof by themselves');
  const found = { part, roof: own.value };
  known.set(roof, found);
  return found;
};
