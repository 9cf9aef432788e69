import { View } from 'react-native';
import { useOpenJob } from '../data/open-job';
import type { SaveState } from '../data/job-saver';
import { Small } from '../ui/text';

const WORDS: Readonly<Record<SaveState, string>> = {
  saved: 'Saved',
  waiting: 'Saving …',
  saving: 'Saving …',
  away: 'Kept on this device; the server is away',
  held: 'Kept on this device until the entry is right',
  conflict: 'Not saved: changed elsewhere',
};

/** Where the last edit is. */
export const SaveMark = () => {
  const { state, revision } = useOpenJob();
  const calm = state === 'saved' || state === 'waiting' || state === 'saving';
  return (
    <View aria-live="polite" testID="save-state">
      <Small className={calm ? '' : 'text-pencil'} numberOfLines={1}>
        {WORDS[state]}
        {state === 'saved' ? ` · revision ${revision}` : ''}
      </Small>
    </View>
  );
};
