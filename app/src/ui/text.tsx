import { Text, type TextProps } from 'react-native';
import { twMerge } from 'tailwind-merge';

type Props = TextProps & { readonly className?: string };

/** Words in running text. */
export const Words = ({ className = '', ...rest }: Props) => (
  <Text {...rest} className={twMerge('font-words text-base text-ink', className)} />
);

export const Strong = ({ className = '', ...rest }: Props) => (
  <Text {...rest} className={twMerge('font-strong text-base text-ink', className)} />
);

export const Small = ({ className = '', ...rest }: Props) => (
  <Text {...rest} className={twMerge('font-words text-sm leading-5 text-soft', className)} />
);

/** Numbers and marks: condensed, every digit equally wide. */
export const Figure = ({ className = '', style, ...rest }: Props) => (
  <Text
    {...rest}
    style={[{ fontVariant: ['tabular-nums'] }, style]}
    className={twMerge('font-figures text-xl text-ink', className)}
  />
);

export const Title = ({
  className = '',
  level = 2,
  ...rest
}: Props & { readonly level?: 1 | 2 | 3 }) => (
  <Text
    {...rest}
    role="heading"
    aria-level={level}
    className={twMerge(
      `font-display ${level === 1 ? 'text-3xl' : level === 2 ? 'text-2xl' : 'text-xl'} text-ink`,
      className,
    )}
  />
);
