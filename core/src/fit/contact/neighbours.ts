import type { Body, PlacedPiece } from './placed';

/** Bodies further apart than this were not meant to touch. mm */
export const NEAR_MM = 30;

/** Pieces of two bodies whose boxes come within NEAR_MM of each other; `one` the body that was listed first. */
export interface Neighbours<B extends Body> {
  readonly one: B;
  readonly piece: PlacedPiece;
  readonly other: B;
  readonly otherPiece: PlacedPiece;
}

const near = ({ low, high }: PlacedPiece, other: PlacedPiece): boolean =>
  low[1] < other.high[1] + NEAR_MM &&
  other.low[1] < high[1] + NEAR_MM &&
  low[2] < other.high[2] + NEAR_MM &&
  other.low[2] < high[2] + NEAR_MM;

/** All that could touch or share wood, body by body in the order they are listed. Swept along x. */
export const neighboursOf = <B extends Body>(bodies: readonly B[]): Neighbours<B>[] => {
  const pieces: { body: B; order: number; piece: PlacedPiece }[] = [];
  for (const [order, body] of bodies.entries())
    for (const piece of body.pieces) pieces.push({ body, order, piece });
  pieces.sort((p, q) => p.piece.low[0] - q.piece.low[0] || p.order - q.order);
  const found: (Neighbours<B> & { readonly order: number })[] = [];
  for (let i = 0; i < pieces.length; i += 1) {
    const p = pieces[i];
    if (p === undefined) continue;
    const reach = p.piece.high[0] + NEAR_MM;
    for (let j = i + 1; j < pieces.length; j += 1) {
      const q = pieces[j];
      if (q === undefined || q.piece.low[0] > reach) break;
      if (q.body === p.body || !near(p.piece, q.piece)) continue;
      const first = p.order < q.order ? p : q;
      const second = first === p ? q : p;
      found.push({
        one: first.body,
        piece: first.piece,
        other: second.body,
        otherPiece: second.piece,
        order: first.order * bodies.length + second.order,
      });
    }
  }
  return found.sort((p, q) => p.order - q.order);
};
