import { useRouter } from 'expo-router';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { usePageTitle } from './page-title';
import { ThemeButton } from '../ui/theme-button';
import { IconButton } from '../ui/button';
import { Title } from '../ui/text';

/** A page that belongs to no job: its name, the way back to the jobs, and what is on it. */
export const Page = ({
  name,
  children,
}: {
  readonly name: string;
  readonly children: ReactNode;
}) => {
  usePageTitle(name);
  const router = useRouter();
  return (
    <ScrollView
      contentContainerClassName="mx-auto w-full max-w-[640px] gap-4 p-4"
      role="main"
      nativeID="main"
      tabIndex={-1}
    >
      <View className="flex-row flex-wrap items-center justify-between gap-x-1">
        <View className="flex-row flex-wrap items-center gap-x-1">
          <IconButton label="All jobs" icon={ArrowLeft} onPress={() => router.navigate('/')} />
          <Title level={1}>{name}</Title>
        </View>
        <ThemeButton />
      </View>
      {children}
    </ScrollView>
  );
};
