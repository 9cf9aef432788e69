import { cutList, type CutList, type CutListEntry } from './cuts';
import { dryFit, type FitReport } from './fit';
import { frameRoof, type Member } from './frame';
import type { Job } from './job';
import { ok, type Result } from './problem';
import { workOutRoof, type Roof } from './roof';

export interface Solution {
  readonly job: Job;
  readonly roof: Roof;
  readonly members: readonly Member[];
  readonly cuts: CutList;
}

/** The whole way from a checked job to a cut list. Pure and deterministic: the same job gives the same bytes. */
export const solve = (job: Job): Result<Solution> => {
  const roof = workOutRoof(job);
  if (!roof.ok) return roof;
  const framing = frameRoof(job, roof.value);
  if (!framing.ok) return framing;
  return ok({
    job,
    roof: roof.value,
    members: framing.value.members,
    cuts: cutList(job, roof.value, framing.value),
  });
};

/** The mark each member's id is known by. */
export const markOf = ({ cuts }: Solution): ((id: string) => string) => {
  const marks = new Map(
    cuts.members.flatMap((entry) => entry.members.map((id) => [id, entry.mark])),
  );
  return (id) => marks.get(id) ?? id;
};

/** The member that a line of the list is drawn and worked out from: the first that is cut to it. */
export const memberOf = (
  { members }: Pick<Solution, 'members'>,
  entry: CutListEntry | undefined,
): Member | undefined => members.find(({ id }) => id === entry?.members[0]);

/** Proves, or disproves, that the solved frame is whole and closes. */
export const fit = (solution: Solution): FitReport =>
  dryFit(solution.job, solution.roof, solution.members, markOf(solution));
