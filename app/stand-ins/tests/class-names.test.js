import { createElement } from 'react';
import { ScrollView, Text, View } from 'react-native';
import { cssInterop } from 'react-native-css-interop/dist/runtime/web/api';
import wrapJSX from '../class-names';

// What of the package asks the page while it is loaded.
jest.mock('react-native-css-interop/dist/runtime/web/stylesheet', () => ({}));
jest.mock('react-native-css-interop/dist/runtime/web/color-scheme', () => ({}));
jest.mock('react-native-css-interop/dist/runtime/web/rem', () => ({}));

const ours = (type, props) => wrapJSX((_type, given) => given)(type, props);

/** What the package's own component hands on, for what takes class names as these do. */
const theirs = (props, mapping) => {
  let handed = {};
  const Taking = (given) => {
    handed = given;
    return null;
  };
  cssInterop(Taking, mapping).render(props, null);
  return handed;
};
const said = (props) =>
  Object.fromEntries(
    Object.entries(props).filter(([name, value]) => name !== 'ref' && value !== undefined),
  );

describe('class names as styles', () => {
  const own = { width: 12 };
  it.each([
    ['none', View, { testID: 'a' }],
    ['empty', View, { className: '' }],
    ['some', View, { className: 'flex-1 gap-2', 'aria-label': 'x' }],
    ['beside a style', Text, { className: 'text-xl', style: own }],
    ['beside no style', Text, { className: 'text-xl', style: undefined }],
    ['of a scroller', ScrollView, { className: 'flex-1', contentContainerClassName: 'p-4' }],
  ])('%s: come to what the package makes of them', (_name, type, props) => {
    const mapping =
      type === ScrollView
        ? { className: 'style', contentContainerClassName: 'contentContainerStyle' }
        : { className: 'style' };
    expect(said(ours(type, { ...props }))).toEqual(said(theirs({ ...props }, mapping)));
  });

  it('are one style for the same names, and leave what takes none alone', () => {
    const one = ours(View, { className: 'p-4' }).style;
    expect(ours(Text, { className: 'p-4' }).style).toBe(one);
    const props = { className: 'p-4' };
    expect(ours('main', props)).toBe(props);
    expect(ours(createElement, props)).toBe(props);
  });
});
