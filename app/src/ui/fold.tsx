import type { ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import { useTheme } from '../theme/theme';
import { Small, Title } from './text';

/** What is looked up now and then: its heading is always in sight, the rest when it is touched. */
export const Fold = ({
  title,
  level = 3,
  what,
  open,
  onOpen,
  testID,
  children,
}: {
  readonly title: string;
  /** Of its heading, under what stands above it. */
  readonly level?: 2 | 3;
  /** What is in it, in a few words. */
  readonly what: string;
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
  readonly testID?: string;
  readonly children: ReactNode;
}) => {
  const { colour } = useTheme();
  const Chevron = open ? ChevronUp : ChevronDown;
  return (
    <View className="border-t border-grain">
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={() => onOpen(!open)}
        testID={testID}
        className="min-h-[56px] flex-row items-center gap-3 py-1 active:bg-wash"
      >
        <View className="flex-1">
          <Title level={level} className="text-xl">
            {title}
          </Title>
          <Small>{what}</Small>
        </View>
        <Chevron size={24} color={colour('chalk')} />
      </Pressable>
      {open && children}
    </View>
  );
};
