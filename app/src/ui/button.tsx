import type { ComponentType } from 'react';
import { Pressable, Text, View } from 'react-native';
import { useTheme } from '../theme/theme';
import { useTerms } from './terms';

export type Icon = ComponentType<{ size?: number; color?: string; strokeWidth?: number }>;

interface ButtonProps {
  readonly label: string;
  readonly onPress: () => void;
  readonly look?: 'filled' | 'plain' | 'danger';
  readonly icon?: Icon;
  readonly disabled?: boolean;
  readonly testID?: string;
}

const LOOKS = {
  filled: { box: 'bg-chalk border-chalk', text: 'text-onchalk', icon: 'onchalk' },
  plain: { box: 'bg-sheet border-edge', text: 'text-chalk', icon: 'chalk' },
  danger: { box: 'bg-sheet border-pencil', text: 'text-pencil', icon: 'pencil' },
} as const;

export const Button = ({
  label,
  onPress,
  look = 'plain',
  icon: Icon,
  disabled,
  testID,
}: ButtonProps) => {
  const { colour } = useTheme();
  const say = useTerms();
  const style = LOOKS[look];
  return (
    <Pressable
      role="button"
      onPress={onPress}
      disabled={disabled}
      testID={testID}
      className={`min-h-[48px] shrink flex-row items-center justify-center gap-2 rounded border px-4 active:opacity-70 ${style.box} ${disabled === true ? 'opacity-40' : ''}`}
    >
      {Icon && <Icon size={20} color={colour(style.icon)} />}
      <Text className={`shrink text-center font-strong text-base ${style.text}`}>{say(label)}</Text>
    </Pressable>
  );
};

interface IconButtonProps {
  readonly label: string;
  readonly icon: Icon;
  readonly onPress: () => void;
  readonly disabled?: boolean;
  readonly testID?: string;
}

export const IconButton = ({ label, icon: Icon, onPress, disabled, testID }: IconButtonProps) => {
  const { colour } = useTheme();
  const say = useTerms();
  return (
    <Pressable
      role="button"
      aria-label={say(label)}
      onPress={onPress}
      disabled={disabled}
      testID={testID}
      className={`h-12 w-12 items-center justify-center rounded active:bg-wash ${disabled === true ? 'opacity-40' : ''}`}
    >
      <View>
        <Icon size={24} color={colour('chalk')} />
      </View>
    </Pressable>
  );
};
