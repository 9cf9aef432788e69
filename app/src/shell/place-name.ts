import type { Job } from '@ogee/core/src/job';

/** A path of the job file as a framer would say it: “wing, wall 3”. A path of anything else stays as it is. */
export const placeName = (job: Pick<Job, 'blocks'>, path: string): string => {
  const found = /^blocks\.(\d+)(?:\.(?:sides|outline)\.(\d+))?/.exec(path);
  const part = job.blocks[Number(found?.[1])]?.id;
  if (found === null || part === undefined) return path;
  const wall = found[2];
  return wall === undefined ? part : `${part}, wall ${Number(wall) + 1}`;
};
