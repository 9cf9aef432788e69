import { Text, type TextProps } from 'react-native';
import { twMerge } from 'tailwind-merge';
import { worded } from './terms';

type Props = TextProps & {
  readonly className?: string;
  /** Its terms are touched for what they mean; not inside what is itself touched. */
  readonly asked?: boolean;
};

/** Words in running text. Terms of the trade stand in ‹angle quotes› and come out in the crew's own words. */
export const Words = ({ className = '', asked = false, children, ...rest }: Props) => (
  <Text {...rest} className={twMerge('font-words text-base text-ink', className)}>
    {worded(children, asked)}
  </Text>
);

export const Strong = ({ className = '', asked = false, children, ...rest }: Props) => (
  <Text {...rest} className={twMerge('font-strong text-base text-ink', className)}>
    {worded(children, asked)}
  </Text>
);

export const Small = ({ className = '', asked = false, children, ...rest }: Props) => (
  <Text {...rest} className={twMerge('font-words text-sm leading-5 text-soft', className)}>
    {worded(children, asked)}
  </Text>
);

/** Numbers and marks: condensed, every digit equally wide. */
export const Figure = ({ className = '', style, ...rest }: Omit<Props, 'asked'>) => (
  <Text
    {...rest}
    style={[{ fontVariant: ['tabular-nums'] }, style]}
    className={twMerge('font-figures text-xl text-ink', className)}
  />
);

export const Title = ({
  className = '',
  level = 2,
  asked = false,
  children,
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
  >
    {worded(children, asked)}
  </Text>
);
