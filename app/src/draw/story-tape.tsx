import type { RunningMarks } from '@ogee/core/src/cuts';
import type { Job } from '@ogee/core/src/job';
import { ScrollView } from 'react-native';
import Svg, { G, Line, Path, Rect } from 'react-native-svg';
import { useTheme } from '../theme/theme';
import { Halo } from './halo';
import { readable } from './names';
import { Tape, TAPE_PX } from './tape';

/** One millimetre on the screen, and what stays free at both ends. px */
const K = 0.3;
const ENDS_PX = 24;
/** The timber under the tape, and the room for the names under that. px */
const TIMBER_PX = 54;
const NAMES_PX = 26;
const NAME_PX = 15;

/** A tape laid along a plate or a ridge, to scale: a line at each mark, and an X where the timber stands. */
export const StoryTape = ({
  tape,
  lengthMm,
  display,
  words,
  to,
}: {
  readonly tape: RunningMarks;
  readonly lengthMm: number;
  readonly display: Job['display'];
  readonly words: string;
  /** What the line marks, and the figures tell. */
  readonly to: 'near' | 'centre';
}) => {
  const { colour } = useTheme();
  const width = lengthMm * K + 2 * ENDS_PX;
  const height = TAPE_PX + TIMBER_PX + NAMES_PX;
  const at = (mm: number): number => ENDS_PX + mm * K;
  const [top, foot] = [TAPE_PX, TAPE_PX + TIMBER_PX];
  const names = readable(
    tape.at.map(({ mm, wide = 0, mark }, i) => ({
      id: String(i),
      text: mark,
      at: [at(mm + wide / 2), foot + NAMES_PX / 2],
      turn: 0,
      size: NAME_PX,
    })),
    width,
    height,
  );
  return (
    <ScrollView horizontal role="region" aria-label={words} tabIndex={0}>
      <Svg width={width} height={height} aria-hidden>
        <Rect
          x={at(0)}
          y={top}
          width={lengthMm * K}
          height={TIMBER_PX}
          fill={colour('wood')}
          stroke={colour('edge')}
        />
        <Tape lengthMm={lengthMm} k={K} leftPx={ENDS_PX} display={display} />
        {tape.at.map(({ mm, wide = 0 }, i) => (
          <G key={i}>
            <Line
              x1={at(to === 'centre' ? mm + wide / 2 : mm)}
              x2={at(to === 'centre' ? mm + wide / 2 : mm)}
              y1={top}
              y2={foot}
              stroke={colour('ink')}
              strokeWidth={2}
            />
            {wide > 0 && (
              <Path
                d={`M${at(mm)} ${top}L${at(mm + wide)} ${foot}M${at(mm + wide)} ${top}L${at(mm)} ${foot}`}
                stroke={colour('soft')}
                strokeWidth={1.4}
              />
            )}
          </G>
        ))}
        {names.map(({ id, text, at: place, size }) => (
          <Halo
            key={id}
            at={place}
            turn={0}
            size={size}
            text={text}
            colour={colour('ink')}
            dy={size * 0.35}
          />
        ))}
      </Svg>
    </ScrollView>
  );
};
