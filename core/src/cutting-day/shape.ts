import {
  SLACK_MM,
  SLACK_MM2,
  area2,
  clipConvex,
  SAME_POINT_MM,
  subtractConvex,
  v2,
  type TaggedPolygon,
  type Vec2,
} from '../geom';
import type { BoardDrawing } from '../cuts';
import type { SawnPiece } from '../log';

/** A sawn piece by what is left of its two wide faces: convex loops, x along it, y down from its top edge. mm */
export interface Faces {
  readonly left: readonly (readonly Vec2[])[];
  readonly right: readonly (readonly Vec2[])[];
}

/** A piece that is off by less serves: a saw's own slack. mm */
export const SERVES_MM = SLACK_MM.nothing;
/** Ways of laying one on the other that differ by less are one. mm */
const SAME_SHIFT_MM = SLACK_MM.true;
/** What sticks out by less than this of area is rounding. mm² */
const NOTHING_MM2 = SLACK_MM2.nothing;

export const facesOf = ({ left, right }: BoardDrawing | SawnPiece): Faces => ({ left, right });

/** The other hand: left and right face changed about. */
export const otherHand = ({ left, right }: Faces): Faces => ({ left: right, right: left });

const mapped = ({ left, right }: Faces, to: (p: Vec2) => Vec2): Faces => ({
  left: left.map((loop) => loop.map(to)),
  right: right.map((loop) => loop.map(to)),
});

/** The four ways in which a board of a depth can lie in the same box: as it is, turned end for end, upside down, both. */
const turns = (faces: Faces, depth: number): Faces[] => [
  faces,
  otherHand(mapped(faces, ([x, y]) => [-x, y])),
  mapped(faces, ([x, y]) => [-x, depth - y]),
  otherHand(mapped(faces, ([x, y]) => [x, depth - y])),
];

const xs = (loops: Faces['left']): number[] => loops.flatMap((loop) => loop.map(([x]) => x));

/** A loop counter-clockwise, as polygons are here. */
const asPolygon = (loop: readonly Vec2[]): TaggedPolygon<null> => {
  const points = area2(loop) < 0 ? [...loop].reverse() : [...loop];
  return { points, tags: points.map(() => null) };
};

type Bounds = Parameters<typeof subtractConvex<null>>[1];

/** A loop's own half-planes, moved out by what serves. */
const boundsOf = (loop: readonly Vec2[]): Bounds => {
  const { points } = asPolygon(loop);
  return points.flatMap((p, i) => {
    const next = points[(i + 1) % points.length] ?? p;
    const length = v2.distance(p, next);
    if (length < SAME_POINT_MM) return [];
    const out: Vec2 = [(next[1] - p[1]) / length, (p[0] - next[0]) / length];
    return [{ value: (q: Vec2) => v2.dot(v2.sub(q, p), out) - SERVES_MM, tag: null }];
  });
};

/** Whether all of some loops, moved along by `shift`, lies in what is left of a face. */
const within = (loops: Faces['left'], shift: number, bounds: readonly Bounds[]): boolean =>
  loops.every((loop) => {
    let rest = [asPolygon(loop.map(([x, y]): Vec2 => [x + shift, y]))];
    for (const one of bounds) {
      rest = rest.flatMap((piece) => {
        const touched = one.reduce<TaggedPolygon<null> | null>(
          (left, { value }) => (left === null ? null : clipConvex(left, value, null)),
          piece,
        );
        return touched === null ? [piece] : subtractConvex(piece, one, null);
      });
      if (rest.length === 0) return true;
    }
    return rest.reduce((sum, { points }) => sum + area2(points), 0) < NOTHING_MM2;
  });

const distinct = (values: readonly number[]): number[] =>
  [...values]
    .sort((p, q) => Math.abs(p) - Math.abs(q))
    .filter((value, i, all) => all.findIndex((one) => Math.abs(one - value) < SAME_SHIFT_MM) === i);

const size = (values: readonly number[]): number => Math.max(...values) - Math.min(...values);

/** Whether a piece can be sawn out of another of the same section, whatever way it is turned, without adding wood. */
export const sawnOutOf = (wanted: Faces, from: Faces, depth: number): boolean => {
  const there = xs([...from.left, ...from.right]);
  const [low, high] = [Math.min(...there) - SERVES_MM, Math.max(...there) + SERVES_MM];
  const [left, right] = [from.left.map(boundsOf), from.right.map(boundsOf)];
  return turns(wanted, depth).some((way) => {
    const own = xs([...way.left, ...way.right]);
    const [first, last] = [Math.min(...own), Math.max(...own)];
    if (last - first > high - low) return false;
    // Where it fits at all, it fits with one of its corners level with one of the other's.
    const shifts = distinct(
      there
        .flatMap((x) => own.map((mine) => x - mine))
        .filter((shift) => first + shift >= low && last + shift <= high),
    );
    return shifts.some((shift) => within(way.left, shift, left) && within(way.right, shift, right));
  });
};

/** Whether two pieces are the same piece, whatever way they are turned. */
export const sameShape = (one: Faces, other: Faces, depth: number): boolean => {
  const [low, high] = [
    Math.min(...xs([...one.left, ...one.right])),
    size(xs([...one.left, ...one.right])),
  ];
  if (Math.abs(high - size(xs([...other.left, ...other.right]))) > 2 * SERVES_MM) return false;
  const bounds = { left: one.left.map(boundsOf), right: one.right.map(boundsOf) };
  return turns(other, depth).some((way) => {
    const shift = low - Math.min(...xs([...way.left, ...way.right]));
    const back: Faces = mapped(way, ([x, y]) => [x + shift, y]);
    return (
      within(back.left, 0, bounds.left) &&
      within(back.right, 0, bounds.right) &&
      within(one.left, 0, back.left.map(boundsOf)) &&
      within(one.right, 0, back.right.map(boundsOf))
    );
  });
};
