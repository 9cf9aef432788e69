import { v2 } from '../../geom';
import { pitchRad } from '../../units';
import { depthBehind, wallOf } from './on-wall';
import type { Block, Job, PitchBreak, Side } from '../schema';

type Eave = Extract<Side, { roof: 'eave' }>;

const eaveAt = (job: Job, index: number, side: number): Eave | null => {
  const found = job.blocks[index]?.sides[side];
  return found?.roof === 'eave' ? found : null;
};

const withEave = (job: Job, index: number, side: number, change: (eave: Eave) => Side): Job => ({
  ...job,
  blocks: job.blocks.map((block, i) =>
    i !== index
      ? block
      : {
          ...block,
          sides: block.sides.map((one, k) =>
            k === side && one.roof === 'eave' ? change(one) : one,
          ),
        },
  ),
});

/** To a whole 50 mm, or to two inches. */
const rounded = ({ display }: Job, mm: number): number => {
  const step = display.units === 'imperial' ? 50.8 : 50;
  return Math.max(step, Math.round(mm / step) * step);
};

/** A pitch as the job writes pitches, to a whole unit. */
const written = ({ display }: Job, rad: number): string =>
  display.pitch === 'degrees'
    ? `${Math.max(5, Math.round((rad * 180) / Math.PI))}°`
    : `${Math.max(1, Math.round(12 * Math.tan(rad)))}/12`;

/** How a break in pitch is begun: the roof gets shallower above it, or the eave kicks out below it. */
export type BreakWay = 'shallower-above' | 'kick-out';

/** Of the run behind a wall, so much lies below a break to a shallower pitch at first. */
const FIRST_SHARE = 0.25;
/** And so much of it makes a kicked-out eave. */
const KICK_SHARE = 0.15;

/** The timber a break wants, if the job names none yet: the ridge's. */
const withPurlin = (job: Job): Job => {
  const { purlin, ridge, common } = job.timber;
  return { ...job, timber: { ...job.timber, purlin: purlin ?? ridge ?? common } };
};

/**
 * A break in pitch on one side, to begin with: the pitch at the plate stays and halves above it, or the pitch stays
 * above it and halves at the plate. Unchanged where the side is no eave.
 */
export const withBreak = (job: Job, index: number, side: number, way: BreakWay): Job => {
  const block = job.blocks[index];
  const eave = eaveAt(job, index, side);
  if (block === undefined || eave === null) return job;
  const run = depthBehind(wallOf(block, side)) / 2;
  const breaks = eave.breaks ?? [];
  const last = breaks[breaks.length - 1];
  const halved = (pitch: PitchBreak['pitch']): string =>
    written(job, Math.atan(Math.tan(pitchRad(pitch)) / 2));
  const next: Eave =
    way === 'kick-out'
      ? {
          ...eave,
          pitch: halved(eave.pitch),
          breaks: [{ at: rounded(job, run * KICK_SHARE), pitch: eave.pitch }, ...breaks],
        }
      : {
          ...eave,
          breaks: [
            ...breaks,
            {
              at: rounded(job, (last?.at ?? 0) + (run - (last?.at ?? 0)) * FIRST_SHARE),
              pitch: halved(last?.pitch ?? eave.pitch),
            },
          ],
        };
  return withPurlin(withEave(job, index, side, () => next));
};

/** One break of a side moved, or given another pitch above it. */
export const withBreakChanged = (
  job: Job,
  index: number,
  side: number,
  which: number,
  change: Partial<PitchBreak>,
): Job =>
  withEave(job, index, side, (eave) => ({
    ...eave,
    breaks: (eave.breaks ?? []).map((one, k) => (k === which ? { ...one, ...change } : one)),
  }));

/** A side without one of its breaks. */
export const withoutBreak = (job: Job, index: number, side: number, which: number): Job =>
  withEave(job, index, side, ({ breaks = [], ...eave }) => {
    const left = breaks.filter((_, k) => k !== which);
    return left.length === 0 ? eave : { ...eave, breaks: left };
  });

/** Every eave of a block with the pitch and the breaks of one of them. */
export const withSidesAlike = (job: Job, index: number, side: number): Job => {
  const eave = eaveAt(job, index, side);
  if (eave === null) return job;
  return {
    ...job,
    blocks: job.blocks.map((block, i) =>
      i !== index
        ? block
        : {
            ...block,
            sides: block.sides.map((one) => {
              if (one.roof !== 'eave') return one;
              const { breaks: _before, ...rest } = one;
              return {
                ...rest,
                pitch: eave.pitch,
                ...(eave.breaks === undefined ? {} : { breaks: eave.breaks }),
              };
            }),
          },
    ),
  };
};

/** Where the two hips of a side come together, if nothing stops them before: so far in from its plate. mm */
const hipsMeetAt = (block: Block, side: number, eave: Eave): number => {
  const { along, start } = wallOf(block, side);
  const end = block.outline[(side + 1) % block.outline.length] ?? start;
  const beside = block.sides[(side + 1) % block.sides.length];
  const steep = (one: Eave): number => Math.tan(pitchRad(one.pitch));
  const next = beside?.roof === 'eave' ? beside : eave;
  return ((v2.dot(v2.sub(end, start), along) / 2) * steep(next)) / steep(eave);
};

/** Whether a gablet could stand above a side's hip: an eave between two others, at the end of a ridge. */
export const takesGablet = (block: Block, side: number): boolean => {
  const count = block.sides.length;
  const [own, ...beside] = [side, side + 1, side - 1 + count].map((i) => block.sides[i % count]);
  if (own?.roof !== 'eave' || beside.some((one) => one?.roof !== 'eave')) return false;
  return count === 4 && hipsMeetAt(block, side, own) < depthBehind(wallOf(block, side)) / 2;
};

/** Of the way up to the hip's top, so far in a gablet stands at first. */
const GABLET_SHARE = 0.6;

/** A gablet above a side's hip, to begin with; or none, where `at` is null. */
export const withGablet = (
  job: Job,
  index: number,
  side: number,
  at: number | null | undefined,
): Job => {
  const block = job.blocks[index];
  if (block === undefined || !takesGablet(block, side)) return job;
  return withEave(job, index, side, ({ gablet: _before, ...eave }) =>
    at === null
      ? eave
      : {
          ...eave,
          gablet: { at: at ?? rounded(job, hipsMeetAt(block, side, eave) * GABLET_SHARE) },
        },
  );
};
