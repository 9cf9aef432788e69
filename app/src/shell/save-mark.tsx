import { Text, View } from 'react-native';
import type { SaveState } from '../data/job-in-hand';
import { useStanding } from '../data/open-job';
import { useRoof } from '../data/roof';
import { Small } from '../ui/text';

const WORDS: Readonly<Record<SaveState, string>> = {
  entering: 'Not taken yet',
  saved: 'Saved',
  behind: 'Changed elsewhere · leave the field',
  keeping: 'Keeping …',
  sending: 'On this device · sending …',
  away: 'On this device · the server is away',
  unkept: 'In this window only · sending',
  'unkept-away': 'In this window only',
  stopped: 'Not with the server yet',
};

const CALM: ReadonlySet<SaveState> = new Set(['entering', 'saved', 'behind', 'keeping', 'sending']);

/** Where the last entry is, and whether its roof is worked out and proved. */
export const SaveMark = () => {
  const { state, revision } = useStanding();
  const { roof, solving } = useRoof();
  return (
    <View aria-live="polite" testID="save-state">
      <Small className={CALM.has(state) ? '' : 'text-pencil'} numberOfLines={1}>
        {(solving === 'working' || (roof !== null && !roof.proved)) && (
          <Text testID="being-proved">
            {solving === 'working' ? 'Working it out' : 'Being proved'} ·{' '}
          </Text>
        )}
        {WORDS[state]}
        {state === 'saved' ? ` · revision ${revision}` : ''}
      </Small>
    </View>
  );
};
