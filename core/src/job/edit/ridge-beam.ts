import type { Block, Job } from '../schema';

export type RidgeBeam = NonNullable<Block['ridgeBeam']>;

/** What posts start from: eight feet apart, on what the block's plates are level with; square. mm */
const START: RidgeBeam = { spacing: 2400 };
const POST_MM = 90;

/** Whether a part can have a ridge: two of its sides are eaves that face each other, or all round. */
export const hasRidge = ({ sides }: Block): boolean =>
  sides.filter(({ roof }) => roof === 'eave').length >= 2 &&
  sides.every(({ roof }) => roof !== 'high');

/** The ridge of a part as a beam on posts, or as the board that its rafters lean on. */
export const withRidgeBeam = (job: Job, index: number, way: RidgeBeam | 'start' | null): Job => {
  const { post } = job.timber;
  return {
    ...job,
    ...(way !== null && {
      timber: { ...job.timber, post: post ?? { thickness: POST_MM, depth: POST_MM } },
    }),
    blocks: job.blocks.map((block, i): Block => {
      if (i !== index) return block;
      const { ridgeBeam: _before, ...rest } = block;
      return way === null ? rest : { ...rest, ridgeBeam: way === 'start' ? START : way };
    }),
  };
};
