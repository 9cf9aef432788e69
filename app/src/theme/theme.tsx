import { vars } from 'nativewind';
import {
  createContext,
  useContext,
  useEffect,
  useMemo,
  useState,
  useSyncExternalStore,
  type ReactNode,
} from 'react';
import { useColorScheme, View } from 'react-native';
import { remember, setting } from '../browser/page-storage';
import palette from './palette.json';

export type ColourName = keyof (typeof palette)['light'];
export type ThemeChoice = 'system' | 'light' | 'dark';

interface Theme {
  readonly dark: boolean;
  readonly choice: ThemeChoice;
  readonly choose: (choice: ThemeChoice) => void;
  /** A palette colour for drawings, as CSS. */
  readonly colour: (name: ColourName, alpha?: number) => string;
}

const ThemeContext = createContext<Theme | null>(null);

const KEY = 'ogee.theme';

const stored = (): ThemeChoice => {
  const found = setting(KEY);
  return found === 'light' || found === 'dark' ? found : 'system';
};

/** Whoever asks the machine for more contrast gets full ink for what is soft, and strong lines. */
const STRONG: Readonly<Partial<Record<ColourName, ColourName>>> = {
  soft: 'ink',
  edge: 'ink',
  grain: 'edge',
};

const MORE_CONTRAST = '(prefers-contrast: more)';
const asked = (): MediaQueryList | null =>
  typeof matchMedia === 'function' ? matchMedia(MORE_CONTRAST) : null;

const useMoreContrast = (): boolean =>
  useSyncExternalStore(
    (changed) => {
      const query = asked();
      query?.addEventListener('change', changed);
      return () => query?.removeEventListener('change', changed);
    },
    () => asked()?.matches ?? false,
  );

const paletteFor = (dark: boolean, strong: boolean): Readonly<Record<ColourName, string>> => {
  const plain = dark ? palette.dark : palette.light;
  if (!strong) return plain;
  const names = Object.keys(plain) as ColourName[];
  return Object.fromEntries(names.map((name) => [name, plain[STRONG[name] ?? name]])) as Record<
    ColourName,
    string
  >;
};

/** Light, dark or the machine's own choice; remembered on this device. */
export const ThemeProvider = ({ children }: { children: ReactNode }) => {
  const system = useColorScheme();
  const [choice, setChoice] = useState<ThemeChoice>(stored);
  const dark = choice === 'system' ? system === 'dark' : choice === 'dark';
  const strong = useMoreContrast();
  const set = useMemo(() => paletteFor(dark, strong), [dark, strong]);

  useEffect(() => {
    const root = document.documentElement;
    for (const [name, rgb] of Object.entries(set)) root.style.setProperty(`--${name}`, rgb);
    document.body.style.background = `rgb(${set.paper})`;
    root.style.colorScheme = dark ? 'dark' : 'light';
  }, [dark, set]);

  const theme = useMemo<Theme>(
    () => ({
      dark,
      choice,
      choose: (next) => {
        remember(KEY, next);
        setChoice(next);
      },
      colour: (name, alpha = 1) => `rgba(${set[name].split(' ').join(',')},${alpha})`,
    }),
    [dark, choice, set],
  );
  const variables = Object.fromEntries(
    Object.entries(set).map(([name, rgb]) => [`--${name}`, rgb]),
  );
  return (
    <ThemeContext.Provider value={theme}>
      <View style={vars(variables)} className="h-full w-full flex-1 bg-paper">
        {children}
      </View>
    </ThemeContext.Provider>
  );
};

export const useTheme = (): Theme => {
  const theme = useContext(ThemeContext);
  if (theme === null) throw new Error('useTheme outside ThemeProvider');
  return theme;
};
