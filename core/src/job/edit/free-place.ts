import { depthBehind, hasLength, seenFrom, wallOf } from './on-wall';
import type { Job } from '../schema';

/** Trimmers, headers and a rafter's space between two things on one slope. mm */
const APART_MM = 450;
/** From the wall's end, or a hip's line, to what stands beside it: a trimmer and its jack. mm */
const IN_MM = 300;
/** Places are looked for this far from each other. mm */
const STEP_MM = 50;

interface OnSlope {
  readonly along: readonly [number, number];
  /** From where to where in from the plate it takes up the slope. mm */
  readonly up: readonly [number, number];
}

/** What stands on the slope over a wall already. A dormer takes it up to the ridge. */
const onSlopeOver = (job: Job, block: string, side: number): OnSlope[] => [
  ...job.openings.filter((one) => one.block === block && one.side === side),
  ...job.dormers
    .filter((one) => one.block === block && one.side === side)
    .map(({ along, face }): OnSlope => ({ along, up: [face, Infinity] })),
];

/**
 * Where along a wall something new is proposed: as near to its middle as it stands clear of what is there, of the hips at
 * the wall's ends and of parts that stand before it; null where it stands clear nowhere.
 *
 * @param up from where to where in from the plate it takes up the slope. mm
 */
const freeAlong = (
  job: Job,
  index: number,
  side: number,
  wideMm: number,
  up: readonly [number, number],
): number | null => {
  const block = job.blocks[index];
  if (block === undefined || !hasLength(block, side)) return null;
  const wall = wallOf(block, side);
  const middle = Math.max(0, (wall.lengthMm - wideMm) / 2);
  const count = block.sides.length;
  // A hip comes in over the wall as far as the slope goes up, where both pitch alike.
  const atEnd = (neighbour: number): number =>
    (block.sides[(neighbour + count) % count]?.roof === 'eave' ? up[1] : 0) + IN_MM;
  const [low, high] = [atEnd(side - 1), wall.lengthMm - atEnd(side + 1) - wideMm];
  const others = onSlopeOver(job, block.id, side).filter(
    (one) => one.up[0] < up[1] + APART_MM && one.up[1] > up[0] - APART_MM,
  );
  const before = job.blocks.flatMap((other, i): OnSlope[] => {
    if (i === index) return [];
    const corners = other.outline.map((p) => seenFrom(wall, p));
    const crosses = corners.some(([, out]) => out > 0) && corners.some(([, out]) => out < 0);
    const along = corners.map(([u]) => u);
    return crosses
      ? [{ along: [Math.min(...along), Math.max(...along)], up: [0, depthBehind(wall)] }]
      : [];
  });
  const isFree = (from: number): boolean =>
    from >= low &&
    from <= high &&
    [...others, ...before].every(
      ({ along }) => from + wideMm + APART_MM <= along[0] || from >= along[1] + APART_MM,
    );
  for (let off = 0; off <= middle; off += STEP_MM)
    for (const from of [middle - off, middle + off]) if (isFree(from)) return Math.round(from);
  return null;
};

/** A place on a part's slopes: the wall that it is on, and where along it. */
export interface FreePlace {
  readonly side: number;
  readonly from: number;
}

/**
 * Where on a part something new is proposed: on the first of its eaves where it stands clear; in the middle of the first
 * where it does on none. Null where the part has no eave.
 *
 * @param up see {@link freeAlong}
 */
export const freePlace = (
  job: Job,
  index: number,
  wideMm: number,
  up: readonly [number, number],
): FreePlace | null => {
  const sides = (job.blocks[index]?.sides ?? []).flatMap(({ roof }, side) =>
    roof === 'eave' ? [side] : [],
  );
  for (const side of sides) {
    const from = freeAlong(job, index, side, wideMm, up);
    if (from !== null) return { side, from };
  }
  const [side] = sides;
  const block = job.blocks[index];
  if (side === undefined || block === undefined || !hasLength(block, side)) return null;
  return { side, from: Math.round(Math.max(0, (wallOf(block, side).lengthMm - wideMm) / 2)) };
};
