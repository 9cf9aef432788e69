import { Text } from 'react-native';

/** The first stop of the Tab key: past the head, to what the page is for. In sight only while it has the focus. */
export const SkipLink = () => (
  <Text
    href="#main"
    onPress={(event) => {
      // The address stays the page's own.
      event.preventDefault();
      document.getElementById('main')?.focus();
    }}
    testID="skip-link"
    className="absolute -top-24 left-2 z-50 rounded border-2 border-chalk bg-sheet px-4 py-3 font-strong text-base text-chalk focus:top-2"
  >
    Skip to the page
  </Text>
);
