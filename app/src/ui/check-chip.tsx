import type { ReactNode } from 'react';
import { Pressable } from 'react-native';
import { Small } from './text';

/** Something that is shown or not, at a touch. */
export const CheckChip = ({
  label,
  words,
  checked,
  onChange,
  children,
}: {
  /** What is done, for those who hear it. */
  readonly label: string;
  readonly words: string;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
  /** What stands before the words. */
  readonly children?: ReactNode;
}) => (
  <Pressable
    role="checkbox"
    aria-checked={checked}
    aria-label={label}
    onPress={() => onChange(!checked)}
    className={`min-h-[48px] flex-row items-center gap-2 rounded border px-3 ${checked ? 'border-edge bg-sheet' : 'border-dashed border-edge bg-paper'}`}
  >
    {children}
    <Small className={checked ? 'text-ink' : ''}>
      {checked ? '✓ ' : ''}
      {words}
    </Small>
  </Pressable>
);
