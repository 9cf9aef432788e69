import type { Job } from '@ogee/core/src/job';
import { G, Path, Rect, Text as SvgText } from 'react-native-svg';
import { useTheme } from '../theme/theme';
import { ticksOf, type Tick } from './tape-ticks';

export const TAPE_PX = 36;
/** A tick taller than this is a whole foot or a tenth of a metre, and is drawn bold. px */
const LONG_PX = 10;

/** The running tape, hooked over the board's upper end at `leftPx`; `k` is px a mm. */
export const Tape = ({
  lengthMm,
  k,
  leftPx,
  display,
}: {
  leftPx: number;
  lengthMm: number;
  k: number;
  display: Job['display'];
}) => {
  const { colour } = useTheme();
  const ticks = ticksOf(lengthMm, display);
  const marks = (wanted: (tick: Tick) => boolean): string =>
    ticks
      .filter(wanted)
      .map(({ mm, tall }) => `M${leftPx + mm * k} ${TAPE_PX}v${-tall}`)
      .join('');
  return (
    <G>
      <Rect
        x={leftPx}
        y={0}
        width={lengthMm * k}
        height={TAPE_PX}
        fill={colour('sheet')}
        stroke={colour('edge')}
      />
      {/* The tape's hook over the board's end. */}
      <Path
        d={`M${leftPx} 0h-7v${TAPE_PX + 8}h4`}
        stroke={colour('ink')}
        strokeWidth={2.5}
        fill="none"
      />
      <Path d={marks(({ tall }) => tall <= LONG_PX)} stroke={colour('ink')} strokeWidth={0.8} />
      <Path d={marks(({ tall }) => tall > LONG_PX)} stroke={colour('ink')} strokeWidth={1.6} />
      {ticks.map(
        ({ mm, tall, label }) =>
          label !== null && (
            <SvgText
              key={mm}
              x={leftPx + mm * k + 3}
              y={tall > LONG_PX ? 16 : 24}
              fontSize={tall > LONG_PX ? 16 : 11}
              fontFamily="BarlowCondensed_600SemiBold"
              fill={tall > LONG_PX ? colour('ink') : colour('soft')}
            >
              {label}
            </SvgText>
          ),
      )}
    </G>
  );
};
