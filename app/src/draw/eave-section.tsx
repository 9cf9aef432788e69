import type { Vec2 } from '@ogee/core/src/geom';
import type { Job } from '@ogee/core/src/job';
import { formatLength, lengthFormat, spokenLength } from '@ogee/core/src/units';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { ClipPath, Defs, G, Line, Polygon, Rect, Text as SvgText } from 'react-native-svg';
import { useOfRoof } from '../data/roof';
import { useTheme } from '../theme/theme';
import { useTerms } from '../ui/terms';

const HEIGHT_PX = 240;

/** A common over the plate, cut through: seat, height above plate, tail and fascia, to scale. */
export const EaveSection = ({ display }: { display: Job['display'] }) => {
  const { colour } = useTheme();
  const say = useTerms();
  const [width, setWidth] = useState(0);
  const section = useOfRoof(['eave'], (solver, roof) => solver.eave(roof))?.answer ?? null;
  if (section === null) return null;
  const { left, right, low, high, hapMm, seatMm, overhangMm } = section;
  const k = Math.min(width / (right - left), HEIGHT_PX / (high - low));
  const px = ([d, z]: Vec2): Vec2 => [(d - left) * k, (high - z) * k];
  const loop = (points: readonly Vec2[]): string => points.map((p) => px(p).join(',')).join(' ');
  const text = (mm: number): string => formatLength(mm, lengthFormat(display));
  const aloud = (mm: number): string => spokenLength(mm, display);
  const [px0, pz0] = px([0, 0]);
  const label = (
    x: number,
    y: number,
    words: string,
    anchor: 'start' | 'middle' | 'end' = 'start',
  ) => (
    <SvgText
      x={x}
      y={y}
      fontSize={15}
      fontFamily="BarlowCondensed_600SemiBold"
      fill={colour('ink')}
      textAnchor={anchor}
    >
      {words}
    </SvgText>
  );
  return (
    <View
      className="rounded border border-grain bg-paper"
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      role="img"
      aria-label={`Eave section to scale: ${say('‹height above plate›')} ${aloud(hapMm)}, seat ${aloud(seatMm)}, overhang ${aloud(overhangMm)}`}
    >
      {width > 0 && (
        <Svg width={width} height={HEIGHT_PX}>
          <Defs>
            <ClipPath id="section">
              <Rect x={0} y={0} width={width} height={HEIGHT_PX} />
            </ClipPath>
          </Defs>
          <G clipPath="url(#section)">
            {section.rafter.map((points, i) => (
              <Polygon
                key={i}
                points={loop(points)}
                fill={colour('wood')}
                stroke={colour('wood')}
              />
            ))}
            <Polygon
              points={loop(section.plate)}
              fill={colour('sheet')}
              stroke={colour('ink')}
              strokeWidth={1.5}
            />
            <Polygon
              points={loop(section.wall)}
              fill={colour('grain', 0.4)}
              stroke={colour('edge')}
            />
            {section.fascia.length > 0 && (
              <Polygon
                points={loop(section.fascia)}
                fill={colour('fascia', 0.35)}
                stroke={colour('fascia')}
                strokeWidth={1.5}
              />
            )}
            <Line
              x1={px0}
              y1={pz0}
              x2={px0}
              y2={px([0, hapMm])[1]}
              stroke={colour('chalk')}
              strokeWidth={2}
            />
            <Line
              x1={px0}
              y1={pz0}
              x2={px([seatMm, 0])[0]}
              y2={pz0}
              stroke={colour('hip')}
              strokeWidth={3}
            />
          </G>
          {label(px0 + 8, px([0, hapMm / 2])[1] + 5, `${say('above ‹plate›')} ${text(hapMm)}`)}
          {label(px([section.plate[1]?.[0] ?? 0, 0])[0] + 8, pz0 + 16, `seat ${text(seatMm)}`)}
          {label(
            px([-overhangMm / 2, 0])[0],
            HEIGHT_PX - 8,
            `overhang ${text(overhangMm)}`,
            'middle',
          )}
        </Svg>
      )}
    </View>
  );
};
