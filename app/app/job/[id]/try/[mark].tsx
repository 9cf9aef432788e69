import { useLocalSearchParams } from 'expo-router';
import { laterPage } from '../../../../src/nav/pages';

const Try = laterPage(({ TryScreen }) => TryScreen);

export default function OneTrial() {
  const { mark } = useLocalSearchParams<{ mark: string }>();
  return <Try key={mark} mark={mark} />;
}
