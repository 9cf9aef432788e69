import {
  SLACK_MM,
  SLACK_SINE,
  clipConvex,
  intervals,
  v2,
  type Interval,
  type TaggedPolygon,
  type Vec2,
  PARALLEL_SINE,
} from '../geom';
import { plateThicknessOf, plateWidthOf, type Job } from '../job';
import { heightAt, kickAndRest } from './bands';
import type { BlockRoof, Bound, Roof, RoofPlane, SideRef } from './model';
import type { SideLine } from './side-lines';
import { withinWalls } from './surface';

/** A wall plate as it lies on its wall: level, with plumb faces. */
export interface Plate extends SideRef {
  readonly line: SideLine;
  /** Convex, counter-clockwise in plan. */
  readonly outline: readonly Vec2[];
  readonly topMm: number;
  readonly bottomMm: number;
}

/** A wall this near another block's is in it. mm */
const IN_LINE_MM = SLACK_MM.nothing;
/** Walls nearer to one direction than this run along each other, as a sine. */
const ALONG = SLACK_SINE.wall;
/** A wall whose eave another block's roof overtops by less than this still stands. mm */
const COVERED_MM = SLACK_MM.rounding;
/** Shorter stretches of wall carry nothing. mm */
const LEAST_STRETCH_MM = SLACK_MM.nothing;
/** The stretch of a line `from + u·along` where a linear value is at most 0; null where it nowhere is. */
const whereNotOver = (stretch: Interval | null, atStart: number, rate: number): Interval | null => {
  if (stretch === null) return null;
  const [low, high] = stretch;
  if (Math.abs(rate) < PARALLEL_SINE) return atStart <= 0 ? stretch : null;
  const zero = -atStart / rate;
  const next: Interval = rate > 0 ? [low, Math.min(high, zero)] : [Math.max(low, zero), high];
  return next[1] > next[0] ? next : null;
};

/** Where another block's roof covers a wall: within that block's walls, and its roof above the wall's own eave. */
const coveredBy = (
  other: BlockRoof,
  { start, along, lengthMm }: SideLine,
  eaveZ: number,
): Interval[] => {
  const far = v2.add(start, along);
  const of = ({ a, b, c }: Bound, [x, y]: Vec2): number => a * x + b * y - c;
  let stretch: Interval | null = [0, lengthMm];
  for (const wall of other.walls) {
    const here = of(wall, start);
    const rate = of(wall, far) - here;
    // A wall that runs along another is in it, to within a little; one that comes to it is not before it is there.
    const slack = Math.abs(rate) < ALONG ? IN_LINE_MM : 0;
    stretch = whereNotOver(stretch, here - slack, rate);
  }
  const under = (within: Interval, plane: RoofPlane): Interval[] => {
    const here = heightAt(plane, start);
    const part = whereNotOver(within, eaveZ + COVERED_MM - here, here - heightAt(plane, far));
    return part === null ? [] : [part];
  };
  return other.bands.reduce<Interval[]>(
    (left, own) => {
      const { kick, rest } = kickAndRest(own);
      const first =
        kick.length === 0
          ? left
          : intervals.unite(
              left.flatMap((within) => kick.flatMap((plane) => under(within, plane))),
              LEAST_STRETCH_MM,
            );
      return rest.reduce((parts, plane) => parts.flatMap((part) => under(part, plane)), first);
    },
    stretch === null ? [] : [stretch],
  );
};

/** Where the other sides' roof of a wall's own block lies lower than its eave: beside a wall whose plate is raised. */
const lowerBeside = ({ bands }: BlockRoof, side: SideLine, eaveZ: number): Interval[] => {
  const lower = (plane: RoofPlane): Interval[] => {
    const here = heightAt(plane, side.start);
    const rate = heightAt(plane, v2.add(side.start, side.along)) - here;
    const stretch = whereNotOver([0, side.lengthMm], here - eaveZ + COVERED_MM, rate);
    return stretch === null ? [] : [stretch];
  };
  return bands.flatMap((own, i): Interval[] => {
    if (i === side.index) return [];
    const { kick, rest } = kickAndRest(own);
    const [first, second] = kick;
    const both =
      first === undefined || second === undefined
        ? []
        : intervals.common(lower(first), lower(second), LEAST_STRETCH_MM);
    return [...both, ...rest.flatMap(lower)];
  });
};

