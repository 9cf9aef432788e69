import { v2, type Vec2 } from '../geom';
import { hapOf, type Job, type PartOfJob } from '../job';
import { refused, type Problem, type Result } from '../problem';
import { inDegrees, inMm, say } from '../sentence';
import { degrees, pitchRad } from '../units';
import { heightAt } from './bands';
import { insideOf, layMadeUp, withoutParts } from './laid-on';
import type { LaidOn, Roof } from './model';
import { onSide } from './side-lines';

/** A saddle's own block, by its number. */
export const saddleId = (index: number): string => `saddle ${index + 1}`;

/** What a saddle is framed of: rafters and a ridge, nothing that an eave or a gable wants. */
const TIMBER = ['common', 'ridge', 'plateWidth', 'plateThickness', 'sheathing'] as const;

/** A saddle's framing narrower than this is none. mm */
const LEAST_WIDE_MM = 200;

/**
 * A saddle as a block that is laid on the slope behind a chimney: its eaves start where its corners stand on the
 * sheathing, its gable against the chimney, its ridge level into the slope.
 *
 *   chimney ▐█▌      its corners' height is the sheathing's at the chimney's back
 *            ╲┃╱
 *             ┃ ridge
 */
export const saddlePart = (job: Job, below: Roof, index: number): PartOfJob | Problem => {
  const saddle = job.saddles[index];
  const host = below.blocks.find(({ id }) => id === saddle?.block);
  const side = host?.sides[saddle?.side ?? -1];
  const plane = host?.planes[saddle?.side ?? -1];
  const given = job.blocks.find(({ id }) => id === saddle?.block)?.sides[saddle?.side ?? -1];
  if (saddle === undefined || side === undefined || plane == null || given?.roof !== 'eave')
    throw new Error(`roof: saddle ${index} passed the check without a side`);
  const cover = saddle.sheathing ?? job.timber.sheathing;
  const [from, to] = [saddle.along[0] + cover, saddle.along[1] - cover];
  if (to - from < LEAST_WIDE_MM)
    return {
      code: 'size',
      path: ['saddles', index, 'along'],
      text: say`the saddle would be framed ${inMm(to - from)} wide between its sheathing; accepted is at least ${inMm(LEAST_WIDE_MM + 2 * cover)} along`,
    };
  const at = (u: number, v: number): Vec2 => onSide(side, u, v);
  const pitch = saddle.pitch ?? given.pitch;
  const rise = Math.tan(pitchRad(pitch));
  const corner =
    heightAt(plane, at(from, saddle.at)) + job.timber.sheathing / plane.plane.normal[2];
  // Where its ridge strikes the slope, and where that ends above it.
  const struck = saddle.at + ((to - from) * rise) / 2 / plane.rise;
  const slope = below.slopes[plane.slope];
  if (slope === undefined) throw new Error('roof: a plane without a slope');
  const inBy = (p: Vec2): number => v2.dot(v2.sub(p, side.start), side.inward);
  const top = Math.max(...slope.pieces.flatMap(({ polygon }) => polygon.points.map(inBy)));
  if (struck >= top || insideOf(slope, at((from + to) / 2, struck)) < 0) {
    const most = Math.atan((2 * (top - saddle.at) * plane.rise) / (to - from));
    return {
      code: 'size',
      path: ['saddles', index, struck >= top ? 'pitch' : 'along'],
      text:
        struck >= top
          ? say`its ‹ridge› rises past the top of the slope that it stands on; accepted is a pitch under ${inDegrees(degrees(most))}, or a narrower saddle`
          : say`its ‹ridge› comes down past a ‹hip› or a ‹valley› of the slope that it stands on; accepted is a narrower one, a shallower pitch, or another place`,
    };
  }
  const reach = struck + Math.min(SPARE_MM, (top - struck) / 2);
  const eave = { roof: 'eave' as const, pitch, overhang: 0 };
  const timber = Object.fromEntries(
    TIMBER.flatMap((name) => (job.timber[name] === undefined ? [] : [[name, job.timber[name]]])),
  ) as Job['timber'];
  const own = saddle.stock;
  const bare = withoutParts(job);
  // It has no seats; the height only places its planes.
  const framing = { ...bare.framing, seat: { depthFraction: 1 / 4 } };
  const hap = hapOf(
    { ...job, framing, timber: { ...job.timber, common: own ?? job.timber.common } },
    pitchRad(pitch),
  );
  return {
    job: {
      ...bare,
      framing,
      timber: own === undefined ? timber : { ...timber, common: own, ridge: own },
      blocks: [
        {
          id: saddleId(index),
          join: 'laid-on',
          plate: corner - hap,
          outline: [at(from, saddle.at), at(to, saddle.at), at(to, reach), at(from, reach)].map(
            ([x, y]): [number, number] => [x, y],
          ),
          sides: [{ roof: 'gable', overhang: 0 }, eave, { roof: 'open' }, eave],
        },
      ],
    },
    restored: (problems) => problems.map((one) => ({ ...one, path: ['saddles', index] })),
  };
};

/** How far its block is carried on into the slope, past its ridge's end. mm */
const SPARE_MM = 100;

/** The saddles of a job, each laid on the roof below. */
export const saddlesOn = (
  job: Job,
  below: Roof,
  workOut: (job: Job) => Result<Roof>,
): Result<LaidOn>[] =>
  job.saddles.map((_, index): Result<LaidOn> => {
    const part = saddlePart(job, below, index);
    return 'path' in part ? refused([part]) : layMadeUp(part, 'saddle', below, workOut);
  });
