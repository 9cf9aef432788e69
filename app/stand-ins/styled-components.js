/** Stands in for the list of components that take class names: of it those shown here. */
import { ActivityIndicator, Pressable, ScrollView, Text, TextInput, View } from 'react-native';
import { cssInterop } from 'react-native-css-interop/dist/runtime/api';

for (const part of [Pressable, Text, View]) cssInterop(part, { className: 'style' });
cssInterop(ActivityIndicator, {
  className: { target: 'style', nativeStyleToProp: { color: true } },
});
cssInterop(ScrollView, {
  className: 'style',
  contentContainerClassName: 'contentContainerStyle',
});
cssInterop(TextInput, {
  className: { target: 'style', nativeStyleToProp: { textAlign: true } },
});
