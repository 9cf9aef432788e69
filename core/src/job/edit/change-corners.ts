import { v2, type Vec2 } from '../../geom';
import { firstEave } from '../sides';
import { depthBehind, wallOf } from './on-wall';
import { withoutStrays } from './parts';
import type { Block, Job } from '../schema';

/**
 * A plan of some corners within the length along its first wall and the depth behind it that the block had: four make a
 * rectangle of that size, any other number the largest regular plan, its first wall in line with the block's.
 */
const outlineOf = (block: Block, corners: number): Vec2[] => {
  const { start, along, inward } = wallOf(block, 0);
  const us = block.outline.map((p) => v2.dot(v2.sub(p, start), along));
  const [left, right] = [Math.min(...us), Math.max(...us)];
  const [long, deep] = [right - left, depthBehind(wallOf(block, 0))];
  const first = -Math.PI / 2 - Math.PI / corners;
  const round = Array.from({ length: corners }, (_, i): Vec2 => {
    const angle = first + (2 * Math.PI * i) / corners;
    return [Math.cos(angle), Math.sin(angle)];
  });
  const span = (axis: 0 | 1): readonly [number, number] => {
    const all = round.map((p) => p[axis]);
    return [Math.min(...all), Math.max(...all)];
  };
  const [[x0, x1], [y0, y1]] = [span(0), span(1)];
  const [wide, high] = [long / (x1 - x0), deep / (y1 - y0)];
  // A regular plan, whose hips all meet in one point, as large as finds room.
  const size = Math.min(wide, high);
  const [kx, ky] = corners === 4 ? [wide, high] : [size, size];
  const aside = left + (long - kx * (x1 - x0)) / 2;
  return round.map(([x, y]) =>
    v2.add(start, v2.add(v2.scale(along, aside + (x - x0) * kx), v2.scale(inward, (y - y0) * ky))),
  );
};

/** The job with the first block of another number of corners, 3 to 12: every side an eave like its first. */
export const withCorners = (job: Job, index: number, corners: number): Job =>
  withoutStrays({
    ...job,
    blocks: job.blocks.map((block, i): Block => {
      if (i !== index || corners === block.outline.length) return block;
      const first = firstEave(block);
      if (first === null) return block;
      const { gablet: _one, raise: _other, ...eave } = first.side;
      return {
        ...block,
        outline: outlineOf(block, corners).map(([x, y]) => [x, y]),
        sides: Array.from({ length: corners }, () => eave),
      };
    }),
  });
