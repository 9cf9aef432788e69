import { SAME_POINT_MM, SAME_WAY_SINE, v2 } from '../../geom';
import { pitchRad } from '../../units';
import type { Job } from '../schema';
import { ridgeRun } from './ridge-height';

export type Saddle = Job['saddles'][number];

/** Where a slope's wall stands back to back with another's: each by its part and its side, and along which stretch. mm */
export interface Gutter {
  readonly one: Pick<Saddle, 'block' | 'side' | 'along'>;
  readonly other: Pick<Saddle, 'block' | 'side' | 'along'>;
}

/** Eaves that share less than this of a wall drain past its ends. mm */
const LEAST_SHARED_MM = 600;
/** How much of the lower ridge's height over the gutter a first saddle's ridge has. */
const FIRST_SHARE = 0.8;

const eavesOf = ({ blocks }: Job) =>
  blocks.flatMap(({ id, outline, sides, plate }) =>
    sides.flatMap((side, index) => {
      const [start, end] = [outline[index], outline[(index + 1) % outline.length]];
      return side.roof !== 'eave' || start === undefined || end === undefined
        ? []
        : [{ id, index, start, end, plate, along: v2.unit(v2.sub(end, start)) }];
    }),
  );

/** The gutter that a part's roof shares with another's, their eaves back to back over one line; null where none is. */
export const gutterOf = (job: Job, part: number): Gutter | null => {
  const block = job.blocks[part];
  const eaves = eavesOf(job);
  for (const one of eaves.filter(({ id }) => id === block?.id))
    for (const other of eaves.filter(({ id }) => id !== block?.id)) {
      const away = v2.sub(other.start, one.start);
      const inLine = Math.abs(v2.cross(one.along, away)) < SAME_POINT_MM;
      if (v2.dot(one.along, other.along) > -1 + SAME_WAY_SINE || !inLine) continue;
      const length = v2.distance(one.start, one.end);
      const u = v2.dot(away, one.along);
      const [from, to] = [
        Math.max(0, u - v2.distance(other.start, other.end)),
        Math.min(length, u),
      ];
      if (to - from >= LEAST_SHARED_MM)
        return {
          one: { block: one.id, side: one.index, along: [from, to] },
          other: { block: other.id, side: other.index, along: [u - to, u - from] },
        };
    }
  return null;
};

const standsOn = (saddle: Saddle, { block, side, along }: Gutter['one']): boolean =>
  saddle.block === block && saddle.side === side && saddle.at === 0 && saddle.along[0] === along[0];

/** The numbers of the two saddles that drain a gutter; none where it has none. */
export const saddlesIn = ({ saddles }: Job, { one, other }: Gutter): readonly number[] =>
  [one, other].flatMap((half) => {
    const found = saddles.findIndex((saddle) => standsOn(saddle, half));
    return found < 0 ? [] : [found];
  });

/** How high a saddle's ridge stands over its corners. mm */
export const saddleRidge = (job: Job, { block, side, along, pitch }: Saddle): number => {
  const given = job.blocks.find(({ id }) => id === block)?.sides[side];
  const own = pitch ?? (given?.roof === 'eave' ? given.pitch : undefined);
  return own === undefined ? 0 : (Math.tan(pitchRad(own)) * (along[1] - along[0])) / 2;
};

/** Saddles with a ridge so high over their corners: their pitch falls out. */
export const withSaddleRidge = (job: Job, numbers: readonly number[], heightMm: number): Job => ({
  ...job,
  saddles: job.saddles.map((saddle, i) => {
    if (!numbers.includes(i)) return saddle;
    const [from, to] = saddle.along;
    return { ...saddle, pitch: { rise: (24 * heightMm) / (to - from), run: 12 } };
  }),
});

/** Saddles with a pitch of their own, or their slope's where none is given. */
export const withSaddlePitch = (
  job: Job,
  numbers: readonly number[],
  pitch: Saddle['pitch'],
): Job => ({
  ...job,
  saddles: job.saddles.map(({ pitch: _was, ...saddle }, i) =>
    numbers.includes(i)
      ? { ...saddle, ...(pitch !== undefined && { pitch }) }
      : { ...saddle, ...(_was !== undefined && { pitch: _was }) },
  ),
});

/** Saddles of timber of their own, or of the commons' and the ridge's where null. */
export const withSaddleStock = (
  job: Job,
  numbers: readonly number[],
  stock: NonNullable<Saddle['stock']> | null,
): Job => ({
  ...job,
  saddles: job.saddles.map(({ stock: was, ...saddle }, i) =>
    numbers.includes(i)
      ? { ...saddle, ...(stock !== null && { stock }) }
      : { ...saddle, ...(was !== undefined && { stock: was }) },
  ),
});

/** A saddle on both slopes over a gutter, its ridge level across under the lower of their two ridges; or none. */
export const withSaddleBetween = (job: Job, gutter: Gutter, wanted: boolean): Job => {
  const there = saddlesIn(job, gutter);
  const rest = job.saddles.filter((_, i) => !there.includes(i));
  if (!wanted) return { ...job, saddles: rest };
  const heights = [gutter.one, gutter.other].map(({ block, side }) => {
    const given = job.blocks.find(({ id }) => id === block)?.sides[side];
    const rise = given?.roof === 'eave' ? Math.tan(pitchRad(given.pitch)) : 0;
    return ridgeRun(job, block, side) * rise;
  });
  const halves = [gutter.one, gutter.other].map((half): Saddle => ({
    id: `gutter ${gutter.one.block} ${gutter.other.block} ${half.block}`.slice(0, 60),
    ...half,
    at: 0,
    sheathing: 0,
  }));
  const now = { ...job, saddles: [...rest, ...halves] };
  const numbers = halves.map((_, i) => rest.length + i);
  return withSaddleRidge(now, numbers, Math.round(Math.min(...heights) * FIRST_SHARE));
};
