import { SAME_POINT_MM } from '../geom';
import type { CutList, CutListEntry } from './model';

const faultOf = ({ count, hands, length, members }: CutListEntry): string | null => {
  const { theory, body, longPoint, shortPoint, tail, blank } = length;
  if (![theory, body, longPoint, shortPoint, tail, blank].every(Number.isFinite))
    return 'a length that is no number';
  const over = (one: number, other: number): boolean => one > other + SAME_POINT_MM;
  if (body <= 0 || shortPoint <= 0) return 'nothing left of its body';
  if (over(shortPoint, body) || over(body, longPoint)) return 'points in the wrong order';
  if (over(longPoint, blank)) return 'a board shorter than its long point';
  if (count !== members.length || count !== hands.left + hands.right + hands.plain)
    return 'a count that is not its boards';
  return null;
};

/** The first line of a list that cannot be sawn as it stands, and why; null where every one can. */
export const impossibleLine = (
  list: CutList,
): { readonly entry: CutListEntry; readonly fault: string } | null => {
  for (const entry of list.members) {
    const fault = faultOf(entry);
    if (fault !== null) return { entry, fault };
  }
  return null;
};
