import {
  boxesMeet,
  clipByAll,
  planeAt,
  TOUCHING_MM,
  v3,
  volume,
  type ConvexSolid,
  type Vec3,
} from '../../geom';
import type { Neighbours } from './neighbours';
import type { Body, PlacedPiece } from './placed';

export interface Overlap<B extends Body> {
  readonly one: B;
  readonly other: B;
  readonly mm3: number;
  readonly at: Vec3;
}

/** A face of one that has all of the other before it parts the two: most neighbours are told apart by this. */
const parted = (a: PlacedPiece, b: PlacedPiece): boolean =>
  a.faces.some(({ plane }) =>
    b.faces.every((face) => face.points.every((p) => planeAt(plane, p) > -TOUCHING_MM)),
  );

const shared = (a: PlacedPiece, b: PlacedPiece): ConvexSolid<unknown> => {
  if (!boxesMeet(a, b, -TOUCHING_MM) || parted(a, b) || parted(b, a)) return [];
  return clipByAll<unknown>(
    a.faces,
    b.faces.map(({ plane }) => plane),
    null,
  );
};

/** Every pair that shares wood. */
export const overlapsOf = <B extends Body>(
  neighbours: readonly Neighbours<B>[],
  counts: (one: B, other: B) => boolean,
): Overlap<B>[] => {
  const found: Overlap<B>[] = [];
  for (const { one, piece, other, otherPiece } of neighbours) {
    if (!counts(one, other)) continue;
    const wood = shared(piece, otherPiece);
    const mm3 = volume(wood);
    if (mm3 <= 0) continue;
    const points = wood.flatMap((face) => face.points);
    const at = v3.scale(points.reduce<Vec3>(v3.add, [0, 0, 0]), 1 / points.length);
    // Neighbours come body by body: pieces of the same two stand next to each other.
    const before = found.at(-1);
    if (before === undefined || before.one !== one || before.other !== other)
      found.push({ one, other, mm3, at });
    else found[found.length - 1] = { ...before, mm3: before.mm3 + mm3 };
  }
  return found;
};
