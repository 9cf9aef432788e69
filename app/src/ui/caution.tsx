import { capital } from '@ogee/core/src/terms';
import { View } from 'react-native';
import TriangleAlert from 'lucide-react-native/icons/triangle-alert';
import Info from 'lucide-react-native/icons/info';
import { useTheme } from '../theme/theme';
import { Words } from './text';

/** What can hurt or spoil before what is merely worth knowing. */
export const gravestFirst = <T extends { readonly level: 'caution' | 'note' }>(
  notes: readonly T[],
): T[] => [...notes].sort((a, b) => Number(a.level === 'note') - Number(b.level === 'note'));

/** Red pencil for what can hurt or spoil; plain for the rest. */
export const Caution = ({ level, text }: { level: 'caution' | 'note'; text: string }) => {
  const { colour } = useTheme();
  const danger = level === 'caution';
  const Mark = danger ? TriangleAlert : Info;
  const spoken = capital(text);
  return (
    <View
      role="note"
      className={`flex-row gap-3 rounded border p-3 ${danger ? 'border-pencil bg-blush' : 'border-grain bg-sheet'}`}
    >
      <Mark size={22} color={colour(danger ? 'pencil' : 'soft')} />
      <Words className="flex-1">
        {spoken}
        {/[.!?]$/.test(spoken) ? '' : '.'}
      </Words>
    </View>
  );
};
