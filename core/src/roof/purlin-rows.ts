import { SAME_POINT_MM, v2, type Vec2 } from '../geom';
import type { Block, Job } from '../job';
import { pitchRad } from '../units';
import { heightAt } from './bands';
import type { BlockRoof, Roof, RoofPlane } from './model';

type RoofPurlins = NonNullable<Job['roofPurlins']>[number];

/** Whether a set of purlins over or between rafters is one of a side's. */
const isOf = (set: RoofPurlins, block: string, side: number): boolean =>
  set.block === block && (set.side === undefined || set.side === side);

/** The set of purlins over or between the rafters of a side, and its number in the job; null where there is none. */
export const purlinsOn = (
  job: Job,
  block: string,
  side: number,
): { readonly set: RoofPurlins; readonly index: number } | null => {
  const index = job.roofPurlins.findIndex((set) => isOf(set, block, side));
  const set = job.roofPurlins[index];
  return set === undefined ? null : { set, index };
};

/**
 * How far a side's rafters stand under its roof plane, square to it: the depth of the purlins over them, where the tops
 * of those are the roof. mm
 */
export const loweredSquare = (job: Job, block: string, side: number): number => {
  const set = purlinsOn(job, block, side)?.set;
  return set?.set === 'over' && set.planes === 'tops' ? set.stock.depth : 0;
};

/** The same plumb, where the side meets its plate. mm */
export const loweredPlumb = (job: Job, block: Block, index: number): number => {
  const side = block.sides[index];
  if (side?.roof !== 'eave') return 0;
  return loweredSquare(job, block.id, index) / Math.cos(pitchRad(side.pitch));
};

/** A level line on a slope on which a purlin lies over or between the rafters. */
export interface PurlinRow {
  /** Plan distance in from the plate's outside face. mm */
  readonly distance: number;
  /** Along the slope from the tail's top corner. mm */
  readonly along: number;
}

/** Plan distance from the plate's outside face to the highest point of a side's roof. mm */
export const runOfSide = (roof: Roof, block: string, side: number): number => {
  const line = roof.blocks.find(({ id }) => id === block)?.sides[side];
  if (line === undefined) return 0;
  const points = roof.slopes.flatMap(({ pieces }) =>
    pieces
      .filter(({ plane }) => plane.block === block && plane.side === side)
      .flatMap(({ polygon }) => polygon.points),
  );
  return Math.max(0, ...points.map((p) => v2.dot(v2.sub(p, line.start), line.inward)));
};

/** Where a side's pitch changes, plan distance from the plate's outside face, up the slope. mm */
const breaksAt = (bands: readonly RoofPlane[], start: Vec2): number[] =>
  bands.slice(1).map((plane, i) => {
    const below = bands[i] ?? plane;
    return (heightAt(below, start) - heightAt(plane, start)) / (plane.rise - below.rise);
  });

/**
 * The rows of a set on one side, from the tail up: the first, then on centres, then the last, its distance below the top.
 *
 *        last ╱╲
 *         ╱▪      the space that is left over lies under the last one
 *       ▪
 *     ▪   spacing
 *   ▪ first
 */
export const purlinRows = (
  roof: Roof,
  { id, bands, sides }: BlockRoof,
  side: number,
  set: RoofPurlins,
): PurlinRow[] => {
  const [line, own] = [sides[side], bands[side] ?? []];
  if (line === undefined || own.length === 0) return [];
  const top = runOfSide(roof, id, side);
  const edges = [-line.overhangMm, ...breaksAt(own, line.start), top];
  // Each pitch's share of the way up, in plan and along the slope.
  const parts = own.map(({ slopeRad }, i) => {
    const from = edges[i] ?? top;
    const run = Math.max(0, Math.min(top, edges[i + 1] ?? top) - from);
    return { from, run, cos: Math.cos(slopeRad), along: run / Math.cos(slopeRad) };
  });
  const whole = parts.reduce((sum, { along }) => sum + along, 0);
  const rowAt = (along: number): PurlinRow => {
    let rest = along;
    for (const part of parts) {
      if (rest <= part.along || part === parts.at(-1))
        return { along, distance: part.from + rest * part.cos };
      rest -= part.along;
    }
    return { along, distance: top };
  };
  const last = whole - set.last;
  if (last < set.first) return [];
  // A row that would lie in the last one is left out.
  const most = last - set.stock.thickness - SAME_POINT_MM;
  const count = most < set.first ? 0 : Math.floor((most - set.first) / set.spacing) + 1;
  const regular = Array.from({ length: count }, (_, i) => set.first + i * set.spacing);
  return [...regular, last].map(rowAt);
};

/** Plan distance from the plate's outside face at which a purlin under the rafters is wanted. mm */
export const purlinDistance = (
  roof: Parameters<typeof runOfSide>[0],
  { block, side, at }: Job['purlins'][number],
): number => (typeof at === 'object' ? at.distance : at * runOfSide(roof, block, side));
