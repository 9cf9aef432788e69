import { pieceOf } from '../cuts';
import { isTailCut, type Member } from '../frame';
import { halfSpaceToLocal, PARALLEL_SINE, v2, v3, type Vec2 } from '../geom';

/**
 * A rafter with a seat, as seen square to its own run and on its centre line.
 *
 *   Its own coordinates: x up along it, y square to that, up. mm
 *   On site: u level along its run, from the eave in; z up. mm
 */
export interface TriedPiece {
  readonly slopeRad: number;
  readonly depthMm: number;
  /** Its top edge, and where the cut at its upper end crosses that and the bottom edge. */
  readonly topY: number;
  readonly topX: number;
  readonly bottomX: number;
  /** How far a cut moved by one to its own square moves along the piece. */
  readonly perSquare: number;
  /** The notch's corner: the plate's outside top edge stands in it. */
  readonly corner: Vec2;
  /** Along its seat, inwards. */
  readonly seat: Vec2;
  /** Plumb above the corner, on the top edge. */
  readonly heel: Vec2;
  /** Where it lies on a purlin; null where it does not. */
  readonly purlin: Vec2 | null;
}

/** What it is tried against: where the notch's corner and the upper cut are to come, u and z. mm */
export interface Place {
  readonly plate: Vec2;
  readonly mark: Vec2;
  /** Up along the face that its upper cut comes against. */
  readonly face: Vec2;
  readonly purlin: Vec2 | null;
  /** Where its top edge is to stand plumb above the plate's corner. */
  readonly string: Vec2;
}

const turned = ([x, y]: Vec2, rad: number): Vec2 => [
  x * Math.cos(rad) - y * Math.sin(rad),
  x * Math.sin(rad) + y * Math.cos(rad),
];

/** A point of the piece, laid with `from` of it at `to`, its axis at an angle to level. */
export const laid = (point: Vec2, from: Vec2, to: Vec2, rad: number): Vec2 =>
  v2.add(to, turned(v2.sub(point, from), rad));

/** Where a cut's trace crosses a height of the piece. */
const crossing = (
  { normal: [a, , e], offset }: { readonly normal: readonly number[]; readonly offset: number },
  y: number,
): number => (offset - (e ?? 0) * y) / (a ?? NaN);

/** The piece as the list has it; null for what has no seat on a plate, or no cut at its upper end that comes against anything. */
export const triedPiece = (member: Member): TriedPiece | null => {
  const { axis, stock, topMm, frame } = member;
  const notch = member.notches.find((one) => one.for === 'plate');
  const tops = pieceOf(member).cuts.filter(
    ({ end, normal }) => end.at === 'top' && Math.abs(normal[0]) > PARALLEL_SINE,
  );
  if (notch === undefined || axis.level || axis.upright) return null;
  // Over a high wall its upper end is a tail.
  if (member.ends.some((end) => end.at === 'top' && isTailCut(end))) return null;
  const { slopeRad } = axis;
  const bottomY = topMm - stock.depth;
  // Of a double cheek the one that is sawn nearer stands on the centre line.
  const [top] = [...tops].sort((p, q) => crossing(p, topMm) - crossing(q, topMm));
  if (top === undefined) return null;
  const along = v2.unit(v3.inPlan(frame.a));
  const atCorner = (corner: Vec2, z: number): Vec2 =>
    turned(
      [v2.dot(v2.sub(corner, v3.inPlan(frame.origin)), along), z - frame.origin[2]],
      -slopeRad,
    );
  const seatZ = -notch.seat.keep.offset;
  const corner = atCorner(notch.corner, seatZ);
  const [cornerU] = turned(corner, slopeRad);
  const purlinNotch = member.notches.find((one) => one.for === 'purlin');
  const onPurlin = (): Vec2 | null => {
    if (purlinNotch === undefined) return null;
    const seat = halfSpaceToLocal(frame, purlinNotch.seat.keep);
    const [u] = turned(atCorner(purlinNotch.corner, 0), slopeRad);
    // Down the plumb line through its corner to its seat.
    const [sin, cos] = [Math.sin(slopeRad), Math.cos(slopeRad)];
    const [a, , e] = seat.normal;
    const z = (seat.offset - a * u * cos + e * u * sin) / (a * sin + e * cos);
    return turned([u, z], -slopeRad);
  };
  return {
    slopeRad,
    depthMm: stock.depth,
    topY: topMm,
    topX: crossing(top, topMm),
    bottomX: crossing(top, bottomY),
    perSquare: 1 / top.normal[0],
    corner,
    seat: [Math.cos(slopeRad), -Math.sin(slopeRad)],
    heel: [(cornerU + topMm * Math.sin(slopeRad)) / Math.cos(slopeRad), topMm],
    purlin: onPurlin(),
  };
};

/** Both ends of its upper cut on the centre line: at the top edge, and at the bottom. */
export const cutOf = ({ topX, bottomX, topY, depthMm }: TriedPiece): readonly [Vec2, Vec2] => [
  [topX, topY],
  [bottomX, topY - depthMm],
];

/** The inner end of its seat, where that runs out at the bottom edge. */
export const seatEnd = ({ corner, seat, topY, depthMm }: TriedPiece): Vec2 => {
  const fall = topY - depthMm - corner[1];
  return v2.add(corner, v2.scale(seat, Math.max(0, fall / seat[1])));
};

/** The place that a piece as the list has it fits without a gap. */
export const placeOf = (piece: TriedPiece): Place => {
  const at = (point: Vec2): Vec2 => laid(point, [0, 0], [0, 0], piece.slopeRad);
  const [upper, lower] = cutOf(piece);
  return {
    plate: at(piece.corner),
    mark: at(upper),
    face: v2.unit(v2.sub(at(upper), at(lower))),
    purlin: piece.purlin === null ? null : at(piece.purlin),
    string: at(piece.heel),
  };
};
