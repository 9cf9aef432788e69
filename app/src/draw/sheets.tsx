import type { SheetDrawing } from '@ogee/core/src/drawing';
import type { Vec2 } from '@ogee/core/src/geom';
import { useId, useState } from 'react';
import { View } from 'react-native';
import Svg, { ClipPath, Defs, G, Line, Polygon } from 'react-native-svg';
import { useTheme } from '../theme/theme';

const MARGIN_PX = 6;
const MOST_HEIGHT_PX = 220;

/** A slope laid flat with its sheets, to scale: eave below, the sheets' length along it. */
export const SheetsDrawing = ({
  slope,
  chosen = null,
  words,
}: {
  readonly slope: SheetDrawing;
  /** The sheet that is spoken of, by its number; none where another slope's is. */
  readonly chosen?: number | null;
  readonly words: string;
}) => {
  const { colour } = useTheme();
  const [width, setWidth] = useState(0);
  const outline = useId();
  const points = slope.pieces.flat();
  const [us, vs] = [points.map(([u]) => u), points.map(([, v]) => v)];
  const [left, right] = [Math.min(...us), Math.max(...us)];
  const [low, high] = [Math.min(...vs), Math.max(...vs)];
  const k = Math.min(
    (width - 2 * MARGIN_PX) / (right - left),
    (MOST_HEIGHT_PX - 2 * MARGIN_PX) / (high - low),
  );
  const height = (high - low) * k + 2 * MARGIN_PX;
  const px = ([u, v]: Vec2): Vec2 => [
    width / 2 + (u - (left + right) / 2) * k,
    MARGIN_PX + (high - v) * k,
  ];
  const fill = (from: SheetDrawing['sheets'][number]['from']): string =>
    from === 'offcut'
      ? colour('chalk', 0.35)
      : from === 'cut'
        ? colour('wood', 0.45)
        : colour('wood');
  return (
    <View
      role="img"
      aria-label={words}
      className="rounded border border-grain bg-paper"
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
    >
      {width > 0 && (
        <Svg width={width} height={height}>
          <Defs>
            <ClipPath id={outline}>
              {slope.pieces.map((piece, i) => (
                <Polygon key={i} points={piece.map((p) => px(p).join(',')).join(' ')} />
              ))}
            </ClipPath>
          </Defs>
          {slope.sheets.flatMap(({ covers, from }, i) =>
            covers.map((piece, n) => (
              <Polygon
                key={`${i} ${n}`}
                points={piece.map((p) => px(p).join(',')).join(' ')}
                fill={fill(from)}
              />
            )),
          )}
          {slope.rafters.map(({ from, to }, i) => {
            const [[x1, y1], [x2, y2]] = [px(from), px(to)];
            return (
              <Line
                key={`rafter ${i}`}
                x1={x1}
                y1={y1}
                x2={x2}
                y2={y2}
                stroke={colour('soft')}
                strokeWidth={1}
                strokeDasharray={[2, 3]}
              />
            );
          })}
          <G clipPath={`url(#${outline})`}>
            {slope.sheets.flatMap(({ u, v }, i) =>
              (
                [
                  [
                    [u[0], v[0]],
                    [u[0], v[1]],
                  ],
                  [
                    [u[0], v[0]],
                    [u[1], v[0]],
                  ],
                ] as const
              ).map(([from, to], n) => {
                const [[x1, y1], [x2, y2]] = [px(from), px(to)];
                return (
                  <Line
                    key={`${i} joint ${n}`}
                    x1={x1}
                    y1={y1}
                    x2={x2}
                    y2={y2}
                    stroke={colour('ink')}
                    strokeWidth={1}
                  />
                );
              }),
            )}
          </G>
          {chosen !== null &&
            slope.sheets[chosen]?.covers.map((piece, i) => (
              <Polygon
                key={`chosen ${i}`}
                points={piece.map((p) => px(p).join(',')).join(' ')}
                fill="none"
                stroke={colour('chalk')}
                strokeWidth={3}
              />
            ))}
        </Svg>
      )}
    </View>
  );
};
