import type { Pitch } from '../../units';
import { SLACK_DEG, v2, type Vec2 } from '../../geom';
import { cornerAngles } from '../measured';
import type { Block, Job, Side } from '../schema';
import { standingOn, withOutline } from './change-block';
import { wallOf } from './on-wall';

/** Lengths of a block's walls, in order. mm */
export const wallLengths = ({ outline }: Block): number[] =>
  outline.map((start, i) => v2.distance(start, outline[(i + 1) % outline.length] ?? start));

/**
 * A part's outline as a tape can follow it: of a wing only what stands out from its wall, for its inner end lies under
 * the other roof. Corners in the part's own order.
 */
export const measurable = (job: Job, index: number): readonly Vec2[] => {
  const outline = job.blocks[index]?.outline ?? [];
  const standing = standingOn(job, index);
  const [a, b, c, d] = outline;
  if (standing === null || a === undefined || b === undefined) return outline;
  if (c === undefined || d === undefined) return outline;
  const { projection } = standing.on;
  const share = projection / (projection + standing.depth);
  const toward = (far: Vec2, inner: Vec2): Vec2 => [
    far[0] + (inner[0] - far[0]) * share,
    far[1] + (inner[1] - far[1]) * share,
  ];
  return [a, b, toward(b, c), toward(a, d)];
};

/** A corner this near 90° is square to any tape. degrees */
const SQUARE_DEG = SLACK_DEG.shown;

export const isRectangle = (block: Block): boolean =>
  block.outline.length === 4 &&
  cornerAngles(block.outline).every(({ deg }) => Math.abs(deg - 90) < SQUARE_DEG);

/**
 * The job with a block of another outline, given from its own first corner along x and laid where the block's first
 * wall starts and points. What stands on its walls goes with them.
 */
export const laid = (job: Job, index: number, outline: readonly Vec2[]): Job => {
  const block = job.blocks[index];
  if (block === undefined) return job;
  const first = wallOf(block, 0);
  const [x, y] = first.start;
  return withOutline(
    job,
    index,
    outline.map(([u, v]): Vec2 => [
      x + first.along[0] * u + first.inward[0] * v,
      y + first.along[1] * u + first.inward[1] * v,
    ]),
  );
};

/** The job with a block as a rectangle of other sizes: its first corner and direction stay. */
export const resized = (job: Job, index: number, [along, across]: readonly [number, number]): Job =>
  laid(job, index, [
    [0, 0],
    [along, 0],
    [along, across],
    [0, across],
  ]);

/** Replaces one block of a job. */
export const withBlock = (job: Job, index: number, change: (block: Block) => Block): Job => ({
  ...job,
  blocks: job.blocks.map((block, i) => (i === index ? change(block) : block)),
});

/** Whether a corner of a part lies between two eaves. */
export const betweenEaves = ({ sides }: Block, corner: number): boolean =>
  sides[corner]?.roof === 'eave' &&
  sides[(corner + sides.length - 1) % sides.length]?.roof === 'eave';

/** Without the purlins of eaves, and the braces of hips, that are there no more. */
export const withoutStrays = (job: Job): Job => {
  const isEave = (id: string, side: number): boolean =>
    job.blocks.find((block) => block.id === id)?.sides[side]?.roof === 'eave';
  return {
    ...job,
    purlins: job.purlins.filter(({ block, side }) => isEave(block, side)),
    roofPurlins: job.roofPurlins.filter(({ block, side }) =>
      side === undefined ? job.blocks.some(({ id }) => id === block) : isEave(block, side),
    ),
    ...(job.hipBraces && {
      hipBraces: job.hipBraces.filter(({ block, corner }) =>
        job.blocks.some((one) => one.id === block && betweenEaves(one, corner)),
      ),
    }),
  };
};

export const withSide = (
  job: Job,
  index: number,
  wall: number,
  change: (side: Side) => Side,
): Job =>
  withoutStrays(
    withBlock(job, index, (block) => ({
      ...block,
      sides: block.sides.map((side, i) => (i === wall ? change(side) : side)),
    })),
  );

/** One pitch on every eave of a block. */
export const withPitch = (job: Job, index: number, pitch: string): Job =>
  withBlock(job, index, (block) => ({
    ...block,
    sides: block.sides.map((side) => (side.roof === 'eave' ? { ...side, pitch } : side)),
  }));

/** One pitch on every eave of every part. */
export const withPitchAllOver = (job: Job, pitch: string): Job =>
  job.blocks.reduce((now, _, index) => withPitch(now, index, pitch), job);

/** A rise that falls out of other figures is shown to so many decimals. */
const SHOWN = 4;

/** A pitch as a field shows it. */
export const writtenPitch = (pitch: Pitch): string =>
  typeof pitch === 'string' ? pitch : `${Number(pitch.rise.toFixed(SHOWN))}/${pitch.run}`;

/** A side's pitch as it would be written; the block's first where the side has none. */
export const pitchText = (block: Block, wall?: number): string => {
  const own = wall === undefined ? undefined : block.sides[wall];
  for (const side of own === undefined ? block.sides : [own, ...block.sides]) {
    if (side.roof !== 'eave') continue;
    return writtenPitch(side.pitch);
  }
  return '';
};

/** Whether every eave of a block has one pitch. */
export const onePitch = (block: Block): boolean => {
  const pitches = block.sides.flatMap((side, i) =>
    side.roof === 'eave' ? [pitchText(block, i)] : [],
  );
  return new Set(pitches).size <= 1;
};

/** Whether every eave of the whole roof has one pitch. */
export const onePitchAllOver = ({ blocks }: Job): boolean =>
  blocks.every((block) => onePitch(block)) &&
  new Set(blocks.map((block) => pitchText(block))).size <= 1;
