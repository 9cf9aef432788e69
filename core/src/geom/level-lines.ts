import type { Interval } from './intervals';
import type { Vec2 } from './vec';

/** A convex outline in plan, its corners in order: u along the level lines, v across them. */
export type Outline = readonly Vec2[];

/** Where the level line at v crosses a convex outline; null where it passes by. */
export const crossedAt = (outline: Outline, v: number): Interval | null => {
  let low = Infinity;
  let high = -Infinity;
  let a = outline[outline.length - 1];
  for (const b of outline) {
    if (a !== undefined && a[1] > v !== b[1] > v) {
      const u = a[0] + ((b[0] - a[0]) * (v - a[1])) / (b[1] - a[1]);
      if (u < low) low = u;
      if (u > high) high = u;
    }
    a = b;
  }
  return low < high ? [low, high] : null;
};

/** An outline between its lowest and its highest corner. */
export interface Spanning {
  readonly outline: Outline;
  readonly low: number;
  readonly high: number;
}

export const spanning = (outline: Outline): Spanning => {
  let [low, high] = [Infinity, -Infinity];
  for (const [, v] of outline) {
    if (v < low) low = v;
    if (v > high) high = v;
  }
  return { outline, low, high };
};

/** Chords of one level line in order of their low ends; good until the next line is read. */
export interface Chords {
  readonly count: number;
  readonly lows: Float64Array;
  readonly highs: Float64Array;
}

/** The two edges of one outline that a level line crosses, as lines u = at + rate·v, as far up as both run. */
interface Crossing {
  readonly of: Spanning;
  until: number;
  leftAt: number;
  leftRate: number;
  rightAt: number;
  rightRate: number;
}

/** Takes the edges that are crossed just above v. */
const takeEdges = (crossing: Crossing, v: number): void => {
  const { outline, high } = crossing.of;
  crossing.until = high;
  let isLeft = true;
  let a = outline[outline.length - 1];
  for (const b of outline) {
    if (a !== undefined && a[1] > v !== b[1] > v) {
      const rate = (b[0] - a[0]) / (b[1] - a[1]);
      const at = a[0] - rate * a[1];
      if (isLeft) {
        crossing.leftAt = at;
        crossing.leftRate = rate;
      } else {
        crossing.rightAt = at;
        crossing.rightRate = rate;
      }
      isLeft = false;
      crossing.until = Math.min(crossing.until, Math.max(a[1], b[1]));
    }
    a = b;
  }
};

/**
 * Reads where many convex outlines are crossed by one level line after the other, from the lowest up: what is worked
 * out at each is only what has changed since the last.
 *
 * @returns the chords at v, which is never below the last
 */
export const crossings = (outlines: readonly Spanning[]): ((v: number) => Chords) => {
  const waiting = [...outlines].sort((p, q) => q.low - p.low);
  const crossed: Crossing[] = [];
  const lows = new Float64Array(outlines.length);
  const highs = new Float64Array(outlines.length);
  const nothing = { leftAt: 0, leftRate: 0, rightAt: 0, rightRate: 0 };
  return (v) => {
    for (let next = waiting.at(-1); next !== undefined && next.low < v; next = waiting.at(-1)) {
      waiting.pop();
      crossed.push({ of: next, until: v, ...nothing });
    }
    let kept = 0;
    for (let i = 0; i < crossed.length; i += 1) {
      const crossing = crossed[i];
      if (crossing === undefined || crossing.of.high <= v) continue;
      if (crossing.until <= v) takeEdges(crossing, v);
      const left = crossing.leftAt + crossing.leftRate * v;
      const right = crossing.rightAt + crossing.rightRate * v;
      const low = Math.min(left, right);
      // Their order hardly changes from one line to the next: each is put in its place among those before it.
      let place = kept;
      for (; place > 0 && (lows[place - 1] ?? low) > low; place -= 1) {
        crossed[place] = crossed[place - 1] ?? crossing;
        lows[place] = lows[place - 1] ?? low;
        highs[place] = highs[place - 1] ?? low;
      }
      crossed[place] = crossing;
      lows[place] = low;
      highs[place] = Math.max(left, right);
      kept += 1;
    }
    crossed.length = kept;
    return { count: kept, lows, highs };
  };
};

/** Sees each gap longer than `least` that chords leave of a stretch. A chord without length parts nothing. */
export const eachGap = (
  stretch: Interval,
  { count, lows, highs }: Chords,
  least: number,
  see: (low: number, high: number) => void,
): void => {
  const [from, to] = stretch;
  let reached = from;
  for (let i = 0; i < count; i += 1) {
    const low = lows[i] ?? to;
    const high = highs[i] ?? to;
    if (low >= to) break;
    if (high <= reached || low === high) continue;
    if (low - reached > least) see(reached, low);
    reached = high;
  }
  if (to - reached > least) see(reached, to);
};
