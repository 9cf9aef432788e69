import type { Job } from '@ogee/core/src/job';
import { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { useTheme } from '../theme/theme';
import { ticksOf } from './tape-ticks';

export const TAPE_PX = 36;

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
      {ticksOf(lengthMm, display).map(({ mm, tall, label }) => (
        <G key={mm}>
          <Line
            x1={leftPx + mm * k}
            x2={leftPx + mm * k}
            y1={TAPE_PX}
            y2={TAPE_PX - tall}
            stroke={colour('ink')}
            strokeWidth={tall > 10 ? 1.6 : 0.8}
          />
          {label !== null && (
            <SvgText
              x={leftPx + mm * k + 3}
              y={tall > 10 ? 16 : 24}
              fontSize={tall > 10 ? 16 : 11}
              fontFamily="BarlowCondensed_600SemiBold"
              fill={tall > 10 ? colour('ink') : colour('soft')}
            >
              {label}
            </SvgText>
          )}
        </G>
      ))}
    </G>
  );
};
