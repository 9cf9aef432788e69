import { useRouter } from 'expo-router';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import { View } from 'react-native';
import { usePageTitle } from '../nav/page-title';
import { ThemeButton } from '../theme/theme-button';
import { IconButton } from '../ui/button';
import { Title } from '../ui/text';

/** The head of a page that belongs to no job: its name, and the way back to the jobs. */
export const PageHead = ({ name }: { readonly name: string }) => {
  usePageTitle(name);
  const router = useRouter();
  return (
    <View className="flex-row flex-wrap items-center justify-between gap-x-1">
      <View className="flex-row flex-wrap items-center gap-x-1">
        <IconButton label="All jobs" icon={ArrowLeft} onPress={() => router.navigate('/')} />
        <Title level={1}>{name}</Title>
      </View>
      <ThemeButton />
    </View>
  );
};
