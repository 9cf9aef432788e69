import {
  SLACK_MM,
  SAME_HEIGHT_MM,
  chordOf,
  intervals,
  LEVEL_RISE,
  v2,
  v3,
  type Interval,
  type Vec2,
  type Vec3,
} from '../geom';
import { heightAt } from './bands';
import type { BlockRoof, Carrier, Fold, LineKind, RoofBorder, RoofPiece, Slope } from './model';
import type { SideLine } from './side-lines';

/** Two stretches of one line this near are one stretch; one shorter than this is no edge. mm */
const NEAR_MM = SLACK_MM.edge;

type Falls = Pick<Slope, 'plane' | 'along'>;

/** Where two slopes meet: a point and a unit direction in plan. Null when they fall alike. */
const meetingLine = (one: Falls, other: Falls): { at: Vec2; along: Vec2 } | null => {
  const [ax, ay, az] = one.plane.normal;
  const [bx, by, bz] = other.plane.normal;
  // (height of one) − (height of other) = c + gx·x + gy·y
  const gx = bx / bz - ax / az;
  const gy = by / bz - ay / az;
  const c = one.plane.offset / az - other.plane.offset / bz;
  const size = gx * gx + gy * gy;
  if (size < LEVEL_RISE * LEVEL_RISE) return null;
  return { at: [(-c * gx) / size, (-c * gy) / size], along: v2.unit([-gy, gx]) };
};

/** Where the pieces of two slopes border on the line between them, by the side of it they lie on. */
interface Stretches {
  readonly low: number;
  readonly high: number;
  readonly left: Map<number, Interval[]>;
  readonly right: Map<number, Interval[]>;
}

const sidesOf = function* ({ polygon }: RoofPiece): Generator<[Vec2, Vec2, Carrier]> {
  const { points, tags } = polygon;
  for (const [i, a] of points.entries()) {
    const b = points[(i + 1) % points.length];
    const tag = tags[i];
    if (b !== undefined && tag !== undefined) yield [a, b, tag];
  }
};

/** Whether the roof falls away on both sides of the line (ridge, hip) and does not rise on both (valley). */
const folds = (left: Slope, right: Slope, along: Vec2): boolean => {
  const out = v2.left(along);
  const climb = ({ rise, uphill }: Slope): number => rise * v2.dot(uphill, out);
  return climb(left) < climb(right);
};

/** Whether two slopes are bands of one side. */
export const shareSide = ({ sides }: Slope, other: Slope): boolean =>
  sides.some((one) =>
    other.sides.some(({ block, side }) => one.block === block && one.side === side),
  );

/** A level line that no rafters can close: where slopes fall towards each other, or roofs of unlike pitch run on. */
export interface DeadLine {
  readonly kind: 'gutter' | 'unlike';
  readonly line: Fold;
}

const lineKind = (
  left: Slope,
  right: Slope,
  level: boolean,
  folded: boolean,
): LineKind | DeadLine['kind'] => {
  if (level && v2.dot(left.uphill, right.uphill) > 0)
    return shareSide(left, right) ? 'break' : 'unlike';
  if (!folded) return level ? 'gutter' : 'valley';
  return level || carryRidge(left, right) ? 'ridge' : 'hip';
};

/** Slopes whose uphill directions part by more than this carry a ridge between them. */
const RIDGE_COSINE = Math.cos((150 * Math.PI) / 180);

/** Whether two slopes that fold carry a ridge, even one that slopes: they look away from each other. */
export const carryRidge = (left: Slope, right: Slope): boolean =>
  v2.dot(left.uphill, right.uphill) < RIDGE_COSINE;

/**
 * Every line where two slopes border on each other. A stretch counts only where pieces of both slopes lie along it, so
 * that seams between pieces drop out.
 */
