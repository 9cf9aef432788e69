import { markOf, type CutListEntry } from '../cuts';
import type { Member } from '../frame';
import type { Job } from '../job';
import { raisingOf } from '../raising';
import type { Roof } from '../roof';

/** What is sawn for one step of the raising. */
export interface CuttingStage {
  readonly id: string;
  readonly title: string;
  /** Lines of the list that are first wanted in it. */
  readonly marks: readonly string[];
}

/** Lines in the order in which the frame needs them: each stands in the step that wants the first of its pieces. */
export const cuttingOrder = (solution: {
  readonly job: Job;
  readonly roof: Roof;
  readonly members: readonly Member[];
  readonly cuts: { readonly members: readonly CutListEntry[] };
}): CuttingStage[] => {
  const known = markOf(solution);
  const met = new Set<string>();
  return raisingOf(solution, 1).flatMap(({ id, title, members }): CuttingStage[] => {
    const marks = [...new Set(members.map(known))].filter((mark) => !met.has(mark));
    for (const mark of marks) met.add(mark);
    return marks.length === 0 ? [] : [{ id, title, marks }];
  });
};