/** The stretches of a wall where another block's roof covers it, as distances from its start corner. mm */
export const coveredWall = (
  blocks: readonly BlockRoof[],
  own: BlockRoof,
  side: SideLine,
): Interval[] => {
  const eaveZ = side.plateMm + side.hapMm;
  const covered = blocks.flatMap((other) =>
    other.id === own.id ? [] : coveredBy(other, side, eaveZ),
  );
  return intervals.unite(covered, LEAST_STRETCH_MM);
};

/**
 * The stretches of an eave's wall that carry the roof's edge, as distances from its start corner: where no other
 * block's roof covers it, and no plane of its own block lies lower. mm
 *
 * @param joined how far a wall runs on into another block's roof, to where the walls of the two are joined
 */
export const standingWall = (
  blocks: readonly BlockRoof[],
  own: BlockRoof,
  side: SideLine,
  joined: (other: BlockRoof) => number = () => 0,
): Interval[] => {
  const lower = lowerBeside(own, side, side.plateMm + side.hapMm);
  const inside = blocks.flatMap((other): Interval[] => {
    if (other.id === own.id) return [];
    const past = joined(other);
    return coveredBy(other, side, side.plateMm + side.hapMm).map(([low, high]) => [
      low > LEAST_STRETCH_MM ? low + past : low,
      high < side.lengthMm - LEAST_STRETCH_MM ? high - past : high,
    ]);
  });
  return intervals.without(
    [[0, side.lengthMm]],
    [...inside.filter(([low, high]) => high > low), ...lower],
    LEAST_STRETCH_MM,
  );
};

/** A plate along a side, its top at the side's own height where none is given. */
const plateOf = (
  job: Job,
  block: string,
  line: SideLine,
  outline: readonly Vec2[],
  topMm: number = line.plateMm,
): Plate => ({
  block,
  side: line.index,
  line,
  outline,
  topMm,
  bottomMm: topMm - plateThicknessOf(job),
});

/** A stretch of one wall's plate, clipped to the walls of its block and mitred under its hips. */
const outlineOf = (
  { walls, planes }: BlockRoof,
  { start, along, inward, index }: SideLine,
  [from, to]: Interval,
  width: number,
): readonly Vec2[] | null => {
  const at = (u: number, v: number): Vec2 =>
    v2.add(start, v2.add(v2.scale(along, u), v2.scale(inward, v)));
  let polygon: TaggedPolygon<null> | null = {
    points: [at(from, 0), at(to, 0), at(to, width), at(from, width)],
    tags: [null, null, null, null],
  };
  polygon = withinWalls(walls, polygon, null);
  const own = planes[index];
  for (const other of planes) {
    if (own == null || other === null || other === own || polygon === null) continue;
    polygon = clipConvex(polygon, (p) => heightAt(own, p) - heightAt(other, p), null);
  }
  return polygon?.points ?? null;
};

/** Where an earlier plate lies on the same line at the same level, the two are one. */
const doubled = (earlier: readonly Plate[], side: SideLine): Interval[] =>
  earlier.flatMap(({ line, topMm, outline }): Interval[] => {
    const away = v2.dot(v2.sub(line.start, side.start), side.inward);
    const sameLine =
      v2.dot(line.along, side.along) > 1 - PARALLEL_SINE && Math.abs(away) < IN_LINE_MM;
    if (!sameLine || Math.abs(topMm - side.plateMm) > IN_LINE_MM) return [];
    const us = outline.map((p) => v2.dot(v2.sub(p, side.start), side.along));
    return [[Math.min(...us), Math.max(...us)]];
  });

