import type { Vec2 } from '@ogee/core/src/geom';
import { memo } from 'react';
import { Text as SvgText } from 'react-native-svg';
import { useTheme } from '../theme/theme';
import { alike } from './alike';

/** The turn of a text over a line, readable from below or from the right. degrees */
export const uprightTurn = (from: Vec2, to: Vec2): number => {
  const deg = (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI;
  return deg > 90 - 1e-9 ? deg - 180 : deg <= -90 - 1e-9 ? deg + 180 : deg;
};

interface HaloProps {
  readonly at: Vec2;
  readonly turn: number;
  readonly size: number;
  readonly text: string;
  readonly colour: string;
  /** From the point down to the text's baseline. px */
  readonly dy: number;
}

/** A text in a drawing, cleared of the lines under it; where it stands as it did, it is not drawn anew. */
export const Halo = memo(({ at, turn, size, text, colour: own, dy }: HaloProps) => {
  const { colour } = useTheme();
  // The stroke lies under the letters: page.css says so of every text that has one.
  return (
    <SvgText
      x={at[0]}
      y={at[1] + dy}
      fontSize={size}
      fontFamily="BarlowCondensed_600SemiBold"
      textAnchor="middle"
      {...(turn === 0 ? {} : { transform: `rotate(${turn} ${at[0]} ${at[1]})` })}
      fill={own}
      stroke={colour('paper')}
      strokeWidth={4}
    >
      {text}
    </SvgText>
  );
}, alike);
Halo.displayName = 'Halo';
