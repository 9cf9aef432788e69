import type { Problem } from '../problem';
import type { Job } from './schema';

/** A job of some blocks alone, and its problems told by their places in the whole one. */
export interface PartOfJob {
  readonly job: Job;
  readonly restored: (problems: readonly Problem[]) => Problem[];
}

const LISTS = ['blocks', 'purlins', 'roofPurlins', 'openings', 'hipBraces'] as const;

/** Some of a job's blocks, with what lies under, on and in their roofs. */
export const partOfJob = (job: Job, wanted: (block: string) => boolean): PartOfJob => {
  const kept = {
    blocks: job.blocks.flatMap(({ id }, i) => (wanted(id) ? [i] : [])),
    purlins: job.purlins.flatMap(({ block }, i) => (wanted(block) ? [i] : [])),
    roofPurlins: job.roofPurlins.flatMap(({ block }, i) => (wanted(block) ? [i] : [])),
    openings: job.openings.flatMap(({ block }, i) => (wanted(block) ? [i] : [])),
    hipBraces: (job.hipBraces ?? []).flatMap(({ block }, i) => (wanted(block) ? [i] : [])),
  };
  const of = <T>(all: readonly T[], numbers: readonly number[]): T[] =>
    numbers.flatMap((i) => {
      const one = all[i];
      return one === undefined ? [] : [one];
    });
  return {
    job: {
      ...job,
      blocks: of(job.blocks, kept.blocks),
      purlins: of(job.purlins, kept.purlins),
      roofPurlins: of(job.roofPurlins, kept.roofPurlins),
      openings: of(job.openings, kept.openings),
      hipBraces: of(job.hipBraces ?? [], kept.hipBraces),
    },
    restored: (problems) =>
      problems.map((problem) => {
        const [list, number, ...rest] = problem.path;
        const name = LISTS.find((one) => one === list);
        const index = name === undefined ? undefined : kept[name][Number(number)];
        return name === undefined || index === undefined
          ? problem
          : { ...problem, path: [name, index, ...rest] };
      }),
  };
};
