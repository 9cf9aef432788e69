import type { Job } from '@ogee/core/src/job';
import { spokenLength, splitImperial } from '@ogee/core/src/units';
import { roundedUp } from '@ogee/core/src/wording';
import { Text, useWindowDimensions, View } from 'react-native';
import { Figure } from './text';

type Display = Job['display'];

interface LengthProps {
  readonly mm: number;
  readonly display: Display;
  readonly size?: 'large' | 'middle' | 'small';
  /** Says how far the shown figure is off the true one. */
  readonly showLoss?: boolean;
  /** A length to order or to take: never shown shorter than it is. */
  readonly up?: boolean;
}

/** On a screen as narrow as this, or one whose text is made as large, the largest figures would be cut off. px */
const NARROW_PX = 260;

const SIZES = {
  large: { whole: 'text-5xl', part: 'text-2xl', loss: 'text-sm' },
  middle: { whole: 'text-2xl', part: 'text-base', loss: 'text-xs' },
  small: { whole: 'text-lg', part: 'text-sm', loss: 'text-xs' },
} as const;

const Fraction = ({ top, bottom, size }: { top: number; bottom: number; size: string }) => (
  <View className="mx-1 items-center">
    <Text className={`font-figures leading-none text-ink ${size}`}>{top}</Text>
    <View className="h-[2px] w-full bg-ink" />
    <Text className={`font-figures leading-none text-ink ${size}`}>{bottom}</Text>
  </View>
);

/** How much the figure shown is more than the true one. */
const lossText = (mm: number, shown: number, display: Display): string => {
  const rounding =
    display.units === 'imperial'
      ? splitImperial(shown, display.fraction).lossMm
      : Math.round(shown) - shown;
  const loss = shown + rounding - mm;
  if (Math.abs(loss) < 0.05) return 'exact';
  return `rounded ${loss > 0 ? 'up' : 'down'} ${Math.abs(loss).toFixed(1)} mm`;
};

/** A length for the eye: big, feet and inches with a stacked fraction, or millimetres; its rounding in sight. */
export const Length = ({
  mm: trueMm,
  display,
  size = 'middle',
  showLoss = false,
  up = false,
}: LengthProps) => {
  const { width } = useWindowDimensions();
  const style = SIZES[size === 'large' && width < NARROW_PX ? 'middle' : size];
  const mm = up ? roundedUp(trueMm, display) : trueMm;
  const parts = splitImperial(mm, display.fraction);
  const feet = parts.feet > 0 ? `${parts.feet}′ ` : '';
  const inches =
    parts.feet > 0 || parts.inches > 0 || parts.numerator === 0 ? String(parts.inches) : '';
  const figure = (
    <View role="img" aria-label={spokenLength(mm, display)} className="flex-row items-center">
      {display.units === 'imperial' ? (
        <>
          <Figure className={style.whole}>
            {parts.negative ? '−' : ''}
            {feet}
            {inches}
          </Figure>
          {parts.numerator > 0 && (
            <Fraction top={parts.numerator} bottom={parts.denominator} size={style.part} />
          )}
          <Figure className={style.whole}>″</Figure>
        </>
      ) : (
        <>
          <Figure className={style.whole}>{Math.round(mm)}</Figure>
          <Figure className={`ml-1 ${style.part}`}>mm</Figure>
        </>
      )}
    </View>
  );
  return showLoss ? (
    <View>
      {figure}
      <Text className={`font-words text-soft ${style.loss}`}>{lossText(trueMm, mm, display)}</Text>
    </View>
  ) : (
    figure
  );
};
