import { v2, type Vec2 } from '../geom';
import {
  cornerAngles,
  fromSides,
  spokesOf,
  wallLengths,
  type Block,
  type CornerAngle,
  type Measured,
} from '../job';
import type { Measurement } from '../log';
import { radians } from '../units';
import { asBuiltPath } from './measured';

type Taken = ReadonlyMap<string, Measurement>;

/** Something measured against what was planned. mm */
export interface Off {
  readonly path: string;
  readonly planned: number;
  readonly measured: number | null;
  /** Measured less planned; null where it is not measured. */
  readonly off: number | null;
}

/** One thing of a part, or of a timber, against what was planned. */
export const oneOff = (taken: Taken, path: string, planned: number): Off => {
  const measured = taken.get(path)?.value ?? null;
  return { path, planned, measured, off: measured === null ? null : measured - planned };
};

/** Walls, then diagonals from corner 1, of a part. */
export const sidesOff = (
  block: Block,
  taken: Taken,
): { readonly walls: Off[]; readonly diagonals: Off[] } => ({
  walls: wallLengths(block).map((mm, i) => oneOff(taken, asBuiltPath.wall(block.id, i), mm)),
  diagonals: spokesOf(block.outline).map((mm, i) =>
    oneOff(taken, asBuiltPath.diagonal(block.id, i), mm),
  ),
});

/**
 * The plan as it stands: what is measured as measured, the rest as planned. It comes as the tape gives it, wall 1 along
 * x from the origin.
 */
export const builtOutline = (block: Block, taken: Taken): Measured => {
  const { walls, diagonals } = sidesOff(block, taken);
  const value = ({ measured, planned }: Off): number => measured ?? planned;
  return fromSides({ sides: walls.map(value), diagonals: diagonals.map(value) });
};

/** A corner as it stands against the plan. */
export interface CornerOff extends CornerAngle {
  readonly plannedDeg: number;
  /** How far the shorter wall's end lies off where the planned angle would have it, square to the longer. mm */
  readonly endOffMm: number;
}

export const cornersOff = (block: Block, outline: readonly Vec2[]): CornerOff[] => {
  const planned = cornerAngles(block.outline);
  const lengths = outline.map((p, i) => v2.distance(p, outline[(i + 1) % outline.length] ?? p));
  return cornerAngles(outline).map((corner, i) => {
    const plannedDeg = planned[i]?.deg ?? 90;
    const shorter = Math.min(
      lengths[i] ?? 0,
      lengths[(i + lengths.length - 1) % lengths.length] ?? 0,
    );
    const off = radians(corner.deg - plannedDeg);
    return { ...corner, plannedDeg, endOffMm: Math.sin(off) * shorter };
  });
};

const centre = (points: readonly Vec2[]): Vec2 =>
  v2.scale(
    points.reduce<Vec2>((sum, p) => v2.add(sum, p), [0, 0]),
    1 / Math.max(1, points.length),
  );

/** Points turned and moved, in their own shape, to lie as near as they can to others: least squares. */
export const laidOver = (points: readonly Vec2[], onto: readonly Vec2[]): Vec2[] => {
  const [from, to] = [centre(points), centre(onto)];
  const [sine, cosine] = points.reduce<readonly [number, number]>(
    ([s, c], p, i) => {
      const [own, there] = [v2.sub(p, from), v2.sub(onto[i] ?? to, to)];
      return [s + v2.cross(own, there), c + v2.dot(own, there)];
    },
    [0, 0],
  );
  const rad = Math.atan2(sine, cosine);
  return points.map((p) => {
    const [x, y] = v2.sub(p, from);
    return v2.add(to, [
      x * Math.cos(rad) - y * Math.sin(rad),
      x * Math.sin(rad) + y * Math.cos(rad),
    ]);
  });
};

/** How a wall is packed so that the roof can be held as planned: at its start and at its end. mm */
export interface Packing {
  readonly wall: number;
  /** Out from the wall as it stands; less than 0 where it stands out past the planned line. */
  readonly atStart: number;
  readonly atEnd: number;
}

/**
 * The planned plan laid over the one that stands, turned and moved as near to it as it goes, and what each wall is packed
 * out by to come to it.
 */
export const packingOf = (
  block: Block,
  outline: readonly Vec2[],
): { readonly held: readonly Vec2[]; readonly packing: readonly Packing[] } => {
  const held = laidOver(block.outline, outline);
  const packing = held.map((start, wall): Packing => {
    const end = held[(wall + 1) % held.length] ?? start;
    const out = v2.scale(v2.left(v2.unit(v2.sub(end, start))), -1);
    const [a, b] = [outline[wall] ?? start, outline[(wall + 1) % outline.length] ?? end];
    const inward = (at: Vec2): number => {
      // Square to the planned line, from it in to the wall as it stands.
      const way = v2.sub(b, a);
      const share = v2.cross(v2.sub(a, at), way) / v2.cross(out, way);
      return -share;
    };
    return { wall, atStart: inward(start), atEnd: inward(end) };
  });
  return { held, packing };
};

/** Level from the highest corner of the plates: what each is packed up by. mm */
export const levelPacking = (heights: readonly number[]): number[] => {
  const highest = Math.max(...heights);
  return heights.map((mm) => highest - mm);
};
