import { useRouter } from 'expo-router';
import { Standstill } from '../src/ui/states';

export default function NotFound() {
  const router = useRouter();
  return (
    <Standstill
      title="There is nothing here"
      text="The address leads to no page of this app."
      action={{ label: 'All jobs', onPress: () => router.navigate('/') }}
    />
  );
}
