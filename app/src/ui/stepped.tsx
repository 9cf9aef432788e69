import { capital } from '@ogee/core/src/terms';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { IconButton } from './button';

/** One of a row of things, stepped through by thumb: what is said of it stands between the two ways. */
export const Stepped = ({
  what,
  at,
  last,
  onAt,
  children,
}: {
  /** What one of them is called, in small letters. */
  readonly what: string;
  readonly at: number;
  readonly last: number;
  readonly onAt: (at: number) => void;
  readonly children: ReactNode;
}) => (
  <View className="flex-row items-center gap-1">
    <IconButton
      label={`${capital(what)} before`}
      icon={ChevronLeft}
      disabled={at === 0}
      onPress={() => onAt(at - 1)}
    />
    <View className="flex-1" aria-live="polite">
      {children}
    </View>
    <IconButton
      label={`Next ${what}`}
      icon={ChevronRight}
      disabled={at === last}
      onPress={() => onAt(at + 1)}
    />
  </View>
);
