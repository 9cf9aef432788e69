import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { useHandling, useJob } from '../data/open-job';
import { Button } from '../ui/button';
import { Small } from '../ui/text';
import { Misfits } from './misfits';
import { useDay } from './use-day';

/** How far the sawing has come, and which sawn pieces the list has left behind; nothing before the first tick. */
export const SawnBar = () => {
  const job = useJob();
  const { id } = useHandling();
  const router = useRouter();
  const day = useDay('sawn');
  if (day === null || day.ticks.length === 0) return null;
  const done = day.turns.reduce((sum, turn) => sum + turn.done, 0);
  const wanted = day.turns.reduce((sum, turn) => sum + turn.wanted, 0);
  return (
    <View className="gap-2" testID="sawn-bar">
      <Small>
        {done} of {wanted} sawn
      </Small>
      <Misfits misfits={day.answer.misfits} display={job.display} />
      {day.answer.misfits.length > 0 && (
        <Button label="To the saw" onPress={() => router.navigate(`/job/${id}/saw`)} />
      )}
    </View>
  );
};
