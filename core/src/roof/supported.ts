import { SAME_POINT_MM, SQUARE_CORNER_RAD, v2 } from '../geom';
import { firstEave, type Block, type Job } from '../job';
import type { Problem } from '../problem';
import { degrees, pitchRad } from '../units';
import { sideLines } from './side-lines';

const notYet = (path: string, text: string): Problem => ({ code: 'shape-not-yet', path, text });

const checkCorners = (block: Block, path: string): Problem[] => {
  if (block.outline.length !== 4) {
    return [
      notYet(
        `${path}.outline`,
        `${block.outline.length} corners cannot be framed yet; accepted is a rectangle of 4`,
      ),
    ];
  }
  const lines = sideLines(block);
  for (const [i, line] of lines.entries()) {
    const before = lines[(i + 3) % 4];
    if (before === undefined) continue;
    const corner = Math.PI - Math.acos(Math.min(1, Math.max(-1, v2.dot(before.along, line.along))));
    if (Math.abs(corner - Math.PI / 2) > SQUARE_CORNER_RAD) {
      return [
        notYet(
          `${path}.outline.${i}`,
          `the corner is ${degrees(corner).toFixed(3)}°; corners out of square cannot be framed yet, accepted is 90°`,
        ),
      ];
    }
  }
  return [];
};

const checkSides = (block: Block, path: string): Problem[] => {
  const problems: Problem[] = [];
  const first = firstEave(block);
  for (const [i, side] of block.sides.entries()) {
    const at = `${path}.sides.${i}`;
    if (side.roof === 'wall' || side.roof === 'open') {
      problems.push(
        notYet(`${at}.roof`, `"${side.roof}" cannot be framed yet; accepted is "eave" or "gable"`),
      );
    } else if (side.roof === 'eave' && first !== null) {
      const apart = pitchRad(side.pitch) - pitchRad(first.side.pitch);
      if (Math.abs(apart) > SQUARE_CORNER_RAD) {
        problems.push(
          notYet(
            `${at}.pitch`,
            `unequal pitches cannot be framed yet; accepted is the pitch of side ${first.index}`,
          ),
        );
      }
    }
  }
  if (problems.length > 0) return problems;
  const eave = block.sides.map((side) => side.roof === 'eave');
  const pair = (eave[0] && eave[2]) || (eave[1] && eave[3]);
  return pair
    ? []
    : [
        notYet(
          `${path}.sides`,
          'a roof with one slope only cannot be framed yet; accepted is two opposite eaves, each end a gable or a hip',
        ),
      ];
};

/** Between two opposite eaves, what hips leave of the ridge must carry the rafters that stand at its two ends. */
const checkRidge = (job: Job, block: Block, path: string): Problem[] => {
  const lines = sideLines(block);
  const eave = (i: number): boolean => lines[i % 4]?.roof === 'eave';
  const size = (i: number): number => lines[i % 4]?.lengthMm ?? 0;
  const allHips = lines.every((line) => line.roof === 'eave');
  const ridgeSide = allHips ? (size(0) >= size(1) ? 0 : 1) : eave(0) && eave(2) ? 0 : 1;
  const hips = [ridgeSide + 1, ridgeSide + 3].filter(eave).length;
  const ridge = size(ridgeSide) - (hips * size(ridgeSide + 1)) / 2;
  const { thickness } = job.timber.common;
  const needed = thickness * (1 + (2 - hips) / 2);
  if (ridge >= needed || (allHips && ridge < SAME_POINT_MM)) return [];
  const square = allHips ? ', or a square plan whose hips meet in one point' : '';
  return [
    {
      code: 'ridge-too-short',
      path: `${path}.outline`,
      text: `the ridge would be ${ridge.toFixed(1)} mm long, too short for the rafters at its ends; accepted is at least ${needed.toFixed(1)} mm${square}`,
    },
  ];
};

/** The shapes this version can frame. What it cannot is said, with the place in the job file. */
export const unsupported = (job: Job): Problem[] => {
  const [first] = job.blocks;
  if (job.blocks.length !== 1 || first === undefined) {
    return [
      notYet(
        'blocks.1',
        `${job.blocks.length} blocks cannot be framed together yet; accepted is 1`,
      ),
    ];
  }
  const corners = checkCorners(first, 'blocks.0');
  if (corners.length > 0) return corners;
  const sides = checkSides(first, 'blocks.0');
  return sides.length > 0 ? sides : checkRidge(job, first, 'blocks.0');
};
