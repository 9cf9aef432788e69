import { clipSolid, planeAt, TOUCHING_MM, volume, type ConvexSolid } from '../geom';
import type { Placed, PlacedPiece } from './placed';

export interface Overlap {
  readonly one: Placed;
  readonly other: Placed;
  readonly mm3: number;
}

const boxesMeet = (a: PlacedPiece, b: PlacedPiece): boolean =>
  ([0, 1, 2] as const).every(
    (axis) => a.low[axis] < b.high[axis] - TOUCHING_MM && b.low[axis] < a.high[axis] - TOUCHING_MM,
  );

/** A face of one that has all of the other before it parts the two: most neighbours are told apart by this. */
const parted = (a: PlacedPiece, b: PlacedPiece): boolean =>
  a.faces.some(({ plane }) =>
    b.faces.every((face) => face.points.every((p) => planeAt(plane, p) > -TOUCHING_MM)),
  );

const sharedVolume = (a: PlacedPiece, b: PlacedPiece): number => {
  if (!boxesMeet(a, b) || parted(a, b) || parted(b, a)) return 0;
  let rest: ConvexSolid<unknown> = a.solid;
  for (const { plane } of b.faces) rest = clipSolid<unknown>(rest, plane, null);
  return volume(rest);
};

/** Every pair that shares wood. Swept along x, so that only neighbours are held against each other. */
export const overlaps = (all: readonly Placed[]): Overlap[] => {
  const pieces = all
    .flatMap((placed, order) => placed.pieces.map((piece) => ({ placed, order, piece })))
    .sort((p, q) => p.piece.low[0] - q.piece.low[0] || p.order - q.order);
  const shared = new Map<string, Overlap & { readonly order: number }>();
  for (const [i, p] of pieces.entries()) {
    for (let j = i + 1; j < pieces.length; j += 1) {
      const q = pieces[j];
      if (q === undefined || q.piece.low[0] >= p.piece.high[0]) break;
      if (q.placed === p.placed) continue;
      const mm3 = sharedVolume(p.piece, q.piece);
      if (mm3 <= 0) continue;
      const [one, other] = p.order < q.order ? [p, q] : [q, p];
      const key = `${one.order} ${other.order}`;
      const before = shared.get(key)?.mm3 ?? 0;
      const order = one.order * all.length + other.order;
      shared.set(key, { one: one.placed, other: other.placed, mm3: before + mm3, order });
    }
  }
  return [...shared.values()].sort((p, q) => p.order - q.order);
};
