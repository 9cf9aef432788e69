import { v2 } from '../../geom';
import { pitchRad } from '../../units';
import { hapOf } from '../seat';
import type { Job } from '../schema';
import { freePlace } from './free-place';

export type Dormer = Job['dormers'][number];

/** A first dormer: so wide, its front so far in, its plate so high over the slope there; an eave of its own. mm */
const START = { wide: 1800, face: 600, wall: 900, overhang: 200 } as const;
/** A narrower one has no room between its cheeks. mm */
const LEAST_WIDE_MM = 900;
/** It is no wider than this share of its wall, and no higher than this share of the roof. */
const MOST = { wall: 0.35, roof: 0.85 } as const;

/** The dormers of a part, with their numbers in the job. */
export const dormersOf = (
  { dormers }: Job,
  block: string,
): readonly { readonly dormer: Dormer; readonly index: number }[] =>
  dormers.map((dormer, index) => ({ dormer, index })).filter((one) => one.dormer.block === block);

/** One more dormer, as near the middle of a part's first eave as it stands clear, no higher than its roof; `id` is one that nobody else has. */
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
  const hap = hapOf(job, rad);
  const face = Math.round(Math.min(START.face, run / 4));
  // Its ridge stays so far under the roof's, however low its walls.
  const top = MOST.roof * (run * rise + hap) - hap;
  const least = face * rise + hap + START.wall / 2;
  const wide = Math.round(
    Math.max(LEAST_WIDE_MM, Math.min(START.wide, long * MOST.wall, (2 * (top - least)) / rise)),
  );
  const wanted = face * rise + hap + START.wall;
  const plate = Math.round(Math.min(wanted, Math.max(least, top - (wide / 2) * rise)));
  // A gable's ridge comes down on the slope as much further up as it stands over the plates.
  const place = freePlace(job, part, wide, [face, (plate - hap) / rise + wide / 2]);
  if (place === null) return job;
  const { from } = place;
  return {
    ...job,
    dormers: [
      ...job.dormers,
      {
        id,
        block: block.id,
        side: place.side,
        along: [from, from + wide],
        face,
        plate,
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
