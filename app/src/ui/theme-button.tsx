import Monitor from 'lucide-react-native/icons/monitor';
import Moon from 'lucide-react-native/icons/moon';
import Sun from 'lucide-react-native/icons/sun';
import { IconButton } from './button';
import { useTheme, type ThemeChoice } from '../theme/theme';

const NEXT: Readonly<Record<ThemeChoice, ThemeChoice>> = {
  system: 'light',
  light: 'dark',
  dark: 'system',
};
const ICONS = { system: Monitor, light: Sun, dark: Moon } as const;

export const ThemeButton = () => {
  const { choice, choose } = useTheme();
  return (
    <IconButton
      label={`Theme: ${choice}; change to ${NEXT[choice]}`}
      icon={ICONS[choice]}
      onPress={() => choose(NEXT[choice])}
    />
  );
};
