import {
  CUT_ALIKE_MM,
  CUT_ALIKE_RAD,
  NO_HAND_MM,
  halfSpaceToLocal,
  planeAt,
  type Vec3,
} from '../geom';
import type { Member } from '../frame';
import { reachesOf, type Reaches } from './lengths';
import { localCuts, type LocalCut } from './local-cut';
import type { Hands } from './model';

/** What two pieces are compared by: every length, every cut's direction in the board's frame. */
export interface Shape {
  readonly lengthsMm: readonly number[];
  readonly cuts: readonly CutShape[];
}

/** Which way a cut or a planed flat faces, and how far it lies from the middle of the top edge, halfway between the ends. mm */
interface CutShape {
  readonly at: string;
  readonly normal: Vec3;
  readonly offMm: number;
}

export interface Piece {
  readonly member: Member;
  readonly cuts: readonly LocalCut[];
  readonly reaches: Reaches;
  readonly shape: Shape;
}

export interface Group {
  readonly pieces: Piece[];
}

const shapeOf = (
  member: Member,
  cuts: readonly LocalCut[],
  { top, bottom, longest, shortest, tail }: Reaches,
): Shape => {
  const middle: Vec3 = [(top + bottom) / 2, 0, member.topMm];
  const flats = member.bevels.flatMap(({ keep, beyond }) => [
    { at: 'flat', ...halfSpaceToLocal(member.frame, keep) },
    ...(beyond === null ? [] : [{ at: 'past', ...halfSpaceToLocal(member.frame, beyond) }]),
  ]);
  const planes = [...cuts.map((cut) => ({ ...cut, at: cut.end.at })), ...flats];
  return {
    lengthsMm: [
      top - bottom,
      longest.length,
      shortest.length,
      tail,
      member.stock.thickness,
      member.stock.depth,
      member.topMm,
    ],
    cuts: planes.map((plane) => ({
      at: plane.at,
      normal: plane.normal,
      offMm: planeAt(plane, middle),
    })),
  };
};

/** A member with what it is grouped by. */
export const pieceOf = (member: Member): Piece => {
  const cuts = localCuts(member);
  const reaches = reachesOf(member, cuts);
  return { member, cuts, reaches, shape: shapeOf(member, cuts, reaches) };
};

/** A level timber's mirror image changes ends; a rafter's changes faces. */
const mirrored = (cuts: Shape['cuts'], level: boolean): Shape['cuts'] =>
  level
    ? cuts
        .map(({ at, normal: [a, s, e], offMm }) => ({
          at: at === 'top' ? 'bottom' : at === 'bottom' ? 'top' : at,
          normal: [-a, s, e] as const,
          offMm,
        }))
        .reverse()
    : cuts.map(({ at, normal: [a, s, e], offMm }) => ({
        at,
        normal: [a, -s, e] as const,
        offMm,
      }));

/** A post's mirror image, turned half round on its foot. */
const turned = (cuts: Shape['cuts']): Shape['cuts'] =>
  cuts.map(({ at, normal: [a, s, e], offMm }) => ({ at, normal: [a, s, -e] as const, offMm }));

const near = (p: readonly number[], q: readonly number[], slack: number): boolean =>
  p.every((value, i) => Math.abs(value - (q[i] ?? NaN)) <= slack);

/** Each cut of one has its like in the other; a double cheek's two may stand in either order. */
const cutAlike = (
  p: Shape['cuts'],
  q: Shape['cuts'],
  slackRad = CUT_ALIKE_RAD,
  slackMm = CUT_ALIKE_MM,
): boolean =>
  p.length === q.length &&
  p.every((cut) =>
    q.some(
      (other) =>
        other.at === cut.at &&
        near(other.normal, cut.normal, slackRad) &&
        Math.abs(other.offMm - cut.offMm) <= slackMm,
    ),
  );

/** Whether a piece is its own mirror image, as near as it can be sawn: a cut's two ends across the thickness are that near square. */
const isOwnMirror = ({ member, shape }: Piece): boolean =>
  cutAlike(
    shape.cuts,
    mirrored(shape.cuts, false),
    // Turned over, a cut that leans by so much is out by twice that.
    (2 * NO_HAND_MM) / member.stock.thickness,
    NO_HAND_MM,
  );

/** Puts pieces that are cut alike, or as mirror images, together; order of first appearance. */
export const group = (pieces: readonly Piece[]): Group[] => {
  const groups: Group[] = [];
  for (const piece of pieces) {
    const { member, shape } = piece;
    const level = member.axis.level;
    const home = groups.find(
      ({ pieces: [first] }) =>
        first !== undefined &&
        first.member.kind === member.kind &&
        near(first.shape.lengthsMm, shape.lengthsMm, CUT_ALIKE_MM) &&
        (cutAlike(first.shape.cuts, shape.cuts) ||
          cutAlike(first.shape.cuts, mirrored(shape.cuts, level))),
    );
    if (home === undefined) groups.push({ pieces: [piece] });
    else home.pieces.push(piece);
  }
  return groups;
};

/** The first of some figures that is not nothing tells the hand; its sign, which. */
const firstTold = (figures: readonly (number | undefined)[]): number =>
  figures.find((figure) => Math.abs(figure ?? 0) > CUT_ALIKE_RAD) ?? 0;

/**
 * Left: seen from the eave looking up the slope, the long point is on the left. A piece that is its own mirror image
 * is plain. Level timber: the end that is mitred more is the long one.
 */
export const handOf = (piece: Piece): keyof Hands => {
  const { member, shape, reaches } = piece;
  const level = member.axis.level;
  if (level ? cutAlike(shape.cuts, mirrored(shape.cuts, level)) : isOwnMirror(piece))
    return 'plain';
  // What stands plumb has no crown: turned half round on its foot it is its own mirror image.
  if (member.axis.upright && cutAlike(shape.cuts, turned(shape.cuts))) return 'plain';
  // Turned end for end it is its own mirror image: no cut of it leans to a face.
  if (level && shape.cuts.every(({ normal }) => Math.abs(normal[1]) < CUT_ALIKE_RAD))
    return 'plain';
  const total = (at: string, of: (cut: CutShape) => number): number =>
    shape.cuts.filter((cut) => cut.at === at).reduce((all, cut) => all + of(cut), 0);
  const sum = (at: string, axis: 0 | 1): number => total(at, ({ normal }) => normal[axis]);
  if (level) {
    const [start, end] = [sum('bottom', 1), sum('top', 1)];
    // Two mitres of one end may lean against each other: then their size tells, and how far in each lies.
    const [most, reach] = [
      ({ normal }: CutShape) => Math.abs(normal[1]),
      ({ normal, offMm }: CutShape) => (normal[1] * offMm) / reaches.longest.length,
    ].map((of) => total('bottom', of) - total('top', of));
    // Two ends alike, and a lip at one of them: its own cuts tell at which.
    const notch = [-sum('seat', 0), -sum('heel', 0)];
    const flats = -sum('flat', 0);
    const told = [Math.abs(start) - Math.abs(end), start - end, flats, most, reach, ...notch];
    return firstTold(told) > 0 ? 'left' : 'right';
  }
  if (Math.abs(reaches.leftOver) > CUT_ALIKE_MM) return reaches.leftOver > 0 ? 'left' : 'right';
  // Both faces as long: an end reaches further on the side its cut faces away from. The upper end tells, if it can.
  const told = ['top', 'bottom', 'tail', 'flat', 'seat', 'heel'].map((at) => sum(at, 1));
  return firstTold(told) < 0 ? 'left' : 'right';
};
