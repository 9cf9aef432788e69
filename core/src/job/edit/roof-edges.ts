import type { Job } from '../schema';

/** Whether the roof hangs over a gable anywhere. */
export const hangsOverGables = ({ blocks }: Job): boolean =>
  blocks.some(({ sides }) => sides.some((side) => side.roof === 'gable' && side.overhang > 0));

/** How the edge of a roof over a gable is framed: not at all, or barges on a ladder or on lookouts laid in. */
export type EdgeWay = 'none' | NonNullable<Job['framing']['lookouts']>;

export const edgeWay = ({ timber, framing }: Job): EdgeWay =>
  timber.barge === undefined ? 'none' : (framing.lookouts ?? 'butted');

/** Barges at every gable that the roof hangs over, or none. They start with the rafters' own size. */
export const withBarges = (job: Job, way: EdgeWay): Job => {
  const { barge, lookout, ...timber } = job.timber;
  if (way === 'none') return { ...job, timber };
  const { common } = job.timber;
  return {
    ...job,
    framing: { ...job.framing, lookouts: way },
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

/** How studs stand in the gables: not at all, flat, or notched round the rafter. */
export type StudWay = 'none' | NonNullable<Job['framing']['gableStuds']>;

export const studWay = ({ timber, framing }: Job): StudWay =>
  timber.gableStud === undefined ? 'none' : (framing.gableStuds ?? 'flat');

/** Studs in the gables, or none. They start as thick as the rafters and half as deep. */
export const withGableStuds = (job: Job, way: StudWay): Job => {
  const { gableStud, ...timber } = job.timber;
  if (way === 'none') return { ...job, timber };
  const { thickness, depth } = job.timber.common;
  return {
    ...job,
    framing: { ...job.framing, gableStuds: way },
    timber: { ...timber, gableStud: gableStud ?? { thickness, depth: Math.round(depth / 2) } },
  };
};

/** Whether any roof leans against a wall. */
export const leansOnWall = ({ blocks }: Job): boolean =>
  blocks.some(({ sides }) => sides.some(({ roof }) => roof === 'wall'));

/** How rafters end at a wall that they lean against: at the wall itself, hung on a ledger, or over one. */
export type AtWallWay = 'wall' | NonNullable<Job['framing']['atLedger']>;

export const atWallWay = ({ timber, framing }: Job): AtWallWay =>
  timber.ledger === undefined ? 'wall' : (framing.atLedger ?? 'hanger');

/** A ledger on each wall that a roof leans against, or none. It starts with the rafters' own size. */
export const withLedger = (job: Job, way: AtWallWay): Job => {
  const { ledger, ...timber } = job.timber;
  if (way === 'wall') return { ...job, timber };
  return {
    ...job,
    framing: { ...job.framing, atLedger: way },
    timber: { ...timber, ledger: ledger ?? job.timber.common },
  };
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
