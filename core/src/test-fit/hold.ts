import { v2, type Vec2 } from '../geom';
import { cutOf, laid, seatEnd, type Place, type TriedPiece } from './piece';

/**
 * How the piece is held while it is looked at: `seated`, its notch tight on the plate, so that what is wrong shows at the
 * top; or `at-top`, its upper cut tight at its mark, so that it shows at the plate.
 */
export type Held = 'seated' | 'at-top';

/** What can be seen, each in mm; gaps more than 0 stand open, less than 0 the wood is in the way. */
export const SIGNS = {
  /** At the top edge, and at the bottom edge, level from the cut to what it comes against. */
  'top-gap': 'seated',
  'bottom-gap': 'seated',
  /** The top edge over its mark at the upper end. */
  'top-step': 'seated',
  /** The top edge over a string between its neighbours, above the plate. */
  'plate-step': 'seated',
  /** The seat over the plate, at its outer corner and at its inner end. */
  'seat-front': 'at-top',
  'seat-back': 'at-top',
  /** Level, from the plate's outside face out to the heel. */
  'heel-gap': 'at-top',
  /** The height above the plate, measured on the piece, over the list's. */
  hap: 'either',
} as const satisfies Record<string, Held | 'either'>;

export type Sign = keyof typeof SIGNS;
export type Seen = Readonly<Partial<Record<Sign, number>>>;

const angleOf = ([x, y]: Vec2): number => Math.atan2(y, x);

/** How far level from a point to a face through `mark`. */
const levelTo = ([u, z]: Vec2, { mark, face }: Place): number =>
  mark[0] + (face[0] * (z - mark[1])) / face[1] - u;

/** How high a line through a point at an angle stands at a place along the run. */
const heightAt = (u: number, through: Vec2, rad: number): number =>
  through[1] + (u - through[0]) * Math.tan(rad);

/** Seated, it turns about the plate's corner until it lies on a purlin that stands too high for it. */
const seatedAngle = (piece: TriedPiece, place: Place): number => {
  const flat = -angleOf(piece.seat);
  if (piece.purlin === null || place.purlin === null) return flat;
  const [own, there] = [v2.sub(piece.purlin, piece.corner), v2.sub(place.purlin, place.plate)];
  const turn = angleOf(there) - (angleOf(own) + flat);
  return turn > 0 ? flat + turn : flat;
};

const seated = (piece: TriedPiece, place: Place): Seen => {
  const rad = seatedAngle(piece, place);
  const at = (point: Vec2): Vec2 => laid(point, piece.corner, place.plate, rad);
  const [upper, lower] = cutOf(piece).map(at) as [Vec2, Vec2];
  return {
    'top-gap': levelTo(upper, place),
    'bottom-gap': levelTo(lower, place),
    'top-step': upper[1] - place.mark[1],
    'plate-step': heightAt(place.string[0], at(piece.heel), rad) - place.string[1],
  };
};

const atTop = (piece: TriedPiece, place: Place): Seen => {
  const [upper, lower] = cutOf(piece);
  const rad = angleOf(place.face) - angleOf(v2.sub(upper, lower));
  const at = (point: Vec2): Vec2 => laid(point, upper, place.mark, rad);
  const [corner, end] = [at(piece.corner), at(seatEnd(piece))];
  return {
    'seat-front': corner[1] - place.plate[1],
    'seat-back': end[1] - place.plate[1],
    'heel-gap': place.plate[0] - corner[0],
  };
};

/** What a piece shows where it is tried, however it is held; `of` is the piece of the list. */
export const signsOf = (piece: TriedPiece, place: Place, held: Held, of: TriedPiece): Seen => {
  const hap = (one: TriedPiece): number => v2.distance(one.heel, one.corner);
  return {
    ...(held === 'seated' ? seated(piece, place) : atTop(piece, place)),
    hap: hap(piece) - hap(of),
  };
};
