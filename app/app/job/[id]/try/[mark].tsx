import { useLocalSearchParams } from 'expo-router';
import { inAJob } from '../../../../src/nav/in-a-job';

const Try = inAJob(({ TryScreen }) => TryScreen);

export default function OneTrial() {
  const { mark } = useLocalSearchParams<{ mark: string }>();
  return <Try key={mark} mark={mark} />;
}
