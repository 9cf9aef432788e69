import { BoxIndex, clipConvex, planeAt, v2, v3, type Plane, type Vec2, type Vec3 } from '../geom';
import type { Job } from '../job';
import {
  onSide,
  gablePlatesOf,
  heightAt,
  platesOf,
  strutWallsOf,
  type LaidOn,
  type Plate,
  type Roof,
  type SideLine,
} from '../roof';
import {
  placePlate,
  placeSlab,
  placeWall,
  type Body,
  type Placed,
  type PlacedPlate,
} from './contact/placed';

/** All that the proof knows: the job's walls and roof planes, and the finished solids. */
export interface FrameOnSite {
  readonly job: Job;
  readonly roof: Roof;
  readonly members: readonly Placed[];
  readonly plates: readonly PlacedPlate[];
  /** The faces of higher walls that lean-tos stand against, and the sheathing that a roof is laid on. */
  readonly walls: readonly Body[];
  /** What it is laid on; null where it stands on walls of its own. */
  readonly laid: Laid | null;
  /** The members by where they lie. */
  readonly index: BoxIndex<Placed>;
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

/** A roof that is laid on another, and that one. */
export interface Laid {
  readonly on: LaidOn;
  readonly below: Roof;
}

/** How thick a lower roof's sheathing is taken for: its top is all that is touched. mm */
const DECK_MM = 10;

/** The sheathing that a roof is laid on, over the slope it lies on. */
const decksOf = ({ on: { deck, slope }, below }: Laid): Body[] =>
  (below.slopes[slope]?.pieces ?? []).map(({ polygon }) =>
    placeSlab(
      polygon.points.map((p) => [p[0], p[1], heightAt({ plane: deck }, p)]),
      v3.scale(deck.normal, -DECK_MM),
    ),
  );

/** How far in from the wall below the first rafter of a laid-on roof that stands on no plate starts. mm */
export const firstJack = (members: readonly Placed[], { wall }: LaidOn): number =>
  Math.min(
    Infinity,
    ...members
      .filter(({ member }) => member.kind === 'valley-jack')
      .map(({ member: { frame, stock } }) => -outFrom(wall, frame.origin) - stock.thickness / 2),
  );

/** How far in from the wall below a laid-on roof's plates end: where that comes up over them, or its first rafter stands on it. mm */
export const firstOn = (members: readonly Placed[], laid: LaidOn): number =>
  Math.min(laid.platesMm, firstJack(members, laid));

/** Its own plates: where it is laid on another roof, out to where that comes up over them. */
const platesOn = (job: Job, roof: Roof, members: readonly Placed[], laid: Laid | null): Plate[] => {
  if (laid === null) return platesOf(job, roof);
  const { wall } = laid.on;
  const ends = firstOn(members, laid.on);
  return platesOf(job, roof).flatMap((plate): Plate[] => {
    const kept = clipConvex<null>(
      { points: plate.outline, tags: plate.outline.map(() => null) },
      (p) => -outFrom(wall, p) - ends,
      null,
    );
    return kept === null ? [] : [{ ...plate, outline: kept.points }];
  });
};

/** The walls that stand in openings that go down to the plate, on that plate in the walls' own outside faces. */
const wallsInOpenings = (job: Job, { blocks }: Roof): Body[] =>
  job.openings.flatMap(({ block, side: index, along, up }): Body[] => {
    const side = blocks.find(({ id }) => id === block)?.sides[index];
    if (side === undefined || up[0] > 0) return [];
    const [a, b] = along;
    const outline = [
      onSide(side, a, 0),
      onSide(side, b, 0),
      onSide(side, b, WALL_SLAB_MM),
      onSide(side, a, WALL_SLAB_MM),
    ];
    return [placeWall(outline, side.plateMm, WALL_HIGH_MM)];
  });

export const frameOnSite = (
  job: Job,
  roof: Roof,
  members: readonly Placed[],
  laid: Laid | null = null,
): FrameOnSite => ({
  job,
  roof,
  members,
  plates: [
    ...platesOn(job, roof, members, laid).map((plate) => placePlate(plate, 'rafters')),
    ...(wantsGablePlates(job) ? gablePlatesOf(job, roof) : []).map((plate) =>
      placePlate(plate, 'studs'),
    ),
    ...strutWallsOf(job, roof).map((plate) => placePlate(plate, 'struts')),
  ],
  walls: [
    ...roof.blocks.flatMap(({ sides }) => sides.filter((side) => side.roof === 'wall').map(wallOf)),
    ...(laid === null ? [] : decksOf(laid)),
    ...wallsInOpenings(job, roof),
  ],
  laid,
  index: new BoxIndex(members, (placed) => placed),
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
