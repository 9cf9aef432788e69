import {
  planeAt,
  SAME_POINT_MM,
  SAME_WAY_SINE,
  SLACK_MM,
  v2,
  v3,
  type Plane,
  type Vec3,
} from '../geom';
import { onePitch, wallOf, wallsOf, withBlock, withWallMoved, type Job } from '../job';
import type { Path, PlaneOf, Problem, Result } from '../problem';
import { inMm, say, type Measure, type Sentence } from '../sentence';
import { degrees, formatPitch, pitchRad, radians } from '../units';
import { loneBlock } from './block-roof';
import type { Fold, Roof, RoofLine } from './model';

/** A change of one number of a job with which four planes that nearly meet in one point do so. */
export interface Meeting {
  readonly path: Path;
  readonly value: unknown;
  readonly text: Sentence;
  readonly job: Job;
  /** How large a change it is: mm, or degrees of a pitch. */
  readonly by: number;
  readonly of: Dial['of'];
}

/** A number that sets where planes lie, changed by so much: mm, or degrees of a pitch. */
interface Dial {
  readonly of: 'place' | 'pitch';
  /** The furthest that it is turned: past it, another roof is meant. */
  readonly most: number;
  readonly turned: (by: number) => Job | null;
  readonly told: (by: number) => Sentence;
}

const MOST_MM = 200;
const MOST_DEG = 3;
/** No roof is turned nearer to level or to plumb. Degrees */
const LEAST_DEG = 1;

/** The planes about a line's two ends: its own two, and one more at each end; null where no other stands there. */
export const planesAbout = (
  { slopes, lines }: Pick<Roof, 'slopes' | 'lines'>,
  line: RoofLine,
): readonly PlaneOf[] | null => {
  const others = line.ends.map((node) =>
    lines
      .filter((one) => one !== line && (one.ends.includes(node) || one.through.includes(node)))
      .flatMap((one: Fold) => one.slopes)
      .find((slope) => !line.slopes.includes(slope)),
  );
  const [low, high] = others;
  if (low === undefined || high === undefined) return null;
  const found = [...line.slopes, low, high].flatMap((slope) => {
    const side = slopes[slope]?.sides[0];
    return side === undefined ? [] : [{ block: side.block, side: side.side, band: side.band }];
  });
  return found.length === 4 && low !== high ? found : null;
};

const planeOf = (job: Job, { block: id, side, band }: PlaneOf): Plane | null => {
  const block = job.blocks.find((one) => one.id === id);
  const lone = block === undefined ? null : loneBlock(job, block);
  return lone?.ok === true ? (lone.value.bands[side]?.[band]?.plane ?? null) : null;
};

/** How far the fourth of four planes passes over or under the point in which the first three meet; null where none do. */
const missOf = (job: Job, about: readonly PlaneOf[]): number | null => {
  const [a, b, c, d] = about.map((one) => planeOf(job, one));
  if (!a || !b || !c || !d) return null;
  const across = v3.cross(b.normal, c.normal);
  const sine = v3.dot(a.normal, across);
  if (Math.abs(sine) < SAME_POINT_MM) return null;
  const p = v3.scale(
    v3.add(
      v3.scale(across, a.offset),
      v3.add(
        v3.scale(v3.cross(c.normal, a.normal), b.offset),
        v3.scale(v3.cross(a.normal, b.normal), c.offset),
      ),
    ),
    1 / sine,
  ) satisfies Vec3;
  return planeAt(d, p) / d.normal[2];
};

/** By how much a dial is turned until four planes meet; null where they do not within its reach. */
const turnOf = (about: readonly PlaneOf[], { most, turned }: Dial): number | null => {
  const miss = (by: number): number | null => {
    const job = turned(by);
    return job === null ? null : missOf(job, about);
  };
  let [before, now] = [0, most / 100];
  let at = miss(before);
  for (let tries = 0; tries < MOST_TURNS; tries += 1) {
    const next = miss(now);
    if (at === null || next === null) return null;
    if (Math.abs(next) < SAME_POINT_MM) return now;
    if (Math.abs(next - at) < SAME_POINT_MM * SAME_POINT_MM) return null;
    [before, now, at] = [now, now - (next * (now - before)) / (next - at), next];
    if (!(Math.abs(now) <= most)) return null;
  }
  return null;
};

