import { PARALLEL_SINE, v2 } from '../../geom';
import { degrees, pitchRad, radians } from '../../units';
import type { Job, Side } from '../schema';
import { hapOf } from '../seat';
import { firstEave } from '../sides';
import { depthBehind, wallOf } from './on-wall';
import { withSide } from './parts';

/** A roof that leans against a wall: the eave it falls to, and its run. */
interface LeanTo {
  readonly eave: number;
  readonly runMm: number;
  readonly slopeRad: number;
}

/** The lean-to against a wall of a part; null where its roof does not run straight up to that wall in one pitch. */
const leanToAt = ({ blocks }: Job, index: number, wall: number): LeanTo | null => {
  const block = blocks[index];
  const first = block === undefined ? null : firstEave(block);
  if (block === undefined || first === null || block.sides[wall]?.roof !== 'wall') return null;
  const [low, high] = [wallOf(block, first.index), wallOf(block, wall)];
  if (v2.dot(low.inward, high.inward) > -1 + PARALLEL_SINE || first.side.breaks !== undefined)
    return null;
  return {
    eave: first.index,
    runMm: depthBehind(low),
    slopeRad: pitchRad(first.side.pitch),
  };
};

const heightAt = (job: Job, runMm: number, slopeRad: number): number =>
  hapOf(job, slopeRad) + runMm * Math.tan(slopeRad);

/** How high the rafters' tops come up a wall, above the plate that they start from; null where none lean on it. mm */
export const heightAtWall = (job: Job, index: number, wall: number): number | null => {
  const found = leanToAt(job, index, wall);
  return found === null ? null : heightAt(job, found.runMm, found.slopeRad);
};

const LOWEST_DEG = 2;
const STEEPEST_DEG = 80;
/** Halvings of the range: down to 1e-12 of a degree. */
const HALVINGS = 48;

/**
 * The lean-to with the pitch at which its rafters' tops come up its wall to a height: a higher wall, a steeper roof,
 * whichever way the seat is settled. Past the pitches that are accepted the nearest is taken.
 */
export const withHeightAtWall = (job: Job, index: number, wall: number, mm: number): Job => {
  const found = leanToAt(job, index, wall);
  if (found === null) return job;
  let [low, high] = [radians(LOWEST_DEG), radians(STEEPEST_DEG)];
  for (let i = 0; i < HALVINGS; i += 1) {
    const middle = (low + high) / 2;
    if (heightAt(job, found.runMm, middle) < mm) low = middle;
    else high = middle;
  }
  const rad = (low + high) / 2;
  const pitch = `${Number(degrees(rad).toFixed(6))}°`;
  return withSide(job, index, found.eave, (side) =>
    side.roof === 'eave' ? { ...side, pitch } : side,
  );
};

type Posts = NonNullable<Extract<Side, { roof: 'eave' }>['posts']>;

/** What posts start from: a low wall's height, six to eight feet apart; square, the beam twice as deep. mm */
const POSTS: Posts = { height: 2400, spacing: 2400 };
const POST_MM = 90;

/** An eave on posts and a beam, or on its wall again. */
export const withPosts = (job: Job, index: number, wall: number, wanted: boolean): Job => {
  const changed = withSide(job, index, wall, (side) => {
    if (side.roof !== 'eave') return side;
    const { posts, ...rest } = side;
    return wanted ? { ...rest, posts: posts ?? POSTS } : rest;
  });
  const { beam, post } = job.timber;
  return !wanted
    ? changed
    : {
        ...changed,
        timber: {
          ...changed.timber,
          beam: beam ?? { thickness: POST_MM, depth: 2 * POST_MM },
          post: post ?? { thickness: POST_MM, depth: POST_MM },
        },
      };
};
