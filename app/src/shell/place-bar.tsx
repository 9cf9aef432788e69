import { useRouter } from 'expo-router';
import { Pressable, Text, View } from 'react-native';
import { usePath } from '../nav/path';
import { useTheme } from '../theme/theme';
import { placeOf, PLACES } from './places';

/** The places of a job; at the thumb on a phone, along the head on a wide screen. */
export const PlaceBar = ({ jobId, wide }: { jobId: string; wide: boolean }) => {
  const router = useRouter();
  const path = usePath();
  const { colour } = useTheme();
  return (
    <View
      role="navigation"
      aria-label="Places of the job"
      className={wide ? 'flex-row' : 'flex-row border-t border-grain bg-sheet'}
    >
      {PLACES.map(({ path: place, name, icon: Icon }) => {
        const here = placeOf(path.split('/')[3] ?? '')?.path === place;
        return (
          <Pressable
            key={place}
            role="link"
            aria-current={here ? 'page' : undefined}
            onPress={() => router.navigate(`/job/${jobId}/${place}`)}
            testID={`place-${place}`}
            className={`min-h-[56px] items-center justify-center ${wide ? 'flex-row gap-2 px-4' : 'flex-1'} border-t-4 ${here ? 'border-chalk' : 'border-transparent'}`}
          >
            <Icon size={22} color={colour(here ? 'ink' : 'chalk')} />
            <Text className={`text-sm ${here ? 'font-strong text-ink' : 'font-words text-chalk'}`}>
              {name}
            </Text>
          </Pressable>
        );
      })}
    </View>
  );
};
