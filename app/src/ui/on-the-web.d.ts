import 'react-native';

/** What react-native-web has beside React Native's own. */
declare module 'react-native' {
  interface ViewProps {
    /** Become data attributes. */
    readonly dataSet?: Readonly<Record<string, string | number>>;
    readonly onKeyDown?: (event: {
      readonly key: string;
      readonly currentTarget: HTMLElement;
      preventDefault: () => void;
    }) => void;
  }
  interface TextProps {
    /** Makes it a link. */
    readonly href?: string;
  }
}
