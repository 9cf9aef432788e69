import type { DevelopedLine, Development, Named } from '@ogee/core/src/drawing';
import type { Vec2 } from '@ogee/core/src/geom';
import { formatDegrees } from '@ogee/core/src/units';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Line, Path } from 'react-native-svg';
import { useTheme } from '../theme/theme';
import { Halo } from './halo';

const MARGIN_PX = 14;
const MOST_HEIGHT_PX = 420;
/** Drawn earlier than the step in hand. */
const EARLIER = 0.45;

const WIDTH: Readonly<Record<DevelopedLine['as'], number>> = {
  ground: 1.5,
  timber: 3,
  guide: 1.2,
  cut: 4,
};

const NAMES: Readonly<Record<Named, string>> = {
  run: 'run',
  eave: 'eave',
  fold: 'plan line',
  rafter: 'rafter’s underside',
  side: 'side cut',
  edge: 'edge cut',
};
const NAME_PX = 15;

/** Where a name stands to its point, so that it is clear of the lines and of the frame. px */
const ASIDE: Readonly<Record<Named, Vec2>> = {
  run: [-14, -12],
  eave: [22, -10],
  fold: [-34, -12],
  rafter: [-64, -8],
  side: [4, 14],
  edge: [-36, 14],
};

/** The setting-out of a mitre as far as one of its steps, to scale; what that step adds stands out. */
export const DevelopmentDrawing = ({
  development,
  step,
  words,
}: {
  readonly development: Development;
  readonly step: number;
  /** What the step says, for the ear. */
  readonly words: string;
}) => {
  const { colour } = useTheme();
  const [width, setWidth] = useState(0);
  const { steps, side, edge } = development;
  const points = steps.flatMap(({ lines }) => lines.flatMap(({ from, to }) => [from, to]));
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  const [low, high] = [Math.min(...ys), Math.max(...ys)];
  const k = Math.min(
    (width - 2 * MARGIN_PX) / (right - left),
    (MOST_HEIGHT_PX - 2 * MARGIN_PX) / (high - low),
  );
  const height = (high - low) * k + 2 * MARGIN_PX;
  const indent = (width - (right - left) * k) / 2;
  const px = ([x, y]: Vec2): Vec2 => [indent + (x - left) * k, MARGIN_PX + (high - y) * k];
  const ink = (as: DevelopedLine['as'], now: boolean): string =>
    as === 'cut'
      ? colour('pencil')
      : as === 'timber'
        ? colour('purlin', now ? 1 : EARLIER)
        : colour(now && as === 'guide' ? 'chalk' : 'ink', now ? 1 : EARLIER);
  const shown = steps.slice(0, step + 1);
  const read = [
    ...(step >= 3 ? [`side cut ${formatDegrees(side)}`] : []),
    ...(step >= 4 ? [`edge cut ${formatDegrees(edge)}`] : []),
  ];
  return (
    <View
      className="rounded border border-grain bg-paper"
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      role="img"
      aria-label={`The setting-out to scale, step ${step + 1} of ${steps.length}: ${[words, ...read].join(' ')}`}
      testID="development"
    >
      {width > 0 && (
        <Svg width={width} height={height}>
          {shown.flatMap(({ lines, swings, names }, i) => {
            const now = i === step;
            return [
              ...lines.map(({ from, to, as }, n) => {
                const [[x1, y1], [x2, y2]] = [px(from), px(to)];
                return (
                  <Line
                    key={`${i} ${n}`}
                    x1={x1}
                    y1={y1}
                    x2={x2}
                    y2={y2}
                    stroke={ink(as, now)}
                    strokeWidth={WIDTH[as]}
                    {...(as === 'guide' && { strokeDasharray: '6 4' })}
                  />
                );
              }),
              ...swings.map(({ about, from, to }, n) => {
                const r = Math.hypot(to[0] - about[0], to[1] - about[1]) * k;
                const [[x1, y1], [x2, y2]] = [px(from), px(to)];
                // On the screen y runs down: what lies below the corner swings up against the clock.
                const sweep = from[1] < about[1] ? 0 : 1;
                return (
                  <Path
                    key={`${i} swing ${n}`}
                    d={`M${x1} ${y1}A${r} ${r} 0 0 ${sweep} ${x2} ${y2}`}
                    fill="none"
                    stroke={ink('guide', now)}
                    strokeWidth={1.5}
                  />
                );
              }),
              ...names.map(({ of, at }) => {
                const [[x, y], [dx, dy]] = [px(at), ASIDE[of]];
                return (
                  <Halo
                    key={of}
                    at={[x + dx, y + dy]}
                    turn={0}
                    size={NAME_PX}
                    text={NAMES[of]}
                    colour={colour(of === 'side' || of === 'edge' ? 'pencil' : 'ink')}
                    dy={NAME_PX * 0.35}
                  />
                );
              }),
            ];
          })}
        </Svg>
      )}
    </View>
  );
};
