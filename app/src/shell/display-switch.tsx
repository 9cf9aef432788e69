import type { Job } from '@ogee/core/src/job';
import { Pressable, Text, View } from 'react-native';
import { useDisplay, useHandling } from '../data/open-job';

export const otherUnits = (job: Job): Job => ({
  ...job,
  display: { ...job.display, units: job.display.units === 'imperial' ? 'metric' : 'imperial' },
});

export const otherAngles = (job: Job): Job => ({
  ...job,
  display: { ...job.display, pitch: job.display.pitch === 'in12' ? 'degrees' : 'in12' },
});

const Toggle = (props: { label: string; now: string; onPress: () => void; testID: string }) => (
  <Pressable
    role="button"
    aria-label={`${props.now}: ${props.label}`}
    testID={props.testID}
    onPress={props.onPress}
    className="h-12 min-w-[48px] items-center justify-center rounded border border-edge bg-sheet px-2 active:bg-wash"
  >
    <Text className="font-display text-lg text-chalk">{props.now}</Text>
  </Pressable>
);

/** Units and the way of giving angles, for the whole job, at once. */
export const DisplaySwitch = () => {
  const { units, pitch } = useDisplay();
  const { edit } = useHandling();
  return (
    <View className="flex-row gap-1">
      <Toggle
        label={
          units === 'imperial'
            ? 'Feet and inches; change to millimetres'
            : 'Millimetres; change to feet and inches'
        }
        now={units === 'imperial' ? 'ft in' : 'mm'}
        onPress={() => edit(otherUnits, 'Shown in other units')}
        testID="switch-units"
      />
      <Toggle
        label={
          pitch === 'in12' ? 'Square pairs; change to degrees' : 'Degrees; change to square pairs'
        }
        now={pitch === 'in12' ? '/12' : 'deg'}
        onPress={() => edit(otherAngles, 'Angles shown the other way')}
        testID="switch-angles"
      />
    </View>
  );
};
