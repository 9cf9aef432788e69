import { View } from 'react-native';
import Redo from 'lucide-react-native/icons/redo-2';
import Undo from 'lucide-react-native/icons/undo-2';
import { useHandling, useStanding } from '../data/open-job';
import { IconButton } from '../ui/button';
import { Small } from '../ui/text';

/** What the last entry was, and both ways along the entries of this visit. Nothing where there are none. */
export const UndoBar = ({ wide }: { readonly wide: boolean }) => {
  const { doUndo, doRedo } = useHandling();
  const { undo, redo } = useStanding();
  if (undo === null && redo === null) return null;
  return (
    <View
      className={
        wide
          ? 'max-w-[300px] flex-row items-center'
          : 'flex-row items-center border-t border-grain bg-sheet px-1'
      }
      role="group"
      aria-label="Undo and redo"
    >
      <IconButton
        label={undo === null ? 'Nothing to undo' : `Undo: ${undo}`}
        icon={Undo}
        disabled={undo === null}
        onPress={doUndo}
        testID="undo"
      />
      <Small className="min-w-0 flex-1" numberOfLines={1}>
        {undo ?? ''}
      </Small>
      <IconButton
        label={redo === null ? 'Nothing to redo' : `Redo: ${redo}`}
        icon={Redo}
        disabled={redo === null}
        onPress={doRedo}
        testID="redo"
      />
    </View>
  );
};
