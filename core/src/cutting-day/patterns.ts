import type { CutListEntry } from '../cuts';
import { CUT_ALIKE_MM, CUT_ALIKE_RAD } from '../geom';
import { cutsAlike } from '../list';
import { degrees } from '../units';

/** One piece that others are traced from, marked PATTERN. */
export interface Pattern {
  /** The line whose piece is cut as the pattern: the longest, so that the others come out of its length. */
  readonly mark: string;
  /** Every line that is traced from it, longest first, with how much shorter than the pattern it is. mm */
  readonly lines: readonly { readonly mark: string; readonly shorter: number }[];
  /** The one difference between each and the next, where it is one; null where they differ, or there is one line. mm */
  readonly step: number | null;
  /** Hands that want a pattern each: a mirror image is traced from the other face of a square one only. */
  readonly hands: readonly ('left' | 'right' | 'plain')[];
  /** Pieces that are traced or cut by it, the pattern among them. */
  readonly pieces: number;
}

const ALIKE_DEG = degrees(CUT_ALIKE_RAD);

const near = (one: number, other: number, slack: number): boolean => Math.abs(one - other) <= slack;

/** Whether two lines share every cut, so that one is the other with a length taken out of its middle. */
const sharesCuts = (one: CutListEntry, other: CutListEntry): boolean =>
  one.kind === other.kind &&
  near(one.stock.thickness, other.stock.thickness, CUT_ALIKE_MM) &&
  near(one.stock.depth, other.stock.depth, CUT_ALIKE_MM) &&
  cutsAlike(one.cuts, other.cuts) &&
  near(one.length.tail, other.length.tail, CUT_ALIKE_MM) &&
  near(
    one.length.longPoint - one.length.shortPoint,
    other.length.longPoint - other.length.shortPoint,
    CUT_ALIKE_MM,
  ) &&
  near(one.seat?.width ?? 0, other.seat?.width ?? 0, CUT_ALIKE_MM) &&
  near(one.seat?.plumbDepth ?? 0, other.seat?.plumbDepth ?? 0, CUT_ALIKE_MM) &&
  (['width', 'plumbDepth', 'apart', 'tail'] as const).every((name) =>
    near(one.upper?.[name] ?? 0, other.upper?.[name] ?? 0, CUT_ALIKE_MM),
  ) &&
  (one.backing ?? []).every((deg, i) => near(deg, other.backing?.[i] ?? NaN, ALIKE_DEG)) &&
  (one.backing === null) === (other.backing === null);

/** The one step between lengths in order, or null. */
const stepOf = (lengths: readonly number[]): number | null => {
  const steps = lengths.slice(1).map((length, i) => (lengths[i] ?? 0) - length);
  const [first] = steps;
  return first !== undefined && steps.every((step) => near(step, first, 2 * CUT_ALIKE_MM))
    ? first
    : null;
};

/**
 * Lines that share their cuts, each such lot with the piece that is cut first and tried in place. A single piece wants no
 * pattern.
 */
export const patternsOf = (lines: readonly CutListEntry[]): Pattern[] => {
  const lots: CutListEntry[][] = [];
  for (const line of lines) {
    const lot = lots.find(([first]) => first !== undefined && sharesCuts(first, line));
    if (lot === undefined) lots.push([line]);
    else lot.push(line);
  }
  return lots.flatMap((lot): Pattern[] => {
    const pieces = lot.reduce((sum, { count }) => sum + count, 0);
    // Of lines as long as each other the one with the most pieces is the plainest.
    const sorted = [...lot].sort((p, q) =>
      near(p.length.longPoint, q.length.longPoint, CUT_ALIKE_MM)
        ? q.count - p.count
        : q.length.longPoint - p.length.longPoint,
    );
    const [longest] = sorted;
    if (longest === undefined || pieces < 2) return [];
    const hands = (['left', 'right', 'plain'] as const).filter((hand) =>
      lot.some((line) => line.hands[hand] > 0),
    );
    return [
      {
        mark: longest.mark,
        lines: sorted.map(({ mark, length }) => ({
          mark,
          shorter: longest.length.longPoint - length.longPoint,
        })),
        step: stepOf(sorted.map(({ length }) => length.longPoint)),
        hands,
        pieces,
      },
    ];
  });
};
