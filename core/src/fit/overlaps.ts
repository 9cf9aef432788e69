import { clipByAll, planeAt, TOUCHING_MM, v3, volume, type ConvexSolid, type Vec3 } from '../geom';
import type { Body, PlacedPiece } from './placed';

export interface Overlap<B extends Body> {
  readonly one: B;
  readonly other: B;
  readonly mm3: number;
  readonly at: Vec3;
}

const boxesMeet = (a: PlacedPiece, b: PlacedPiece): boolean =>
  a.low[1] < b.high[1] - TOUCHING_MM &&
  b.low[1] < a.high[1] - TOUCHING_MM &&
  a.low[2] < b.high[2] - TOUCHING_MM &&
  b.low[2] < a.high[2] - TOUCHING_MM;

/** A face of one that has all of the other before it parts the two: most neighbours are told apart by this. */
const parted = (a: PlacedPiece, b: PlacedPiece): boolean =>
  a.faces.some(({ plane }) =>
    b.faces.every((face) => face.points.every((p) => planeAt(plane, p) > -TOUCHING_MM)),
  );

const shared = (a: PlacedPiece, b: PlacedPiece): ConvexSolid<unknown> => {
  if (!boxesMeet(a, b) || parted(a, b) || parted(b, a)) return [];
  return clipByAll<unknown>(
    a.faces,
    b.faces.map(({ plane }) => plane),
    null,
  );
};

/** Every pair that shares wood. Swept along x, so that only neighbours are held against each other. */
export const overlapsOf = <B extends Body>(
  bodies: readonly B[],
  counts: (one: B, other: B) => boolean,
): Overlap<B>[] => {
  const pieces = bodies
    .flatMap((body, order) => body.pieces.map((piece) => ({ body, order, piece })))
    .sort((p, q) => p.piece.low[0] - q.piece.low[0] || p.order - q.order);
  const found = new Map<number, Overlap<B>>();
  for (const [i, p] of pieces.entries()) {
    for (let j = i + 1; j < pieces.length; j += 1) {
      const q = pieces[j];
      if (q === undefined || q.piece.low[0] >= p.piece.high[0] - TOUCHING_MM) break;
      if (q.body === p.body) continue;
      const [one, other] = p.order < q.order ? [p, q] : [q, p];
      if (!counts(one.body, other.body)) continue;
      const wood = shared(one.piece, other.piece);
      const mm3 = volume(wood);
      if (mm3 <= 0) continue;
      const key = one.order * bodies.length + other.order;
      const points = wood.flatMap((face) => face.points);
      const at = v3.scale(points.reduce<Vec3>(v3.add, [0, 0, 0]), 1 / points.length);
      const before = found.get(key);
      found.set(key, {
        one: one.body,
        other: other.body,
        mm3: mm3 + (before?.mm3 ?? 0),
        at: before?.at ?? at,
      });
    }
  }
  return [...found].sort(([p], [q]) => p - q).map(([, overlap]) => overlap);
};
