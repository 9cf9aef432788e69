import type { Job } from '../schema';

type Join = Job['blocks'][number]['join'];

/** Whether a part runs into another's roof with an open end, and so can be laid on it. */
export const canBeLaidOn = ({ blocks }: Job, index: number): boolean =>
  index > 0 && (blocks[index]?.sides.some(({ roof }) => roof === 'open') ?? false);

/** A part's valleys framed, or its roof laid on the other's sheathing. */
export const withJoin = (job: Job, index: number, join: Join): Job => ({
  ...job,
  blocks: job.blocks.map((block, i) => (i === index ? { ...block, join } : block)),
});

/** Sleepers under what is laid on, or none: as thick as the rafters, as wide as they are deep. */
export const withSleepers = (job: Job, wanted: boolean): Job => {
  const { sleeper, ...timber } = job.timber;
  const start = sleeper ?? job.timber.common;
  return { ...job, timber: wanted ? { ...timber, sleeper: start } : timber };
};