const MOST_TURNS = 20;

/** How far something is moved, told fine enough that it is never nothing. */
const told = (by: number): Measure => inMm(Math.abs(by), Math.abs(by) < 1 ? 3 : 1);

/** The plate of a block: its roof up or down. */
const plateDial = (job: Job, index: number): Dial => ({
  of: 'place',
  most: MOST_MM,
  turned: (by) => withBlock(job, index, (block) => ({ ...block, plate: block.plate + by })),
  told: (by) =>
    say`the ‹plate› of "${job.blocks[index]?.id ?? ''}" ${told(by)} ${by < 0 ? 'lower' : 'higher'}`,
});

/** One wall of a block, or two that face each other, moved out or in. */
const wallDial = (job: Job, index: number, walls: readonly number[]): Dial => {
  const id = job.blocks[index]?.id ?? '';
  const [wall = 0, facing] = walls;
  return {
    of: 'place',
    most: MOST_MM / walls.length,
    turned: (by) =>
      walls.reduce<Job | null>(
        (now, side) => (now === null ? null : withWallMoved(now, index, side, by)),
        job,
      ),
    told: (by) =>
      facing === undefined
        ? say`wall ${wall + 1} of "${id}" ${told(by)} further ${by < 0 ? 'in' : 'out'}`
        : say`walls ${wall + 1} and ${facing + 1} of "${id}" each ${told(by)} further ${by < 0 ? 'in' : 'out'}`,
  };
};

/** The pitch of the sides of a block that have one, together. */
const pitchDial = (job: Job, index: number, sides: readonly number[]): Dial => {
  const block = job.blocks[index];
  const own = block?.sides[sides[0] ?? 0];
  const from = own?.roof === 'eave' ? degrees(pitchRad(own.pitch)) : 0;
  const pitch = (by: number): string => formatPitch(radians(from + by), job.display.pitch);
  return {
    of: 'pitch',
    most: MOST_DEG,
    turned: (by) =>
      from + by < LEAST_DEG || from + by > 90 - LEAST_DEG
        ? null
        : withBlock(job, index, (was) => ({
            ...was,
            sides: was.sides.map((side, i) =>
              side.roof === 'eave' && sides.includes(i)
                ? { ...side, pitch: `${from + by}°` }
                : side,
            ),
          })),
    told: (by) =>
      sides.length > 1
        ? say`the roof of "${block?.id ?? ''}" pitched at ${pitch(by)}`
        : say`wall ${(sides[0] ?? 0) + 1} of "${block?.id ?? ''}" pitched at ${pitch(by)}`,
  };
};

/** Of a block's walls, the one that faces another; not its open end, where it has none. */
const facing = (block: Job['blocks'][number], side: number): number | null => {
  const { along: own } = wallOf(block, side);
  const found = wallsOf(block).findIndex(
    ({ along }, i) => block.sides[i]?.roof !== 'open' && v2.dot(along, own) < -1 + SAME_WAY_SINE,
  );
  return found < 0 ? null : found;
};

