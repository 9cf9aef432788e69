import {
  clipSolid,
  flip,
  box,
  planeAt,
  v3,
  volume,
  type ConvexSolid,
  type HalfSpace,
  type Vec3,
} from '../geom';
import { span } from '../cuts';
import { solidOf, type Member } from '../frame';
import type { BoardMark3, EdgePoint, SawLine, SawStep } from '../steps';

/** How the sawyer marks a line: by the square's pair, by degrees, or by two readings joined. */
export type Way = 'square' | 'degrees' | 'two-readings';
export const WAYS: readonly Way[] = ['square', 'degrees', 'two-readings'];

/**
 * A board on the trestles: x along from the hooked upper end, y across from the face towards you, z down from the top
 * edge. mm. Everything below is read off the steps, nothing off the member.
 */
interface Board {
  readonly length: number;
  readonly thickness: number;
  readonly depth: number;
}

const onFace = (board: Board, { on, mm }: EdgePoint): readonly [number, number] => {
  if (on === 'top edge') return [mm, 0];
  if (on === 'bottom edge') return [mm, board.depth];
  return [on === 'upper end' ? 0 : board.length, mm];
};

/** The direction of a line down its face, as along and down. */
const directionOf = (board: Board, line: SawLine, way: Way): readonly [number, number] => {
  if (way === 'two-readings') {
    const [a, b] = [onFace(board, line.from), onFace(board, line.to)];
    return [b[0] - a[0], b[1] - a[1]];
  }
  if (line.shortAt === null) return [0, 1];
  const { square } = line;
  const tangent =
    way === 'degrees' || square === null
      ? Math.tan((line.angleDeg * Math.PI) / 180)
      : square.leg === 'rise'
        ? square.rise / square.run
        : square.run / square.rise;
  // The piece is short at the top where the line, going down, runs on towards the end that falls off.
  const towardsWaste = line.shortAt === 'top edge';
  const towardsUpper = towardsWaste === (line.waste === 'upper end');
  return [towardsUpper ? -tangent : tangent, 1];
};

/** The plane that the saw runs in; it keeps what does not fall off. */
const planeOf = (board: Board, line: SawLine, way: Way): HalfSpace => {
  const near = line.face === 'near';
  const [x, z] = onFace(board, line.from);
  const [dx, dz] = directionOf(board, line, way);
  const down: Vec3 = v3.unit([dx, 0, dz]);
  // Square to the line on the face, towards the lower end.
  const square: Vec3 = [down[2], 0, -down[0]];
  const tilt = (line.tiltDeg * Math.PI) / 180;
  const lean = line.leansTo === null ? 0 : line.leansTo === 'lower end' ? 1 : -1;
  const through: Vec3 = [0, near ? 1 : -1, 0];
  const blade = v3.add(v3.scale(through, Math.cos(tilt)), v3.scale(square, lean * Math.sin(tilt)));
  const normal = v3.unit(v3.cross(down, blade));
  const towardsLower = normal[0] > 0 ? normal : v3.scale(normal, -1);
  const outward = line.waste === 'lower end' ? towardsLower : v3.scale(towardsLower, -1);
  const point: Vec3 = [x, near ? 0 : board.thickness, z];
  return { normal: outward, offset: v3.dot(outward, point) };
};

/** A seat's plane keeps what lies above its line. */
const seatOf = (board: Board, line: SawLine, way: Way): HalfSpace => {
  const plane = planeOf(board, line, way);
  return plane.normal[2] > 0 ? plane : flip(plane);
};

const markAt = ({ alongMm, acrossMm, downMm }: BoardMark3): Vec3 => [alongMm, acrossMm, downMm];

type Solid = ConvexSolid<string>;

/** Saws a box by the steps alone. */
export const sawn = (steps: readonly SawStep[], way: Way): readonly Solid[] => {
  const take = steps.find((step) => step.act === 'take');
  if (take?.act !== 'take') throw new Error('no board was taken');
  const board: Board = {
    length: take.lengthMm,
    thickness: take.thicknessMm,
    depth: take.depthMm,
  };
  let pieces: Solid[] = [
    box<string>([0, 0, 0], [board.length, board.thickness, board.depth], ['', '', '', '', '', '']),
  ];
  // What has fallen off is not sawn on: each notch would double it.
  const sawEach = (saw: (piece: Solid) => readonly Solid[]): void => {
    pieces = pieces.flatMap(saw).filter(({ length }) => length > 0);
  };
  const cutAll = (keep: HalfSpace): void => {
    sawEach((piece) => [clipSolid(piece, keep, '')]);
  };
  for (const step of steps) {
    if (step.act === 'cut') cutAll(planeOf(board, step.line, way));
    if (step.act === 'notch') {
      const above = seatOf(board, step.seat.line, way);
      // Round a rafter it runs across the board, and the rip along it from the end.
      const across = step.for === 'rafter';
      const seat = across
        ? planeOf(board, step.seat.line, way)
        : step.opens === 'top'
          ? flip(above)
          : above;
      const heels = step.heels.map(({ line }) =>
        across ? flip(seatOf(board, line, way)) : planeOf(board, line, way),
      );
      sawEach((piece) => {
        const whole = clipSolid(piece, seat, '');
        if (heels.length === 0) return [whole];
        const beyond = clipSolid(piece, flip(seat), '');
        return step.for === 'housing' || step.for === 'slot'
          ? [whole, ...heels.map((heel) => clipSolid(beyond, heel, ''))]
          : [whole, heels.reduce((left, heel) => clipSolid(left, heel, ''), beyond)];
      });
    }
    if (step.act === 'plane') {
      const [p, q, r] = step.through.map(markAt) as [Vec3, Vec3, Vec3];
      const normal = v3.unit(v3.cross(v3.sub(q, p), v3.sub(r, p)));
      // A corner is planed off: the middle of the board stays.
      const flat: HalfSpace = { normal, offset: v3.dot(normal, p) };
      const middle: Vec3 = [board.length / 2, board.thickness / 2, board.depth / 2];
      const keep = planeAt(flat, middle) > 0 ? flip(flat) : flat;
      const { past } = step;
      if (past === null) cutAll(keep);
      else {
        const line = planeOf(board, past.line, way);
        const before = past.line.waste === past.towards ? line : flip(line);
        sawEach((piece) => [
          clipSolid(piece, before, ''),
          clipSolid(clipSolid(piece, flip(before), ''), keep, ''),
        ]);
      }
    }
  }
  return pieces;
};

