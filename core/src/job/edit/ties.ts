import type { Job } from '../schema';

type CollarTies = NonNullable<Job['collarTies']>;

/** How a crew gives the height of its collar ties. */
export type CollarWay = 'upper-third' | 'height' | 'longPoint';

export const collarWay = ({ bottom }: CollarTies): CollarWay =>
  bottom === 'upper-third' ? bottom : typeof bottom === 'number' ? 'height' : 'longPoint';

/** What a crew starts from: every second pair, a finger's breadth below the sheathing. mm */
const START = { every: 2, hold: 10 } as const;

/**
 * Collar ties by another way, or none. Those that stand keep their place: `stands` is where their bottom edge is and how
 * long it is, mm. Their size is the rafters' own until it is given.
 */
export const withCollarTies = (
  job: Job,
  way: CollarWay | null,
  stands: { readonly bottom: number; readonly long: number },
): Job => {
  const { collarTies, ...rest } = job;
  if (way === null) return rest;
  const bottom: CollarTies['bottom'] =
    way === 'upper-third'
      ? way
      : way === 'height'
        ? Math.round(stands.bottom)
        : { longPoint: Math.round(stands.long) };
  const { every, hold } = collarTies ?? START;
  return {
    ...rest,
    timber: { ...job.timber, collarTie: job.timber.collarTie ?? job.timber.common },
    collarTies: { bottom, every, hold },
  };
};

type RafterTies = NonNullable<Job['rafterTies']>;

/** Rafter ties as they are, but for what changes; none where null. What is left undefined goes. */
export const withRafterTies = (
  job: Job,
  change: { readonly [K in keyof RafterTies]?: RafterTies[K] | undefined } | null,
): Job => {
  const { rafterTies, ...rest } = job;
  if (change === null) return rest;
  const { every = 1, spacing, from, lap, atHips, spacers } = { ...rafterTies, ...change };
  return {
    ...rest,
    timber: { ...job.timber, rafterTie: job.timber.rafterTie ?? job.timber.common },
    rafterTies: {
      every,
      ...(spacing !== undefined && { spacing }),
      ...(from !== undefined && spacing !== undefined && { from }),
      ...(lap !== undefined && { lap }),
      ...(atHips !== undefined && { atHips }),
      ...(spacers !== undefined && { spacers }),
    },
  };
};

/** Ceiling backing along the walls that ties run beside, or none: as thick as the rafters, as wide as lies well on a plate. */
export const withBacking = (job: Job, wanted: boolean): Job => {
  const { backing, ...timber } = job.timber;
  const { thickness } = job.timber.common;
  const start = { thickness, depth: BACKING_MM };
  return { ...job, timber: wanted ? { ...timber, backing: backing ?? start } : timber };
};

/** A usual width: most of it on the plate, the rest inside. mm */
const BACKING_MM = 90;
