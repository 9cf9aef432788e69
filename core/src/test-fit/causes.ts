import { PARALLEL_SINE, v2, type Vec2 } from '../geom';
import type { Member } from '../frame';
import type { Cause } from '../log';
import type { Place, TriedPiece } from './piece';

/** A thing that may be wrong: what it makes of the piece as sawn, and of the place that it is tried in. */
export interface Supposed {
  readonly cause: Cause;
  /** How likely it is before anything is looked at. */
  readonly before: number;
  /** Whether it goes by a measure, mm, or is so or not. */
  readonly measured: boolean;
  readonly piece: (piece: TriedPiece, byMm: number) => TriedPiece;
  readonly place: (place: Place, byMm: number) => Place;
  /** Where else it shows: in all of its like, in this one alone, or the other way about in the one opposite. */
  readonly shows: readonly Others[];
}

/** Whether its like show the same: not looked at, all do, none does, or those opposite do the other way about. */
export type Others = 'all' | 'here' | 'opposite';

const same = <T>(one: T): T => one;
const moved = (p: Vec2, u: number, z: number): Vec2 => [p[0] + u, p[1] + z];

/** The upper cut moved along the piece. */
const longer = (piece: TriedPiece, mm: number): TriedPiece => ({
  ...piece,
  topX: piece.topX + mm,
  bottomX: piece.bottomX + mm,
});

/** The upper cut's lean made another, about its mark on the top edge. */
const leant = (piece: TriedPiece, lean: number): TriedPiece => ({
  ...piece,
  bottomX: piece.topX - lean,
});

const leanOf = ({ topX, bottomX }: TriedPiece): number => topX - bottomX;

/** The notch set out anew from its heel's mark on the top edge: so high, at such a slope. */
const notched = (piece: TriedPiece, hapMm: number, slopeRad: number): TriedPiece => ({
  ...piece,
  corner: v2.add(piece.heel, v2.scale([-Math.sin(slopeRad), -Math.cos(slopeRad)], hapMm)),
  seat: [Math.cos(slopeRad), -Math.sin(slopeRad)],
});

const hapOf = ({ heel, corner }: TriedPiece): number => v2.distance(heel, corner);

/** Every plumb and level line of the piece struck with the square held at another run. */
const struckWith = (piece: TriedPiece, share: number): TriedPiece =>
  notched(
    leant(piece, leanOf(piece) * share),
    hapOf(piece),
    Math.atan(Math.tan(piece.slopeRad) * share),
  );

const SEVENTEEN = 17;
const TWELVE = 12;
/** A cut this near to its complement is its complement, as far as anybody sees. mm over the depth */
const SAME_LEAN_MM = 2;

/**
 * What may be wrong with a piece, as it is known of it.
 *
 * @param against what its upper cut comes against; undefined where that is no timber
 */
export const supposedOf = (
  member: Member,
  piece: TriedPiece,
  against: Member | undefined,
): readonly Supposed[] => {
  const { fold } = member;
  const isCorner = fold !== null;
  // A jack ends on a hip or a valley, wherever the ridge is.
  const isJack = !isCorner && (against?.kind === 'hip' || against?.kind === 'valley');
  // What comes down on the sheathing of another roof has no ridge either.
  const onRoof = member.ends.some(
    ({ at, keep }) => at === 'top' && Math.abs(keep.normal[2]) > PARALLEL_SINE,
  );
  const atRidge = !isJack && !onRoof;
  const halfThick = against === undefined ? 0 : (against.stock.thickness / 2) * piece.perSquare;
  // A hip or valley stands off square to the wall: the ridge is further off along it.
  const perSquareToWall = isCorner ? 1 / Math.sin(fold.eaveAngleRad[0]) : 1;
  const lean = leanOf(piece);
  const complement = lean === 0 ? 0 : piece.depthMm ** 2 / lean;
  const all: readonly (Supposed | false)[] = [
    atRidge && {
      cause: 'span',
      before: 0.2,
      measured: true,
      piece: same,
      place: (place, by) => ({ ...place, mark: moved(place.mark, (by / 2) * perSquareToWall, 0) }),
      shows: ['all'],
    },
    {
      cause: 'wall-bowed',
      before: 0.06,
      measured: true,
      piece: same,
      place: (place, by) => ({ ...place, plate: moved(place.plate, -by, 0) }),
      shows: ['here'],
    },
    atRidge && {
      cause: 'ridge-pushed',
      before: 0.06,
      measured: true,
      piece: same,
      place: (place, by) => ({ ...place, mark: moved(place.mark, by, 0) }),
      shows: ['opposite'],
    },
    !onRoof && {
      cause: 'ridge-height',
      before: 0.1,
      measured: true,
      piece: same,
      place: (place, by) => ({ ...place, mark: moved(place.mark, 0, by) }),
      shows: ['all'],
    },
    {
      cause: 'plate-height',
      before: 0.1,
      measured: true,
      piece: same,
      place: (place, by) => ({ ...place, plate: moved(place.plate, 0, by) }),
      shows: ['here'],
    },
    halfThick > 0 && {
      cause: 'ridge-thickness',
      before: 0.15,
      measured: false,
      piece: (one) => longer(one, halfThick),
      place: same,
      shows: ['all', 'here'],
    },
    {
      cause: 'length',
      before: 0.14,
      measured: true,
      piece: longer,
      place: same,
      shows: ['here', 'all'],
    },
    {
      cause: 'hap',
      before: 0.12,
      measured: true,
      piece: (one, by) => notched(one, hapOf(one) + by, one.slopeRad),
      place: same,
      shows: ['here', 'all'],
    },
    piece.purlin !== null && {
      cause: 'purlin-height',
      before: 0.1,
      measured: true,
      piece: same,
      place: (place, by) => ({
        ...place,
        purlin: place.purlin === null ? null : moved(place.purlin, 0, by),
      }),
      shows: ['all'],
    },
    Math.abs(complement - lean) > SAME_LEAN_MM && {
      cause: 'complement',
      before: 0.05,
      measured: false,
      piece: (one) => leant(one, complement),
      place: same,
      shows: ['here', 'all'],
    },
    !isCorner && {
      cause: 'square-17-for-12',
      before: 0.05,
      measured: false,
      piece: (one) => struckWith(one, TWELVE / SEVENTEEN),
      place: same,
      shows: ['here', 'all'],
    },
    isCorner && {
      cause: 'square-12-for-17',
      before: 0.05,
      measured: false,
      piece: (one) => struckWith(one, SEVENTEEN / TWELVE),
      place: same,
      shows: ['here', 'all'],
    },
  ];
  return all.filter((one): one is Supposed => one !== false);
};
