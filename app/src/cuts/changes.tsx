import type { CutListEntry } from '@ogee/core/src/cuts';
import { changesBetween, type MarkChange } from '@ogee/core/src/list';
import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { useDisplay, useStanding } from '../data/open-job';
import { useRoof } from '../data/roof';
import { Button } from '../ui/button';
import { Fold } from '../ui/fold';
import { Figure, Strong } from '../ui/text';
import { changeTold } from './change-told';

interface Changes {
  /** By mark, in the order they go up. */
  readonly changes: ReadonlyMap<string, MarkChange>;
  /** From now on nothing has changed. */
  readonly read: () => void;
}

const Context = createContext<Changes>({ changes: new Map(), read: () => undefined });

/**
 * What has changed in the list since it was opened, or last said to be read. Only what counts changes it: a length half
 * typed would have every mark changed, and the list jump under the eye.
 */
export const ChangesProvider = ({ children }: { readonly children: ReactNode }) => {
  const { state } = useStanding();
  const { roof, stale } = useRoof();
  const members = roof?.cuts.members ?? null;
  const [readOnce, setRead] = useState<readonly CutListEntry[] | null>(null);
  const [counted, setCounted] = useState<readonly CutListEntry[] | null>(null);
  // The first list is what the crew knows.
  if (readOnce === null && members !== null) setRead(members);
  if (counted !== members && members !== null && !stale && state !== 'entering')
    setCounted(members);
  const changes = useMemo(
    () =>
      new Map(
        readOnce === null || counted === null
          ? []
          : changesBetween(readOnce, counted).map((change) => [change.mark, change]),
      ),
    [readOnce, counted],
  );
  const value = useMemo(() => ({ changes, read: () => setRead(counted) }), [changes, counted]);
  return <Context.Provider value={value}>{children}</Context.Provider>;
};

export const useChanges = (): Changes => useContext(Context);

/** Marks that mean another cut than before; a board pencilled with one is no longer what it says. */
export const ChangesBar = () => {
  const display = useDisplay();
  const { changes, read } = useChanges();
  const [open, setOpen] = useState(false);
  const { size } = changes;
  if (size === 0) return null;
  return (
    <View className="border-b border-grain bg-wash px-3 pb-2" testID="changes">
      <Fold
        title={`${size} ${size === 1 ? 'mark' : 'marks'} changed`}
        what="since you last read the list; what is sawn already may not fit"
        open={open}
        onOpen={setOpen}
        testID="changes-open"
      >
        <View role="list" aria-label="Marks that changed" className="pb-2">
          {[...changes.values()].map((change) => (
            <View
              key={change.mark}
              role="listitem"
              className="flex-row items-baseline gap-3 border-t border-grain py-1"
            >
              <Strong className="w-12">{change.mark}</Strong>
              <Figure className="flex-1 text-base">{changeTold(change, display)}</Figure>
            </View>
          ))}
        </View>
      </Fold>
      <Button label="Read" onPress={read} testID="changes-read" />
    </View>
  );
};
