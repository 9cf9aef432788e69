import type { Job } from '../schema';

type Purlin = Job['purlins'][number];

/** How the purlins under one part's rafters are set; the same under each of its eaves. */
export type PurlinWay = Pick<Purlin, 'at' | 'set' | 'top' | 'struts'>;

/** How they are set under a part, by its first; null where it has none. */
export const purlinWay = (job: Job, block: string): PurlinWay | null =>
  job.purlins.find((one) => one.block === block) ?? null;

/** Whether every eave of a part has its purlins set alike. */
export const purlinsAlike = (job: Job, block: string): boolean => {
  const own = job.purlins.filter((one) => one.block === block);
  return own.every(
    ({ at, set, top, struts }) =>
      JSON.stringify([at, set, top, struts]) ===
      JSON.stringify([own[0]?.at, own[0]?.set, own[0]?.top, own[0]?.struts]),
  );
};

/** Purlins under every eave of a part, set so; none where null. Their size is the rafters' own until it is given. */
export const withPurlins = (job: Job, block: string, way: PurlinWay | null): Job => {
  const others = job.purlins.filter((one) => one.block !== block);
  const sides = job.blocks.find(({ id }) => id === block)?.sides ?? [];
  const own = way === null ? [] : sides.flatMap((side, i) => (side.roof === 'eave' ? [i] : []));
  return {
    ...job,
    timber:
      own.length === 0
        ? job.timber
        : {
            ...job.timber,
            purlin: job.timber.purlin ?? job.timber.common,
            ...(way?.struts !== undefined && {
              strut: job.timber.strut ?? job.timber.common,
            }),
          },
    purlins: [
      ...others,
      ...own.flatMap((side): Purlin[] =>
        way === null
          ? []
          : [
              {
                block,
                side,
                at: way.at,
                set: way.set,
                ...(way.set === 'plumb' && way.top && { top: way.top }),
                ...(way.struts && { struts: way.struts }),
              },
            ],
      ),
    ],
  };
};
