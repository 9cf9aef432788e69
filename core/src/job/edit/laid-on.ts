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

/** The house that parts are laid on stands already, all of it, or is framed. */
export const withExisting = (job: Job, existing: boolean): Job => ({
  ...job,
  blocks: job.blocks.map((block, i) => {
    const { existing: _before, ...rest } = block;
    return existing && (i === 0 || block.join === 'framed') ? { ...rest, existing } : rest;
  }),
});

/** Sleepers under what is laid on, or none: as thick as the rafters, as wide as they are deep. */
export const withSleepers = (job: Job, wanted: boolean): Job => {
  const { sleeper, ...timber } = job.timber;
  const start = sleeper ?? job.timber.common;
  return { ...job, timber: wanted ? { ...timber, sleeper: start } : timber };
};
