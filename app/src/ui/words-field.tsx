import type { ComponentProps } from 'react';
import { TextInput } from 'react-native';

/** A field for words: a name, a note, a reason. Enter counts and leaves the caret where it is. */
export const WordsField = ({ className = '', ...rest }: ComponentProps<typeof TextInput>) => (
  <TextInput
    {...rest}
    // oxlint-disable-next-line typescript/no-deprecated -- the web's TextInput has no other way yet
    blurOnSubmit={false}
    className={`min-h-[48px] rounded border border-edge bg-sheet px-3 font-words text-lg text-ink ${className}`}
  />
);
