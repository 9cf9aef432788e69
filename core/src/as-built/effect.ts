import type { CutListEntry } from '../cuts';
import type { Vec2 } from '../geom';
import { laid, withRidgeHeight, type Job } from '../job';
import type { Measurement } from '../log';
import { asBuiltPath } from './measured';

/** What becomes of a line of the list. mm */
export interface MarkMoved {
  readonly mark: string;
  /** What its pieces are called after; null where none of them is left. */
  readonly after: string | null;
  readonly was: number;
  readonly is: number;
}

/**
 * What a change of the job does to every mark: each line is followed by its first member, to whatever line that is cut
 * to after the change. Long points.
 */
export const marksMoved = (
  before: readonly CutListEntry[],
  after: readonly CutListEntry[],
): MarkMoved[] => {
  const home = new Map(after.flatMap((line) => line.members.map((id) => [id, line] as const)));
  return before.map(({ mark, members, length }): MarkMoved => {
    const now = home.get(members[0] ?? '');
    return {
      mark,
      after: now?.mark ?? null,
      was: length.longPoint,
      is: now?.length.longPoint ?? 0,
    };
  });
};

/** Timbers whose size on site changes lengths, drops and seats. */
export const SIZED = ['common', 'hip', 'valley', 'ridge'] as const;

/**
 * The job as it stands: the plan that was measured, the ridge as high as it was, each timber as thick and deep.
 *
 * @param outline null where the roof is held as planned and packed
 */
export const builtJob = (
  job: Job,
  part: number,
  taken: ReadonlyMap<string, Measurement>,
  outline: readonly Vec2[] | null,
): Job => {
  const block = job.blocks[part];
  if (block === undefined) return job;
  const value = (path: string): number | undefined => taken.get(path)?.value;
  const timber = SIZED.reduce<Job['timber']>((all, name) => {
    const planned = all[name];
    if (planned === undefined) return all;
    return {
      ...all,
      [name]: {
        ...planned,
        thickness: value(asBuiltPath.timber(name, 'thickness')) ?? planned.thickness,
        depth: value(asBuiltPath.timber(name, 'depth')) ?? planned.depth,
      },
    };
  }, job.timber);
  const sized: Job = { ...job, timber };
  const framed = outline === null ? sized : laid(sized, part, outline);
  const ridge = value(asBuiltPath.ridge(block.id));
  return ridge === undefined ? framed : withRidgeHeight(framed, part, ridge);
};