export const linesOf = (
  slopes: readonly Slope[],
  pieces: readonly RoofPiece[],
): { lines: Fold[]; dead: DeadLine[] } => {
  const pairs = new Map<string, Stretches>();
  for (const piece of pieces) {
    const own = piece.plane.slope;
    for (const [a, b, tag] of sidesOf(piece)) {
      if (tag.of !== 'slope' || tag.slope === own) continue;
      const low = Math.min(own, tag.slope);
      const high = Math.max(own, tag.slope);
      const [one, other] = [slopes[low], slopes[high]];
      if (one === undefined || other === undefined) continue;
      const line = meetingLine(one, other);
      if (line === null) continue;
      const key = `${low} ${high}`;
      const pair: Stretches = pairs.get(key) ?? {
        low,
        high,
        left: new Map<number, Interval[]>(),
        right: new Map<number, Interval[]>(),
      };
      const ends = [a, b].map((p) => v2.dot(v2.sub(p, line.at), line.along));
      const stretch: Interval = [Math.min(...ends), Math.max(...ends)];
      // A piece lies to the left of its own edges.
      const beside = v2.dot(v2.sub(b, a), line.along) > 0 ? pair.left : pair.right;
      beside.set(own, [...(beside.get(own) ?? []), stretch]);
      pairs.set(key, pair);
    }
  }
  const lines: Fold[] = [];
  const dead: DeadLine[] = [];
  for (const { low, high, left, right } of pairs.values()) {
    const [one, other] = [slopes[low], slopes[high]];
    if (one === undefined || other === undefined) continue;
    const line = meetingLine(one, other);
    if (line === null) continue;
    const between = (onLeft: number, onRight: number): Interval[] => {
      const whole = [left.get(onLeft), right.get(onRight)].map((stretches) =>
        intervals.unite(stretches ?? [], NEAR_MM),
      );
      return intervals.unite(intervals.common(whole[0] ?? [], whole[1] ?? [], NEAR_MM), NEAR_MM);
    };
    const found = [
      ...between(low, high).map((stretch) => ({ stretch, lowOnLeft: true })),
      ...between(high, low).map((stretch) => ({ stretch, lowOnLeft: false })),
    ];
    for (const {
      stretch: [t0, t1],
      lowOnLeft,
    } of found) {
      const at = (t: number): Vec3 => {
        const p = v2.add(line.at, v2.scale(line.along, t));
        return [p[0], p[1], heightAt(one, p)];
      };
      const [a, b] = [at(t0), at(t1)];
      const level = Math.abs(b[2] - a[2]) <= LEVEL_RISE * v3.distance(a, b);
      // A level ridge or break runs along its first slope's eave: a break has its upper slope on the left.
      const forward = level ? v2.dot(line.along, one.along) > 0 : b[2] > a[2];
      const heading = forward ? line.along : v2.scale(line.along, -1);
      const oneOnLeft = lowOnLeft === forward;
      const [leftSlope, rightSlope] = oneOnLeft ? [one, other] : [other, one];
      const kind = lineKind(leftSlope, rightSlope, level, folds(leftSlope, rightSlope, heading));
      const sides = oneOnLeft ? ([low, high] as const) : ([high, low] as const);
      const ends = { from: forward ? a : b, to: forward ? b : a, slopes: sides };
      if (kind === 'gutter' || kind === 'unlike')
        dead.push({ kind, line: { kind: 'valley', ...ends } });
      else lines.push({ kind, ...ends });
    }
  }
  return { lines, dead };
};

interface Border {
  readonly plane: RoofPiece['plane'];
  readonly side: SideLine;
  readonly stretches: Interval[];
}

/**
 * Eaves, rakes and walls; where one stands above another roof it is a step. An edge with roof at the same height on
 * both sides is none.
 */
export const bordersOf = (
  blocks: readonly BlockRoof[],
  pieces: readonly RoofPiece[],
): RoofBorder[] => {
  const found = new Map<string, Border>();
  const sideOf = (block: string, side: number): SideLine | undefined =>
    blocks.find((one) => one.id === block)?.sides[side];
  for (const piece of pieces) {
    const { block, slope } = piece.plane;
    for (const [a, b, tag] of sidesOf(piece)) {
      if (tag.of !== 'outline' || tag.block !== block) continue;
      const side = sideOf(block, tag.side);
      if (side === undefined) continue;
      const key = `${slope} ${block} ${tag.side}`;
      const border = found.get(key) ?? { plane: piece.plane, side, stretches: [] };
      const on = (p: Vec2): number => v2.dot(v2.sub(p, side.start), side.along);
      border.stretches.push([on(a), on(b)]);
      found.set(key, border);
    }
  }
  return [...found.values()].flatMap(({ plane, side, stretches }) => {
    const at = (t: number): Vec3 => {
      const out = v2.scale(side.inward, -side.overhangMm);
      const p = v2.add(side.start, v2.add(v2.scale(side.along, t), out));
      return [p[0], p[1], heightAt(plane, p)];
    };
    // Parted wherever another roof begins or ends beside it.
    const beside = pieces
      .filter((piece) => piece.plane.block !== plane.block)
      .flatMap((piece) => {
        const chord = chordOf(piece.polygon, just(at(0), side), side.along);
        return chord === null ? [] : [{ piece, stretch: [chord.low, chord.high] as Interval }];
      });
    const whole = intervals.unite(stretches, NEAR_MM);
    const make = (kind: RoofBorder['kind'], [t0, t1]: Interval): RoofBorder => ({
      kind,
      block: plane.block,
      side: side.index,
      from: at(t0),
      to: at(t1),
      slope: plane.slope,
    });
    const shared = beside.flatMap(({ piece, stretch }) =>
      intervals.common(whole, [stretch], NEAR_MM).map((part) => {
        const middle = at((part[0] + part[1]) / 2);
        const rise = middle[2] - heightAt(piece.plane, [middle[0], middle[1]]);
        return { part, stands: rise > SAME_HEIGHT_MM };
      }),
    );
    const beyond = side.roof === 'wall' || side.roof === 'high' ? side.roof : 'rake';
    const free = side.index === plane.side ? 'eave' : beyond;
    const parts = shared.map(({ part }) => part);
    const steps = shared.filter(({ stands }) => stands).map(({ part }) => part);
    return [
      ...intervals.without(whole, parts, NEAR_MM).map((stretch) => make(free, stretch)),
      ...intervals.unite(steps, NEAR_MM).map((stretch) => make('step', stretch)),
    ];
  });
};

const just = (p: Vec3, side: SideLine): Vec2 =>
  v2.add([p[0], p[1]], v2.scale(side.inward, -10 * NEAR_MM));
