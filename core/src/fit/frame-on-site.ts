import { planeAt, v2, v3, type Plane, type Vec2, type Vec3 } from '../geom';
import type { Job } from '../job';
import { gablePlatesOf, platesOf, strutWallsOf, type Roof, type SideLine } from '../roof';
import { placePlate, placeWall, type Body, type Placed, type PlacedPlate } from './placed';

/** All that the proof knows: the job's walls and roof planes, and the finished solids. */
export interface FrameOnSite {
  readonly job: Job;
  readonly roof: Roof;
  readonly members: readonly Placed[];
  readonly plates: readonly PlacedPlate[];
  /** The faces of higher walls that lean-tos stand against. */
  readonly walls: readonly Body[];
}

const WALL_SLAB_MM = 50;
const WALL_HIGH_MM = 100_000;

const wallOf = ({ start, end, inward }: SideLine): Body => {
  const out = v2.scale(inward, -WALL_SLAB_MM);
  const outline: Vec2[] = [v2.add(start, out), v2.add(end, out), end, start];
  return placeWall(outline, -WALL_HIGH_MM, WALL_HIGH_MM);
};

/** Whether anything stands or lies on a gable's plate. */
const wantsGablePlates = ({ timber }: Job): boolean =>
  timber.gableStud !== undefined || timber.backing !== undefined;

export const frameOnSite = (job: Job, roof: Roof, members: readonly Placed[]): FrameOnSite => ({
  job,
  roof,
  members,
  plates: [
    ...platesOf(job, roof).map((plate) => placePlate(plate, 'rafters')),
    ...(wantsGablePlates(job) ? gablePlatesOf(job, roof) : []).map((plate) =>
      placePlate(plate, 'studs'),
    ),
    ...strutWallsOf(job, roof).map((plate) => placePlate(plate, 'struts')),
  ],
  walls: roof.blocks.flatMap(({ sides }) =>
    sides.filter((side) => side.roof === 'wall').map(wallOf),
  ),
});

/** Distance outside the outside face of a side's wall, plan. mm */
export const outFrom = ({ start, inward }: SideLine, [x, y]: Vec3 | Vec2): number =>
  -((x - start[0]) * inward[0] + (y - start[1]) * inward[1]);

/** The middle of a body, near enough to point at. */
export const middleOf = ({ corners }: Body): Vec3 => {
  return v3.scale(corners.reduce<Vec3>(v3.add, [0, 0, 0]), 1 / Math.max(1, corners.length));
};

export const middleOfPoints = (points: readonly Vec3[]): Vec3 =>
  v3.scale(points.reduce<Vec3>(v3.add, [0, 0, 0]), 1 / Math.max(1, points.length));

/** Whether points all lie in a plane, to `slack`. mm */
export const liesIn = (points: readonly Vec3[], plane: Plane, slack: number): boolean =>
  points.every((p) => Math.abs(planeAt(plane, p)) <= slack);
