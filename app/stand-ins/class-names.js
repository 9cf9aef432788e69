/**
 * Stands in for the wrapping of what takes class names: they become a style where the element is made, with no component of
 * their own in between, which would be half of all that is drawn.
 */
import { ActivityIndicator, Pressable, ScrollView, Text, TextInput, View } from 'react-native';

const AS_STYLE = [['className', 'style']];
const AS_STYLES = [...AS_STYLE, ['contentContainerClassName', 'contentContainerStyle']];

/** What takes class names, of what is shown here: by which property, and as which. */
let taking = null;
const takes = (type) => {
  taking ??= new Map([
    ...[ActivityIndicator, Pressable, Text, TextInput, View].map((part) => [part, AS_STYLE]),
    [ScrollView, AS_STYLES],
  ]);
  return taking.get(type);
};

/** One style for the same names: the web layer keeps what it has worked out by the style itself. */
const styles = new Map();
const styleOf = (names) => {
  const known = styles.get(names);
  if (known !== undefined) return known;
  const style = { $$css: true, [names]: names };
  styles.set(names, style);
  return style;
};

const dressed = (type, props) => {
  const named = takes(type);
  if (named === undefined) return props;
  const own = { ...props };
  for (const [from, to] of named) {
    const names = own[from];
    own[from] = undefined;
    if (names) own[to] = own[to] ? [own[to], styleOf(names)] : styleOf(names);
  }
  return own;
};

const wrapJSX =
  (jsx) =>
  (type, props, ...rest) =>
    jsx(type, dressed(type, props), ...rest);

export default wrapJSX;
