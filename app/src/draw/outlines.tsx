import type { Vec2 } from '@ogee/core/src/geom';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Polygon, Text as SvgText } from 'react-native-svg';
import { fitPlan } from './plan-fit';
import { useTheme } from '../theme/theme';
import { Small } from '../ui/text';

const HEIGHT_PX = 220;
const MARGIN_PX = 28;
/** Differences are drawn larger by this, or nothing of them would be seen. */
const LARGER = 20;

/** The plan as it stands over the plan as it is held; what differs is drawn larger than it is, and that is said. */
export const Outlines = ({
  held,
  built,
}: {
  readonly held: readonly Vec2[];
  readonly built: readonly Vec2[];
}) => {
  const { colour } = useTheme();
  const [widthPx, setWidth] = useState(0);
  const shown = built.map(([x, y], i): Vec2 => {
    const [u, v] = held[i] ?? [x, y];
    return [u + (x - u) * LARGER, v + (y - v) * LARGER];
  });
  const fit = fitPlan([...held, ...shown], widthPx, HEIGHT_PX, MARGIN_PX);
  const points = (outline: readonly Vec2[]): string =>
    outline.map((p) => fit.toPx(p).join()).join(' ');
  return (
    <View onLayout={({ nativeEvent: { layout } }) => setWidth(layout.width)}>
      {widthPx > 0 && (
        <View role="img" aria-label="The plates as planned, and as they stand; the figures follow">
          <Svg width={widthPx} height={HEIGHT_PX}>
            <Polygon
              points={points(held)}
              fill="none"
              stroke={colour('soft')}
              strokeWidth={2}
              strokeDasharray="6 4"
            />
            <Polygon points={points(shown)} fill="none" stroke={colour('pencil')} strokeWidth={3} />
            {held.map((p, i) => {
              const [x, y] = fit.toPx(p);
              return <Circle key={i} cx={x} cy={y} r={3} fill={colour('ink')} />;
            })}
            {shown.map((p, i) => {
              const [x, y] = fit.toPx(p);
              return (
                <SvgText
                  key={i}
                  x={x}
                  y={y > HEIGHT_PX / 2 ? y + 20 : y - 8}
                  fill={colour('ink')}
                  fontSize={15}
                  fontFamily="BarlowCondensed_600SemiBold"
                  textAnchor="middle"
                >
                  {String(i + 1)}
                </SvgText>
              );
            })}
          </Svg>
        </View>
      )}
      <Small>
        Dashed: as planned. Red: as it stands, every difference drawn {LARGER} times as large.
      </Small>
    </View>
  );
};
