import type { Member } from '../frame';
import type { CutList, CutListEntry } from './model';

/** The mark each member's id is known by. */
export const markOf = ({
  cuts,
}: {
  readonly cuts: Pick<CutList, 'members'>;
}): ((id: string) => string) => {
  const marks = new Map(
    cuts.members.flatMap((entry) => entry.members.map((id) => [id, entry.mark])),
  );
  return (id) => marks.get(id) ?? id;
};

/** The member that a line of the list is drawn and worked out from: the first that is cut to it. */
export const memberOf = (
  { members }: { readonly members: readonly Member[] },
  entry: CutListEntry | undefined,
): Member | undefined => members.find(({ id }) => id === entry?.members[0]);
