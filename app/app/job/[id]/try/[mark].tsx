import { useLocalSearchParams } from 'expo-router';
import { onSite } from '../../../../src/nav/in-a-job';

const Try = onSite(({ TryScreen }) => TryScreen);

export default function OneTrial() {
  const { mark } = useLocalSearchParams<{ mark: string }>();
  return <Try key={mark} mark={mark} />;
}
