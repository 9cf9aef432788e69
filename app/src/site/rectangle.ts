import { sideLines, type Job } from '@ogee/core';

type Block = Job['blocks'][number];
type Side = Block['sides'][number];

/** Sizes of a rectangular block: along its first wall, and square to it. mm */
export const sizesOf = (block: Block): readonly [number, number] => {
  const [first, second] = sideLines(block);
  return [first?.lengthMm ?? 0, second?.lengthMm ?? 0];
};

/** The block with other sizes: its first corner and direction stay. */
export const resized = (block: Block, [along, across]: readonly [number, number]): Block => {
  const [first] = sideLines(block);
  if (first === undefined) return block;
  const [x, y] = first.start;
  const at = (u: number, v: number): [number, number] => [
    x + first.along[0] * u + first.inward[0] * v,
    y + first.along[1] * u + first.inward[1] * v,
  ];
  return { ...block, outline: [at(0, 0), at(along, 0), at(along, across), at(0, across)] };
};

/** Replaces the first block of a job. */
export const withBlock = (job: Job, change: (block: Block) => Block): Job => ({
  ...job,
  blocks: job.blocks.map((block, i) => (i === 0 ? change(block) : block)),
});

export const withSide = (job: Job, index: number, change: (side: Side) => Side): Job =>
  withBlock(job, (block) => ({
    ...block,
    sides: block.sides.map((side, i) => (i === index ? change(side) : side)),
  }));

/** One pitch on every eave. */
export const withPitch = (job: Job, pitch: string): Job =>
  withBlock(job, (block) => ({
    ...block,
    sides: block.sides.map((side) => (side.roof === 'eave' ? { ...side, pitch } : side)),
  }));

export const pitchText = (block: Block): string => {
  for (const side of block.sides) {
    if (side.roof !== 'eave') continue;
    return typeof side.pitch === 'string' ? side.pitch : `${side.pitch.rise}/${side.pitch.run}`;
  }
  return '';
};
