import { v2 } from '../../geom';
import { pitchRad } from '../../units';
import { hapOf } from '../seat';
import type { Job } from '../schema';

const HALVINGS = 60;
/** Between these a ridge's height may ask for a pitch. rad */
const [LEAST_RAD, MOST_RAD] = [(2 * Math.PI) / 180, (80 * Math.PI) / 180];

/** How far it is, plan, from a wall's outside face to half-way to the furthest corner of its part. mm */
export const ridgeRun = ({ blocks }: Job, id: string, side: number): number => {
  const outline = blocks.find((block) => block.id === id)?.outline ?? [];
  const [a, b] = [outline[side], outline[(side + 1) % Math.max(1, outline.length)]];
  if (a === undefined || b === undefined) return 0;
  const inward = v2.left(v2.unit(v2.sub(b, a)));
  return Math.max(...outline.map((p) => v2.dot(v2.sub(p, a), inward))) / 2;
};

/** The eave whose slope runs up to a part's ridge: the one that it is nearest to. */
const ridgeEave = (job: Job, part: number): number | null => {
  const block = job.blocks[part];
  const eaves = (block?.sides ?? []).flatMap(({ roof }, i) => (roof === 'eave' ? [i] : []));
  const [first] = [...eaves].sort(
    (p, q) => ridgeRun(job, block?.id ?? '', p) - ridgeRun(job, block?.id ?? '', q),
  );
  return first ?? null;
};

/** How high the rafters' tops meet over a part's plate, its two slopes alike; null where it has no eave. mm */
export const ridgeHeight = (job: Job, part: number): number | null => {
  const side = ridgeEave(job, part);
  const block = job.blocks[part];
  const given = side === null ? undefined : block?.sides[side];
  if (block === undefined || side === null || given?.roof !== 'eave') return null;
  const rad = pitchRad(given.pitch);
  return hapOf(job, rad) + ridgeRun(job, block.id, side) * Math.tan(rad);
};

/** A part whose rafters' tops meet at a height over its plate that was measured: the pitch of its eaves falls out. */
export const withRidgeHeight = (job: Job, part: number, heightMm: number): Job => {
  const side = ridgeEave(job, part);
  const block = job.blocks[part];
  if (block === undefined || side === null) return job;
  const run = ridgeRun(job, block.id, side);
  let [low, high] = [LEAST_RAD, MOST_RAD];
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = (low + high) / 2;
    if (hapOf(job, middle) + run * Math.tan(middle) > heightMm) high = middle;
    else low = middle;
  }
  const pitch = { rise: 12 * Math.tan((low + high) / 2), run: 12 };
  return {
    ...job,
    blocks: job.blocks.map((one, i) =>
      i === part
        ? { ...one, sides: one.sides.map((own) => (own.roof === 'eave' ? { ...own, pitch } : own)) }
        : one,
    ),
  };
};
