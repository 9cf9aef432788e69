import { CUT_ALIKE_MM, CUT_ALIKE_RAD } from '../geom';
import { degrees } from '../units';
import type { CutEntry, CutListEntry } from '../cuts';

/** What became of a mark: another cut, another number of them, no longer there, or new. */
export interface MarkChange {
  readonly mark: string;
  /** The line before and now; null where there was none, or is none any more. */
  readonly was: CutListEntry | null;
  readonly is: CutListEntry | null;
  /** Whether what is sawn is another piece, or only how many of them are. */
  readonly cut: boolean;
}

const near = (one: number, other: number, slack: number): boolean => Math.abs(one - other) <= slack;

/** Whether two lines have the same cuts in the same places: each line on the face, and each tilt. */
export const cutsAlike = (one: readonly CutEntry[], other: readonly CutEntry[]): boolean =>
  one.length === other.length &&
  one.every((cut, i) => {
    const like = other[i];
    return (
      like?.at === cut.at &&
      near(like.faceAngle, cut.faceAngle, degrees(CUT_ALIKE_RAD)) &&
      near(like.faceTilt, cut.faceTilt, degrees(CUT_ALIKE_RAD))
    );
  });

/** Whether two lines of the list are sawn alike. */
const sawnAlike = (one: CutListEntry, other: CutListEntry): boolean => {
  const lengths = ['longPoint', 'shortPoint', 'body', 'tail', 'blank'] as const;
  const notches = [one, other].map(({ seat, upper }) => [
    ...[seat, upper].flatMap((own) => [own?.width ?? 0, own?.plumbDepth ?? 0]),
    upper?.apart ?? 0,
    upper?.tail ?? 0,
  ]);
  return (
    one.kind === other.kind &&
    one.stock.thickness === other.stock.thickness &&
    one.stock.depth === other.stock.depth &&
    lengths.every((name) => near(one.length[name], other.length[name], CUT_ALIKE_MM)) &&
    notches[0]?.every((mm, i) => near(mm, notches[1]?.[i] ?? 0, CUT_ALIKE_MM)) === true &&
    cutsAlike(one.cuts, other.cuts)
  );
};

/**
 * The marks of one list that mean something else in another, in the order they go up; those that are gone come last. A
 * mark is what is pencilled on a board: one that stays and names another cut is the one that spoils timber.
 */
export const changesBetween = (
  before: readonly CutListEntry[],
  after: readonly CutListEntry[],
): MarkChange[] => {
  const was = new Map(before.map((entry) => [entry.mark, entry]));
  const marks = new Set(after.map(({ mark }) => mark));
  return [
    ...after.flatMap((is): MarkChange[] => {
      const own = was.get(is.mark) ?? null;
      if (own === null) return [{ mark: is.mark, was: null, is, cut: true }];
      if (!sawnAlike(own, is)) return [{ mark: is.mark, was: own, is, cut: true }];
      return own.count === is.count ? [] : [{ mark: is.mark, was: own, is, cut: false }];
    }),
    ...before.flatMap((own): MarkChange[] =>
      marks.has(own.mark) ? [] : [{ mark: own.mark, was: own, is: null, cut: true }],
    ),
  ];
};
