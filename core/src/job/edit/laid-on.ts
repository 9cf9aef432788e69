import { area2, commonConvex } from '../../geom';
import type { Block, Job } from '../schema';

type Join = Job['blocks'][number]['join'];

/** Whether a part runs into another's roof with an open end, and so can be laid on it. */
export const canBeLaidOn = ({ blocks }: Job, index: number): boolean =>
  index > 0 && (blocks[index]?.sides.some(({ roof }) => roof === 'open') ?? false);

/** A part's valleys framed, or its roof laid on the other's sheathing. */
export const withJoin = (job: Job, index: number, join: Join): Job => ({
  ...job,
  blocks: job.blocks.map((block, i) => (i === index ? { ...block, join } : block)),
});

/** Less ground that two parts share than this is a line, to a millimetre. mm² */
const SHARED_MM2 = 100_000;

/** Whether two parts share ground, so that one is framed into the other. Back to back they share a line alone. */
export const runInto = (one: Block, other: Block): boolean =>
  area2(commonConvex(one.outline, other.outline)) > SHARED_MM2;

/** A part and all that are framed into each other with it, by their numbers. */
const framedWith = ({ blocks }: Job, index: number): ReadonlySet<number> => {
  const found = new Set([index]);
  for (const i of found)
    for (const [j, other] of blocks.entries()) {
      const block = blocks[i];
      const framed = j === 0 || other.join === 'framed';
      if (block !== undefined && framed && runInto(block, other)) found.add(j);
    }
  return found;
};

/** Whether a part stands by itself beside others: a house beside, not one that is framed into them. */
export const standsBeside = (job: Job, index: number): boolean => {
  const own = framedWith(job, index);
  return job.blocks.some(({ join }, i) => (i === 0 || join === 'framed') && !own.has(i));
};

/** A house that parts are laid on, or that stands beside another, stands already, all of it, or is framed. */
export const withExisting = (job: Job, index: number, existing: boolean): Job => {
  const own = framedWith(job, index);
  return {
    ...job,
    blocks: job.blocks.map((block, i) => {
      if (!own.has(i)) return block;
      const { existing: _before, ...rest } = block;
      return existing ? { ...rest, existing } : rest;
    }),
  };
};

/** Sleepers under what is laid on, or none: as thick as the rafters, as wide as they are deep. */
export const withSleepers = (job: Job, wanted: boolean): Job => {
  const { sleeper, ...timber } = job.timber;
  const start = sleeper ?? job.timber.common;
  return { ...job, timber: wanted ? { ...timber, sleeper: start } : timber };
};
