import { v2 } from '../../geom';
import { pitchRad } from '../../units';
import { hapOf } from '../seat';
import type { Job } from '../schema';

export type Dormer = Job['dormers'][number];

/** A first dormer: so wide, its front so far in, its plate so high over the slope there; an eave of its own. mm */
const START = { wide: 1800, face: 600, wall: 900, overhang: 200 } as const;
/** It is no wider than this share of its wall, and no higher than this share of the roof. */
const MOST = { wall: 0.35, roof: 0.85 } as const;

/** The dormers of a part, with their numbers in the job. */
export const dormersOf = (
  { dormers }: Job,
  block: string,
): readonly { readonly dormer: Dormer; readonly index: number }[] =>
  dormers.map((dormer, index) => ({ dormer, index })).filter((one) => one.dormer.block === block);

/** One more dormer, in the middle of a part's first eave, no higher than its roof; `id` is one that nobody else has. */
export const withDormer = (job: Job, part: number, id: string): Job => {
  const block = job.blocks[part];
  const wall = block?.sides.findIndex(({ roof }) => roof === 'eave') ?? -1;
  const [a, b] = [block?.outline[wall], block?.outline[(wall + 1) % (block.outline.length || 1)]];
  const side = block?.sides[wall];
  if (block === undefined || a === undefined || b === undefined || side?.roof !== 'eave')
    return job;
  const long = v2.distance(a, b);
  const inward = v2.left(v2.unit(v2.sub(b, a)));
  const run = Math.max(...block.outline.map((p) => v2.dot(v2.sub(p, a), inward))) / 2;
  const rad = pitchRad(side.pitch);
  const rise = Math.tan(rad);
  const wide = Math.round(Math.min(START.wide, long * MOST.wall));
  const hap = hapOf(job, rad);
  const face = Math.round(Math.min(START.face, run / 4));
  const wanted = face * rise + hap + START.wall;
  const most = MOST.roof * (run * rise + hap) - hap - (wide / 2) * rise;
  const from = Math.round((long - wide) / 2);
  return {
    ...job,
    dormers: [
      ...job.dormers,
      {
        id,
        block: block.id,
        side: wall,
        along: [from, from + wide],
        face,
        plate: Math.round(Math.min(wanted, Math.max(most, face * rise + hap + START.wall / 2))),
        roof: 'gable',
        overhang: START.overhang,
        rake: 0,
      },
    ],
  };
};

/** One of the dormers, changed; gone where null. */
export const withDormerAs = (job: Job, index: number, change: Partial<Dormer> | null): Job => ({
  ...job,
  dormers: job.dormers.flatMap((one, i): Dormer[] => {
    if (i !== index) return [one];
    return change === null ? [] : [{ ...one, ...change }];
  }),
});

/** How a shed dormer comes to its pitch. */
export type ShedWay = 'pitch' | 'top';

/** A dormer with a gable or a shed over it; a shed by its pitch, or by where it comes down. */
export const withDormerRoof = (job: Job, index: number, roof: 'gable' | ShedWay): Job => {
  const one = job.dormers[index];
  if (one === undefined) return job;
  const { pitch: _pitch, top: _top, ...rest } = one;
  const side = job.blocks.find(({ id }) => id === one.block)?.sides[one.side];
  const rise = side?.roof === 'eave' ? Math.tan(pitchRad(side.pitch)) : 1;
  // As it comes down at half its roof's own fall, near enough.
  const top = Math.round(one.face + (2 * (one.plate - one.face * rise)) / rise);
  const pitch = { rise: Number((rise * 6).toFixed(1)), run: 12 };
  const now: Dormer =
    roof === 'gable'
      ? { ...rest, roof: 'gable' }
      : { ...rest, roof: 'shed', ...(roof === 'pitch' ? { pitch } : { top }) };
  return { ...job, dormers: job.dormers.map((was, i) => (i === index ? now : was)) };
};
