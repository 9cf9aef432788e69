import type { Job } from '../job';
import { ok, refused, type Problem, type Result } from '../problem';
import type { Roof } from '../roof';
import { bayOf, type Bay } from './bay';
import { fascias } from './fascias';
import { hips } from './hips';
import type { Member, Remark } from './member';
import { commons, hipJacks, kingCommons } from './rafters';
import { remarksOn } from './remarks';
import { ridges } from './ridges';

export interface Framing {
  readonly members: readonly Member[];
  readonly remarks: readonly Remark[];
}

const missingTimber = (job: Job, bay: Bay): Problem[] => {
  const want = (name: 'hip' | 'ridge', what: string): Problem[] =>
    job.timber[name] === undefined
      ? [
          {
            code: 'missing-timber',
            path: `timber.${name}`,
            text: `missing; this roof has ${what}, so give its actual size as {"thickness": 38.1, "depth": 235}`,
          },
        ]
      : [];
  const hasHips = bay.ends.some((end) => end.kind === 'hip');
  return [
    ...(bay.hasRidge ? want('ridge', 'a ridge') : []),
    ...(hasHips ? want('hip', 'hips') : []),
  ];
};

/** Sets every timber of the roof in its place. */
export const frameRoof = (job: Job, roof: Roof): Result<Framing> => {
  const bays = roof.blocks.map((block) => bayOf(job, block));
  const problems = bays.flatMap((bay) => missingTimber(job, bay));
  if (problems.length > 0) return refused(problems);
  const members: Member[] = [];
  const remarks: Remark[] = [];
  for (const bay of bays) {
    const pairs = commons(bay);
    const jacks = hipJacks(bay);
    const own = [
      ...ridges(bay),
      ...pairs.members,
      ...kingCommons(bay),
      ...hips(bay),
      ...jacks.members,
      ...fascias(bay),
    ];
    members.push(...own);
    remarks.push(...remarksOn(bay, own), ...pairs.remarks, ...jacks.remarks);
  }
  return ok({ members, remarks });
};
