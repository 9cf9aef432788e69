import { v2, type Vec2 } from '../geom';
import type { Job } from '../job';
import { gablePlatesOf, platesOf, type LaidOn, type Plate, type Roof } from '../roof';
import type { Run } from './joints';

/** How much of a plate stands outside the roof that its own is laid on. mm */
const standing = ({ wall, platesMm }: LaidOn, from: Vec2, to: Vec2): number => {
  const inBy = (p: Vec2): number => v2.dot(v2.sub(p, wall.start), wall.inward);
  const [a, b] = [inBy(from), inBy(to)];
  const length = v2.distance(from, to);
  const share = a === b ? (a <= platesMm ? 1 : 0) : (platesMm - Math.min(a, b)) / Math.abs(b - a);
  return length * Math.min(1, Math.max(0, share));
};

/** A plate's two ends, along its wall. */
const endsOf = ({ line, outline }: Plate): readonly [Vec2, Vec2] => {
  const along = outline.map((p) => v2.dot(v2.sub(p, line.start), line.along));
  const at = (t: number): Vec2 => v2.add(line.start, v2.scale(line.along, t));
  return [at(Math.min(...along)), at(Math.max(...along))];
};

/** The plates of a part: under its eaves, and under the studs of its gables where it has such. */
const platesUnder = (job: Job, roof: Roof): Plate[] => [
  ...platesOf(job, roof),
  ...(job.timber.gableStud === undefined ? [] : gablePlatesOf(job, roof)),
];

/** The wall plates of a job as lengths to be fixed down; what stands already is, and posts carry a beam instead. */
export const plateRuns = (job: Job, roof: Roof): Run[] => {
  const run = (lengthMm: number): Run[] =>
    lengthMm > 0 ? [{ place: 'plate-on-wall', lengthMm }] : [];
  const onWall = ({ block, side }: Plate): boolean => {
    const given = job.blocks.find(({ id }) => id === block);
    const own = given?.sides[side];
    return given?.existing !== true && !(own?.roof === 'eave' && own.posts !== undefined);
  };
  const { under, laid } = roof;
  const base = under === null ? platesUnder(job, roof) : platesUnder(under.part.job, under.roof);
  return [
    ...base.filter(onWall).flatMap((plate) => run(v2.distance(...endsOf(plate)))),
    ...laid
      .filter(({ as }) => as !== 'saddle')
      .flatMap((on) =>
        (on.as === 'part' ? platesUnder : platesOf)(on.part.job, on.whole)
          .filter(onWall)
          .flatMap((plate) => run(standing(on, ...endsOf(plate)))),
      ),
  ];
};
