import { partOfJob, standsAlready, type Job, type PartOfJob } from '../job';
import type { Roof, RoofBorder, RoofEdge } from './model';
import { workOutFramed } from './work-out';

/** What of a job and its roof is framed here. */
export interface FramedHere {
  readonly part: PartOfJob;
  readonly roof: Roof;
}

/** A roof never changes, nor what of it is framed. */
const known = new WeakMap<Roof, FramedHere>();

/** Whether two edges are stretches of one eave. */
const isOneEave = (one: RoofEdge, other: RoofBorder): one is RoofBorder =>
  'side' in one && one.kind === 'eave' && one.block === other.block && one.side === other.side;

/** An eave's edges as the whole roof has them: where another's eave stands against it there is none, and no fascia. */
const seenBeside = (own: Roof, whole: Roof): Roof['edges'] =>
  own.edges.flatMap((edge, i): readonly RoofEdge[] => {
    if (!('side' in edge) || edge.kind !== 'eave') return [edge];
    const told = own.edges.slice(0, i).some((one) => isOneEave(one, edge));
    if (told) return [];
    return whole.edges.flatMap((other): RoofEdge[] =>
      isOneEave(other, edge) ? [{ ...other, slope: edge.slope }] : [],
    );
  });

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
  const found = { part, roof: { ...own.value, edges: seenBeside(own.value, roof) } };
  known.set(roof, found);
  return found;
};