/** Every number that may bring four planes to one point: plates, walls, pairs of walls, pitches of the blocks they are of. */
const dialsOf = (job: Job, about: readonly PlaneOf[]): Dial[] => {
  const blocks = new Set(about.map(({ block }) => block));
  return job.blocks.flatMap((block, index): Dial[] => {
    if (!blocks.has(block.id)) return [];
    const own = [...new Set(about.filter((one) => one.block === block.id).map(({ side }) => side))];
    const pairs = own.flatMap((side) => {
      const other = facing(block, side);
      return other === null || (own.includes(other) && other < side) ? [] : [[side, other]];
    });
    const pitched = onePitch(block) ? [block.sides.map((_, i) => i)] : own.map((side) => [side]);
    return [
      ...(blocks.size > 1 ? [plateDial(job, index)] : []),
      ...[...own.map((side) => [side]), ...pairs].map((walls) => wallDial(job, index, walls)),
      ...pitched.map((sides) => pitchDial(job, index, sides)),
    ];
  });
};

/** The place at which a job differs from another, and what stands there: a block's plate, outline or sides, or all blocks. */
export const difference = (was: Job, now: Job): Pick<Meeting, 'path' | 'value'> => {
  const changed = now.blocks.flatMap((block, i) => (block === was.blocks[i] ? [] : [i]));
  const [index] = changed;
  const [one, other] = [was.blocks[index ?? 0], now.blocks[index ?? 0]];
  const fields = ['plate', 'outline', 'sides'] as const;
  const field = fields.find((name) => one?.[name] !== other?.[name]);
  return changed.length === 1 && index !== undefined && field !== undefined
    ? { path: ['blocks', index, field], value: other?.[field] }
    : { path: ['blocks'], value: now.blocks };
};

/**
 * The changes of one number each with which planes that nearly meet in one point do so: of places before pitches, which
 * are mostly meant as they are written, and the smallest first.
 *
 * @param about four planes
 */
export const meetingsOf = (job: Job, about: readonly PlaneOf[]): Meeting[] =>
  dialsOf(job, about)
    .flatMap((dial): Meeting[] => {
      const by = turnOf(about, dial);
      const met = by === null ? null : dial.turned(by);
      if (by === null || met === null) return [];
      return [
        { ...difference(job, met), text: dial.told(by), job: met, by: Math.abs(by), of: dial.of },
      ];
    })
    .sort((p, q) => Number(p.of === 'pitch') - Number(q.of === 'pitch') || p.by - q.by);

/** What no tape shows: lines that would meet with a change so small meet, and it is said. mm */
const HAIR_MM = SLACK_MM.beside;

/** The changes by no more than a hair with which lines of a job meet, the smallest first. */
const hairsOf = (job: Job, problems: readonly Problem[]): Meeting[] =>
  problems
    .flatMap(({ planes }) => (planes === undefined ? [] : meetingsOf(job, planes)))
    .filter(({ of, by }) => of === 'place' && by <= HAIR_MM)
    .sort((p, q) => p.by - q.by);

/** Each line that parts by a hair is met by one change: so many of them. */
const MOST_HAIRS = 8;

/** A roof as it is framed, where lines that part by a hair meet; with the job of that, and what was changed for it. */
export interface Met {
  readonly job: Job;
  readonly roof: Result<Roof>;
  readonly changes: readonly Sentence[];
}

/**
 * Works a roof out so that lines which miss each other by less than any tape shows meet in one point: corners that were
 * rounded to whole millimetres are no reason for a ridge of a fifth of one.
 */
export const workOutMet = (asked: Job, workOut: (job: Job) => Result<Roof>): Met => {
  const first: Met = { job: asked, roof: workOut(asked), changes: [] };
  let now: Met | null = first;
  while (now !== null && !now.roof.ok && now.changes.length < MOST_HAIRS)
    now = metByOne(now, now.roof.problems, workOut);
  return now?.roof.ok === true ? now : first;
};

/** With the first change by a hair that leaves fewer problems; null where none does. */
const metByOne = (
  { job, changes }: Met,
  problems: readonly Problem[],
  workOut: (job: Job) => Result<Roof>,
): Met | null => {
  for (const hair of hairsOf(job, problems)) {
    const roof = workOut(hair.job);
    if (roof.ok || roof.problems.length < problems.length)
      return { job: hair.job, roof, changes: [...changes, hair.text] };
  }
  return null;
};
