import { pathText, type Accepted } from '@ogee/core/src/problem';
import { spoken } from '@ogee/core/src/sentence';
import { withValue } from '@ogee/core/src/withheld';
import { View } from 'react-native';
import { useDisplay, useHandling } from '../data/open-job';
import { Button } from '../ui/button';

/** What would do instead, each a button that puts it in the job: one entry, undone by one step. */
export const AcceptedButtons = ({ accepted }: { readonly accepted: readonly Accepted[] }) => {
  const { edit } = useHandling();
  const display = useDisplay();
  if (accepted.length === 0) return null;
  return (
    <View className="flex-row flex-wrap gap-2" role="group" aria-label="What would do instead">
      {accepted.map(({ path, value, text }) => {
        const told = spoken(text, display);
        return (
          <Button
            key={`${pathText(path)} ${told}`}
            label={`Take ${told}`}
            testID="accepted"
            onPress={() => edit((now) => withValue(now, path, value), `Took ${told} instead`)}
          />
        );
      })}
    </View>
  );
};
