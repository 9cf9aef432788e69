import type { Job } from '../schema';

/** Whether the roof hangs over a gable anywhere. */
export const hangsOverGables = ({ blocks }: Job): boolean =>
  blocks.some(({ sides }) => sides.some((side) => side.roof === 'gable' && side.overhang > 0));

/** Barges on a ladder at every gable that the roof hangs over, or none. They start with the rafters' own size. */
export const withBarges = (job: Job, wanted: boolean): Job => {
  const { barge, lookout, ...timber } = job.timber;
  if (!wanted) return { ...job, timber };
  const { common } = job.timber;
  return {
    ...job,
    timber: {
      ...timber,
      barge: barge ?? common,
      // Half as deep as the rafters: nailed through from both sides, within their depth.
      lookout: lookout ?? { thickness: common.thickness, depth: Math.round(common.depth / 2) },
    },
  };
};

/** Whether any wall runs up to the slope. */
export const hasGables = ({ blocks }: Job): boolean =>
  blocks.some(({ sides }) => sides.some(({ roof }) => roof === 'gable'));

/** Studs in the gables, or none. They start as thick as the rafters and half as deep. */
export const withGableStuds = (job: Job, wanted: boolean): Job => {
  const { gableStud, ...timber } = job.timber;
  const { thickness, depth } = job.timber.common;
  const start = { thickness, depth: Math.round(depth / 2) };
  return { ...job, timber: wanted ? { ...timber, gableStud: gableStud ?? start } : timber };
};

/** Whether any roof leans against a wall. */
export const leansOnWall = ({ blocks }: Job): boolean =>
  blocks.some(({ sides }) => sides.some(({ roof }) => roof === 'wall'));

/** A ledger on each wall that a roof leans against, or none. It starts with the rafters' own size. */
export const withLedger = (job: Job, wanted: boolean): Job => {
  const { ledger, ...timber } = job.timber;
  const start = ledger ?? job.timber.common;
  return { ...job, timber: wanted ? { ...timber, ledger: start } : timber };
};

/** How deep a board blocks start from, in rafters' depths: enough up to the slope of most. */
const DEEP_ENOUGH = 1.5;

/** Blocks between the rafters along the eaves, or none. */
export const withBlocking = (job: Job, wanted: boolean): Job => {
  const { blocking, ...timber } = job.timber;
  const { thickness, depth } = job.timber.common;
  const start = { thickness, depth: Math.round(DEEP_ENOUGH * depth) };
  return { ...job, timber: wanted ? { ...timber, blocking: blocking ?? start } : timber };
};
