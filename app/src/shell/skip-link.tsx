import { Pressable, Text } from 'react-native';

const MAIN = '[role="main"], main';

/** The first stop of the Tab key: past the head, to what the page is for. In sight only while it has the focus. */
export const SkipLink = () => (
  <Pressable
    role="link"
    onPress={() => {
      const main = document.querySelector<HTMLElement>(MAIN);
      main?.setAttribute('tabindex', '-1');
      main?.focus();
    }}
    testID="skip-link"
    className="absolute -top-24 left-2 z-50 min-h-[48px] justify-center rounded border-2 border-chalk bg-sheet px-4 focus:top-2"
  >
    <Text className="font-strong text-base text-chalk">Skip to the page</Text>
  </Pressable>
);
