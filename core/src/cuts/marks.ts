import type { Member } from '../frame';
import type { CutList, CutListEntry } from './model';

/** The marks of a list's lines, by the ids of their members. */
export const marksById = (lines: readonly CutListEntry[]): ReadonlyMap<string, string> =>
  new Map(lines.flatMap(({ mark, members }) => members.map((id) => [id, mark] as const)));

/** The mark each member's id is known by. */
export const markOf = ({
  cuts,
}: {
  readonly cuts: Pick<CutList, 'members'>;
}): ((id: string) => string) => {
  const marks = marksById(cuts.members);
  return (id) => marks.get(id) ?? id;
};

/** The member that a line of the list is drawn and worked out from: the first that is cut to it. */
export const memberOf = (
  { members }: { readonly members: readonly Member[] },
  entry: CutListEntry | undefined,
): Member | undefined => members.find(({ id }) => id === entry?.members[0]);