/** A member as sawn, laid on the trestles: upper end hooked, left face towards you, or for the other hand its mirror. */
export const laid = (member: Member, mirrored: boolean): readonly Solid[] => {
  const solids = solidOf(member);
  const [, highest] = span(member);
  const half = member.stock.thickness / 2;
  return solids.map((piece) =>
    piece.map(({ points }) => {
      const moved = points.map(([a, s, e]): Vec3 => [
        highest - a,
        mirrored ? half + s : half - s,
        member.topMm - e,
      ]);
      return { tag: '', points: mirrored ? moved : [...moved].reverse() };
    }),
  );
};

const facePlanes = (piece: Solid): HalfSpace[] =>
  piece.flatMap(({ points }): HalfSpace[] => {
    let sum: Vec3 = [0, 0, 0];
    for (const [i, p] of points.entries())
      sum = v3.add(sum, v3.cross(p, points[(i + 1) % points.length] ?? p));
    if (v3.length(sum) < 1e-6) return [];
    const normal = v3.unit(sum);
    return [{ normal, offset: v3.dot(normal, points[0] ?? [0, 0, 0]) }];
  });

/** How far the corners of one body lie outside the other, at the worst. mm */
const outside = (one: readonly Solid[], other: readonly Solid[]): number => {
  const bodies = other.map((piece) => {
    const middle = v3.scale(
      piece.flatMap(({ points }) => points).reduce<Vec3>(v3.add, [0, 0, 0]),
      1 / piece.flatMap(({ points }) => points).length,
    );
    return facePlanes(piece).map((plane) => (planeAt(plane, middle) > 0 ? flip(plane) : plane));
  });
  let worst = 0;
  for (const p of one.flatMap((piece) => piece.flatMap(({ points }) => points))) {
    const out = Math.min(
      ...bodies.map((planes) => Math.max(...planes.map((plane) => planeAt(plane, p)))),
    );
    worst = Math.max(worst, out);
  }
  return worst;
};

const nearestEnd = (pieces: readonly Solid[]): number =>
  Math.min(...pieces.flatMap((piece) => piece.flatMap(({ points }) => points.map(([x]) => x))));

/**
 * A level board laid the other way round, its nearer end where that of `like` is: which of its ends is called upper is a
 * name.
 */
export const turnedRound = (
  pieces: readonly Solid[],
  like: readonly Solid[],
  thickness: number,
): Solid[] => {
  const turned = pieces.map((piece) =>
    piece.map(({ tag, points }) => ({
      tag,
      points: points.map(([x, y, z]): Vec3 => [-x, thickness - y, z]),
    })),
  );
  const by = nearestEnd(like) - nearestEnd(turned);
  return turned.map((piece) =>
    piece.map(({ tag, points }) => ({
      tag,
      points: points.map(([x, y, z]): Vec3 => [x + by, y, z]),
    })),
  );
};

/** A post turned half round on its foot: it has no crown, so that which of its faces is called left is a name. */
export const turnedOnFoot = (pieces: readonly Solid[], thickness: number): Solid[] => {
  const zs = pieces.flatMap((piece) => piece.flatMap(({ points }) => points.map(([, , z]) => z)));
  const both = Math.min(...zs) + Math.max(...zs);
  return pieces.map((piece) =>
    piece.map(({ tag, points }) => ({
      tag,
      points: points.map(([x, y, z]): Vec3 => [x, thickness - y, both - z]),
    })),
  );
};

/** Wood on a face as small as this makes a difference of a millimetre there. mm² */
const SMALL_FACE_MM2 = 500;

const wood = (pieces: readonly Solid[]): number =>
  pieces.reduce((sum, piece) => sum + Math.abs(volume(piece)), 0);

/**
 * The greatest distance between a piece sawn by the steps and the member it should be. mm
 *
 * Corners tell what sticks out; a notch that is missing sticks out nowhere, so that the wood is weighed too, as a
 * thickness over a small face.
 */
export const sawnWrong = (made: readonly Solid[], wanted: readonly Solid[]): number =>
  made.length === 0
    ? Infinity
    : Math.max(
        outside(made, wanted),
        outside(wanted, made),
        Math.abs(wood(made) - wood(wanted)) / SMALL_FACE_MM2,
      );
