import { ActivityIndicator, View } from 'react-native';
import { useTheme } from '../theme/theme';
import { Button } from './button';
import { Title, Words } from './text';

export const Loading = ({ what }: { what: string }) => {
  const { colour } = useTheme();
  return (
    <View className="flex-1 items-center justify-center gap-3 p-8" role="status">
      <ActivityIndicator color={colour('chalk')} aria-label={what} />
      <Words>{what}</Words>
    </View>
  );
};

/** Nothing to show, or it could not be had: what happened, and the one thing to do about it. */
export const Standstill = (props: {
  readonly title: string;
  readonly text: string;
  readonly action?: { readonly label: string; readonly onPress: () => void };
}) => (
  <View className="flex-1 items-center justify-center gap-3 p-8" role="alert">
    <Title>{props.title}</Title>
    <Words className="text-center">{props.text}</Words>
    {props.action && (
      <Button look="filled" label={props.action.label} onPress={props.action.onPress} />
    )}
  </View>
);
