import { useState, useSyncExternalStore } from 'react';
import { View } from 'react-native';
import { ownBuild } from '../browser/own-build';
import { useOutbox } from '../data/outbox-provider';
import { Button } from '../ui/button';
import { Small, Strong } from '../ui/text';
import { takeNewer } from './keep-app';

/** Said where the server serves another build of the app than this page runs; it is loaded at a touch. */
export const NewerBar = () => {
  const outbox = useOutbox();
  const served = useSyncExternalStore(
    outbox.subscribe,
    () => outbox.served,
    () => null,
  );
  const [held, setHeld] = useState(false);
  const own = ownBuild();
  if (served === null || own === null || served === own) return null;
  const load = async (): Promise<void> => {
    // The touch has taken the focus from its field: that entry is kept first.
    await outbox.rest();
    if (outbox.holdsAlone) setHeld(true);
    else await takeNewer();
  };
  return (
    <View
      role="status"
      testID="newer"
      className="flex-row items-center gap-2 border-b border-chalk bg-wash px-3 py-2"
    >
      <View className="min-w-0 flex-1">
        <Strong>A newer Ogee is here.</Strong>
        {held && (
          <Small>
            What was entered is in this window only, and not with the server yet: it stays open
            until that is so.
          </Small>
        )}
      </View>
      <Button label="Load it" testID="load-newer" onPress={() => void load()} />
    </View>
  );
};