/** The plates of the gables' own walls, which gable studs stand on: from eave's plate to eave's plate, where no other roof covers the wall. */
export const gablePlatesOf = (job: Job, { blocks }: Pick<Roof, 'blocks'>): Plate[] => {
  const width = plateWidthOf(job);
  return blocks.flatMap((block) =>
    block.sides
      .filter((side) => side.roof === 'gable')
      .flatMap((side) =>
        intervals
          .without(
            [[width, side.lengthMm - width]],
            coveredWall(blocks, block, side),
            LEAST_STRETCH_MM,
          )
          .flatMap((stretch): Plate[] => {
            const outline = outlineOf(block, side, stretch, width);
            return outline === null ? [] : [plateOf(job, block.id, side, outline)];
          }),
      ),
  );
};

/** The tops of the walls that purlins' struts stand on, as wide as a plate, their middle so far in from a side's plate. */
export const strutWallsOf = (job: Job, { blocks }: Pick<Roof, 'blocks'>): Plate[] =>
  job.purlins.flatMap(({ block: id, side: index, struts }): Plate[] => {
    const block = blocks.find((one) => one.id === id);
    const side = block?.sides[index];
    if (struts === undefined || block === undefined || side === undefined) return [];
    const half = plateWidthOf(job) / 2;
    const far = Math.max(
      ...block.sides.map(({ start }) => Math.abs(v2.dot(v2.sub(start, side.start), side.along))),
    );
    const at = (u: number, v: number): Vec2 =>
      v2.add(side.start, v2.add(v2.scale(side.along, u), v2.scale(side.inward, struts.foot + v)));
    const whole = {
      points: [at(-far, -half), at(far, -half), at(far, half), at(-far, half)],
      tags: [null, null, null, null],
    };
    const polygon = withinWalls(block.walls, whole, null);
    const topMm = side.plateMm + (struts.level ?? 0);
    return polygon === null ? [] : [plateOf(job, id, side, polygon.points, topMm)];
  });

/** Every wall plate that carries rafters: along each eave's and high wall, inside its outside face, where that wall stands. */
export const platesOf = (job: Job, { blocks }: Pick<Roof, 'blocks'>): Plate[] => {
  const width = plateWidthOf(job);
  const plates: Plate[] = [];
  for (const block of blocks) {
    for (const side of block.sides) {
      if (side.roof !== 'eave' && side.roof !== 'high') continue;
      const standing = intervals.without(
        // Past an inner corner the plate runs on by its own width.
        standingWall(blocks, block, side, (other) =>
          other.plateMm === block.plateMm
            ? width
            : Math.min(width, job.timber.valley?.thickness ?? 0),
        ),
        doubled(plates, side),
        LEAST_STRETCH_MM,
      );
      for (const stretch of standing) {
        const outline = outlineOf(block, side, stretch, width);
        if (outline === null) continue;
        plates.push(plateOf(job, block.id, side, outline));
      }
    }
  }
  return plates;
};

/** An eave whose plate lies on a beam and posts. mm */
export interface PostedEave {
  readonly block: string;
  /** Its block's number in the job. */
  readonly index: number;
  readonly side: SideLine;
  /** Of the plate's top above the ground, and the furthest the posts stand apart. */
  readonly height: number;
  readonly spacing: number;
}

export const postedEaves = (job: Job, { blocks }: Pick<Roof, 'blocks'>): PostedEave[] =>
  job.blocks.flatMap(({ id, sides }, index) =>
    sides.flatMap((given, k): PostedEave[] => {
      const side = blocks[index]?.sides[k];
      return given.roof !== 'eave' || given.posts === undefined || side === undefined
        ? []
        : [{ block: id, index, side, ...given.posts }];
    }),
  );
