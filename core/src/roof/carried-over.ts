import { SLACK_MM, v2, type Vec2 } from '../geom';
import { heightAt, planeOver } from './bands';
import { enclosed, type LoneBlock } from './block-roof';
import { joinedUp, type SideLine } from './side-lines';
import { outside } from './surface';

/** Along an open end the two roofs are compared in so many places. */
const LOOKS = 64;
/** A roof that stands above another by less is hidden in it. mm */
const SHOWS_MM = SLACK_MM.shut;
/** A point this little outside a wall is in it. mm */
const IN_WALL_MM = SLACK_MM.nothing;

const heightOver = ({ bands }: LoneBlock, p: Vec2): number => {
  const plane = planeOver(bands, p);
  return plane === null ? Infinity : heightAt(plane, p);
};

/** Whether a block's roof stands above another's anywhere along one of its sides. */
const standsOut = (own: LoneBlock, { start, end }: SideLine, host: LoneBlock): boolean =>
  Array.from({ length: LOOKS + 1 }, (_, i) =>
    v2.add(start, v2.scale(v2.sub(end, start), i / LOOKS)),
  ).some((p) => heightOver(own, p) > heightOver(host, p) + SHOWS_MM);

/** The wall of a block that looks most the way an open end does. */
const farWall = (host: LoneBlock, { inward }: SideLine): SideLine | undefined =>
  [...host.sides].sort((p, q) => v2.dot(q.inward, inward) - v2.dot(p.inward, inward))[0];

const liesOn = ({ start, along, lengthMm }: SideLine, p: Vec2): boolean => {
  const u = v2.dot(v2.sub(p, start), along);
  return u > -IN_WALL_MM && u < lengthMm + IN_WALL_MM;
};

/** One block with the open end `index` carried on to the far wall of `host`; null where that is none to end on. */
const carriedTo = (own: LoneBlock, index: number, host: LoneBlock): LoneBlock | null => {
  const open = own.sides[index];
  const far = open === undefined ? undefined : farWall(host, open);
  if (open === undefined || far === undefined) return null;
  if (far.roof === 'open' || far.roof === 'gablet' || v2.dot(far.inward, open.inward) <= 0)
    return null;
  const sides = joinedUp(own.sides.map((side, i) => (i === index ? { ...far, index } : side)));
  const end = sides?.[index];
  if (sides === null || end === undefined || !liesOn(far, end.start) || !liesOn(far, end.end))
    return null;
  const bands = own.bands.map((planes, i) =>
    (i === index ? (host.bands[far.index] ?? []) : planes).map((plane) => ({
      ...plane,
      block: own.id,
      side: i,
      line: sides[i] ?? plane.line,
    })),
  );
  return { ...own, ...enclosed(own.id, sides), bands };
};

/**
 * A wing whose roof stands above the one its open end lies in: higher than that one's ridge, or not carried in far
 * enough. Its roof runs on over the ridge and comes down in the far slope, carried on up, or ends in the far gable:
 *
 *        wing's ridge ╱╲
 *                  ╱    ╲
 *      house   ╱╲ ╱  far  ╲   the wing's end is the house's far slope
 */
export const carriedOver = (blocks: readonly LoneBlock[]): LoneBlock[] =>
  blocks.map((own) => {
    const index = own.sides.findIndex(({ roof }) => roof === 'open');
    const open = own.sides[index];
    if (open === undefined) return own;
    const middle = v2.scale(v2.add(open.start, open.end), 0.5);
    const host = blocks.find(
      (other) => other !== own && outside(other.walls, middle) <= IN_WALL_MM,
    );
    if (host === undefined || !standsOut(own, open, host)) return own;
    return carriedTo(own, index, host) ?? own;
  });
