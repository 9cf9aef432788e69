import type { ElevationView, Looking } from '@ogee/core/src/drawing';
import type { Vec2 } from '@ogee/core/src/geom';
import type { Job } from '@ogee/core/src/job';
import { formatLength, lengthFormat, spokenLength } from '@ogee/core/src/units';
import { View } from 'react-native';
import Svg, { Line, Polygon, Polyline, Text as SvgText } from 'react-native-svg';
import { useTheme } from '../theme/theme';
import { useTerms } from '../ui/terms';
import { fitPlan } from './plan-fit';

const MARGIN_PX = 52;

const NAMES: Readonly<Record<Looking, string>> = { end: 'End on', side: 'From wall 1' };

/** The roof seen level, to scale, with its height over the plate. */
export const Elevation = ({
  view,
  display,
  looking,
  widthPx,
  heightPx,
}: {
  readonly view: ElevationView;
  readonly display: Job['display'];
  readonly looking: Looking;
  readonly widthPx: number;
  readonly heightPx: number;
}) => {
  const { colour } = useTheme();
  const say = useTerms();
  const fit = fitPlan(
    view.panels.flatMap(({ points }) => points),
    widthPx,
    heightPx,
    MARGIN_PX,
  );
  const loop = (points: readonly Vec2[]): string =>
    points.map((p) => fit.toPx(p).join(',')).join(' ');
  const text = (mm: number): string => formatLength(mm, lengthFormat(display));
  const aloud = (mm: number): string => spokenLength(mm, display);
  const main = view.mainPlate;
  const height = view.top - main;
  const [x, top] = fit.toPx([view.right, view.top]);
  const [, foot] = fit.toPx([view.right, main]);
  const [left] = fit.toPx([view.left, 0]);
  return (
    <View
      role="img"
      aria-label={`${NAMES[looking]}, to scale: the roof’s highest line stands ${aloud(height)} above the main ${say('‹plate›')}`}
    >
      <Svg width={widthPx} height={heightPx}>
        {view.panels.map(({ of, points, kind }, i) =>
          of === 'line' ? (
            <Polyline
              key={i}
              points={loop(points)}
              fill="none"
              stroke={colour('ink', 0.6)}
              strokeWidth={1.2}
            />
          ) : of === 'timber' ? (
            <Polygon
              key={i}
              points={loop(points)}
              fill={colour(kind ?? 'wood', 0.32)}
              stroke={colour(kind ?? 'ink')}
              strokeWidth={0.8}
            />
          ) : (
            <Polygon
              key={i}
              points={loop(points)}
              fill={of === 'roof' ? colour('wood') : colour('sheet')}
              stroke={of === 'roof' ? colour('wood') : colour('edge')}
              strokeWidth={1}
            />
          ),
        )}
        <Line
          x1={left - 20}
          x2={x + 34}
          y1={foot}
          y2={foot}
          stroke={colour('soft')}
          strokeDasharray={[4, 4]}
        />
        <Line
          x1={x + 22}
          x2={x + 22}
          y1={top}
          y2={foot}
          stroke={colour('soft')}
          strokeWidth={1.5}
        />
        <SvgText
          x={x + 38}
          y={(top + foot) / 2}
          fontSize={16}
          fontFamily="BarlowCondensed_600SemiBold"
          fill={colour('ink')}
          textAnchor="middle"
          rotation={-90}
          origin={`${x + 38}, ${(top + foot) / 2}`}
        >
          {text(height)}
        </SvgText>
        <SvgText
          x={left - 48}
          y={foot - 6}
          fontSize={13}
          fontFamily="BarlowCondensed_600SemiBold"
          fill={colour('soft')}
        >
          {say('‹plate›')}
        </SvgText>
      </Svg>
    </View>
  );
};
