import { fireEvent, render, screen } from '@testing-library/react-native';
import { memo } from 'react';
import { Pressable, Text } from 'react-native';
import { useStable } from '../use-stable';

const drawn = jest.fn();

const Key = memo(({ onPress }: { readonly onPress: (key: string) => void }) => {
  drawn();
  return (
    <Pressable testID="key" onPress={() => onPress('/')}>
      <Text>/</Text>
    </Pressable>
  );
});
Key.displayName = 'Key';

const Field = ({ text, onText }: { readonly text: string; onText: (text: string) => void }) => {
  const onPress = useStable((key: string) => onText(text + key));
  return <Key onPress={onPress} />;
};

it('what a handler is given to is drawn once, and the handler does what the latest does', () => {
  const onText = jest.fn();
  render(<Field text="1" onText={onText} />);
  screen.rerender(<Field text="12" onText={onText} />);
  screen.rerender(<Field text="121" onText={onText} />);
  expect(drawn).toHaveBeenCalledTimes(1);
  fireEvent.press(screen.getByTestId('key'));
  expect(onText).toHaveBeenCalledTimes(1);
  expect(onText).toHaveBeenCalledWith('121/');
});
