import type { Sign } from '@ogee/core/src/test-fit';
import Svg, { Line, Polygon } from 'react-native-svg';
import { useTheme } from '../theme/theme';

type Point = readonly [number, number];

const SIZE_PX = 84;

const at = (points: readonly Point[]): string => points.map(([x, y]) => `${x},${y}`).join(' ');

/** A rafter's upper end against a ridge, or its notch on a plate, with what is looked at marked. */
export const SignPicture = ({ sign }: { readonly sign: Sign }) => {
  const { colour } = useTheme();
  const wood = { fill: colour('wood'), stroke: colour('ink'), strokeWidth: 1.5 };
  const mark = { stroke: colour('pencil'), strokeWidth: 4 };
  const atTop = sign === 'top-gap' || sign === 'bottom-gap' || sign === 'top-step';
  return (
    <Svg width={SIZE_PX} height={SIZE_PX} viewBox="0 0 84 84" aria-hidden>
      {atTop ? (
        <>
          <Polygon
            points={at([
              [62, 8],
              [74, 8],
              [74, 76],
              [62, 76],
            ])}
            {...wood}
          />
          <Polygon
            points={at(
              sign === 'top-gap'
                ? [
                    [6, 56],
                    [50, 20],
                    [58, 54],
                    [6, 82],
                  ]
                : sign === 'bottom-gap'
                  ? [
                      [6, 56],
                      [58, 18],
                      [48, 54],
                      [6, 82],
                    ]
                  : [
                      [6, 46],
                      [60, 12],
                      [60, 46],
                      [6, 80],
                    ],
            )}
            {...wood}
          />
          {sign === 'top-gap' && <Line x1={49} y1={20} x2={63} y2={20} {...mark} />}
          {sign === 'bottom-gap' && <Line x1={48} y1={54} x2={62} y2={54} {...mark} />}
          {sign === 'top-step' && (
            <>
              <Line
                x1={44}
                y1={26}
                x2={82}
                y2={26}
                stroke={colour('chalk')}
                strokeWidth={2}
                strokeDasharray="5 3"
              />
              <Line x1={60} y1={12} x2={60} y2={26} {...mark} />
            </>
          )}
        </>
      ) : (
        <>
          <Polygon
            points={at([
              [34, 58],
              [80, 58],
              [80, 68],
              [34, 68],
            ])}
            {...wood}
          />
          <Polygon
            points={at([
              [40, 68],
              [80, 68],
              [80, 82],
              [40, 82],
            ])}
            {...wood}
          />
          <Polygon
            points={at(
              sign === 'seat-front'
                ? [
                    [4, 56],
                    [80, 4],
                    [80, 34],
                    [60, 57],
                    [34, 50],
                    [34, 62],
                    [6, 82],
                  ]
                : sign === 'seat-back'
                  ? [
                      [4, 56],
                      [80, 4],
                      [80, 34],
                      [62, 48],
                      [34, 58],
                      [34, 66],
                      [6, 82],
                    ]
                  : sign === 'heel-gap'
                    ? [
                        [4, 56],
                        [80, 4],
                        [80, 36],
                        [58, 57],
                        [22, 57],
                        [22, 70],
                        [6, 82],
                      ]
                    : [
                        [4, 56],
                        [80, 4],
                        [80, 36],
                        [58, 57],
                        [34, 57],
                        [34, 66],
                        [6, 82],
                      ],
            )}
            {...wood}
          />
          {sign === 'seat-front' && <Line x1={36} y1={50} x2={36} y2={58} {...mark} />}
          {sign === 'seat-back' && <Line x1={61} y1={48} x2={61} y2={58} {...mark} />}
          {sign === 'heel-gap' && <Line x1={22} y1={63} x2={34} y2={63} {...mark} />}
          {sign === 'hap' && <Line x1={34} y1={36} x2={34} y2={57} {...mark} />}
          {sign === 'plate-step' && (
            <>
              <Line
                x1={2}
                y1={71}
                x2={82}
                y2={17}
                stroke={colour('chalk')}
                strokeWidth={2}
                strokeDasharray="5 3"
              />
              <Line x1={34} y1={37} x2={34} y2={49} {...mark} />
            </>
          )}
        </>
      )}
    </Svg>
  );
};
