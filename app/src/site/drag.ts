import type { Vec2 } from '@ogee/core/src/geom';
import {
  wallLengths,
  LEAST_WALL_MM,
  standingOn,
  withStanding,
  withWallMoved,
  type Block,
  type Job,
  type OnWall,
  wallsOf,
} from '@ogee/core/src/job';

/** What a thumb can take hold of on the drawing of the plates: a wall, or a whole part along the wall it stands on. */
export interface Handle {
  readonly moves: 'wall' | 'part';
  /** The wall taken hold of; of a whole part, its inner end. */
  readonly side: number;
  /** Where it is on the plan, and the way it goes. mm; unit vector */
  readonly at: Vec2;
  readonly way: Vec2;
}

/** The inner end of a part on a wall, counted from its far end. */
export const INNER = 2;

const STEPS_MM = { imperial: [25.4, 76.2, 152.4, 304.8], metric: [10, 50, 100, 250] } as const;
/** A step smaller than this on the screen cannot be held. px */
const LEAST_STEP_PX = 1.5;

/** The roundest fine step that a thumb can still hold at this scale. mm */
export const stepAt = (pxPerMm: number, units: Job['display']['units']): number => {
  const steps: readonly number[] = STEPS_MM[units];
  return steps.find((mm) => mm * pxPerMm >= LEAST_STEP_PX) ?? Math.max(...steps);
};

const between = (p: Vec2, q: Vec2): Vec2 => [(p[0] + q[0]) / 2, (p[1] + q[1]) / 2];
const outOf = ({ inward }: { readonly inward: Vec2 }): Vec2 => [-inward[0], -inward[1]];

/** What of a part can be dragged: a free part's walls; of one that stands on a wall its far end, its sides, its place. */
export const handlesOf = (job: Job, index: number): Handle[] => {
  const block = job.blocks[index];
  if (block === undefined) return [];
  const lines = wallsOf(block);
  const stands = standingOn(job, index) !== null;
  return lines.flatMap((line, side): Handle[] => {
    const at = between(line.start, line.end);
    // The whole of a part on a wall is held by its inner end.
    if (stands && side === INNER)
      return [{ moves: 'part', side, at, way: lines[0]?.along ?? line.along }];
    return block.sides[side]?.roof === 'open'
      ? []
      : [{ moves: 'wall', side, at, way: outOf(line) }];
  });
};

/** A figure that a handle sets, with its name. */
export interface Figure {
  readonly name: string;
  readonly mm: number;
}

/** A job as a drag would leave it, and the figure that the drag sets. */
export interface Dragged extends Figure {
  readonly job: Job;
}

/** The wall that is lengthened by moving another of a free part, and the sine of the corner between them. */
const besideOf = (block: Block, side: number) => {
  const lines = wallsOf(block);
  const next = (side + 1) % lines.length;
  const [own, beside] = [lines[side], lines[next]];
  if (own === undefined || beside === undefined) return null;
  const sine = own.along[0] * beside.along[1] - own.along[1] * beside.along[0];
  return { next, beside, sine };
};

/** The figure of a handle of a part on a wall. */
const figureOnWall = ({ moves, side }: Handle, on: OnWall): Figure =>
  moves === 'part'
    ? { name: 'From the corner', mm: on.fromCorner }
    : side === 0
      ? { name: 'Projection', mm: on.projection }
      : { name: 'Width', mm: on.width };

/** The figure that a handle sets, as it is now; null where there is none. */
export const figureOf = (job: Job, index: number, handle: Handle): Figure | null => {
  const standing = standingOn(job, index);
  if (standing !== null) return figureOnWall(handle, standing.on);
  const block = job.blocks[index];
  const found = block === undefined ? null : besideOf(block, handle.side);
  return found === null ? null : { name: `Wall ${found.next + 1}`, mm: found.beside.lengthMm };
};

const snapped = (mm: number, step: number): number => Math.round(mm / step) * step;
const clamp = (mm: number, least: number, most: number): number =>
  Math.min(most, Math.max(least, mm));

const draggedOnWall = (job: Job, index: number, handle: Handle, mm: number, step: number) => {
  const standing = standingOn(job, index);
  const host = job.blocks[standing?.host ?? -1];
  if (standing === null || host === undefined) return null;
  const { on, side } = standing;
  const room = wallLengths(host)[side] ?? 0;
  const done = (change: Partial<OnWall>): Dragged => {
    const next = { ...on, ...change };
    return { job: withStanding(job, index, next), ...figureOnWall(handle, next) };
  };
  if (handle.moves === 'part') {
    const fromCorner = clamp(snapped(on.fromCorner + mm, step), 0, room - on.width);
    return done({ fromCorner });
  }
  if (handle.side === 0) {
    const projection = Math.max(LEAST_WALL_MM, snapped(on.projection + mm, step));
    return done({ projection });
  }
  const most = handle.side === 1 ? room - on.fromCorner : on.fromCorner + on.width;
  const width = clamp(snapped(on.width + mm, step), LEAST_WALL_MM, most);
  const fromCorner = handle.side === 1 ? on.fromCorner : on.fromCorner + on.width - width;
  return done({ width, fromCorner });
};

/**
 * What dragging a handle by `mm` along its way comes to, its figure rounded to `step`. Null where nothing can come of
 * it: the wall would run into the one across from it.
 */
export const dragged = (
  job: Job,
  index: number,
  handle: Handle,
  mm: number,
  step: number,
): Dragged | null => {
  if (standingOn(job, index) !== null) return draggedOnWall(job, index, handle, mm, step);
  const block = job.blocks[index];
  if (block === undefined) return null;
  const found = besideOf(block, handle.side);
  if (found === null) return null;
  const { next, beside, sine } = found;
  // Moving a wall lengthens the next one by the way over the sine of the corner between them.
  const length = snapped(beside.lengthMm + mm / sine, step);
  const moved = withWallMoved(job, index, handle.side, (length - beside.lengthMm) * sine);
  return moved === null ? null : { job: moved, name: `Wall ${next + 1}`, mm: length };
};
