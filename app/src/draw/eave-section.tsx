import type { EaveSection as Section } from '@ogee/core/src/drawing';
import type { Vec2 } from '@ogee/core/src/geom';
import type { Job } from '@ogee/core/src/job';
import { formatLength, lengthFormat, spokenLength } from '@ogee/core/src/units';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { Circle, ClipPath, Defs, G, Line, Polygon, Rect } from 'react-native-svg';
import { useTheme } from '../theme/theme';
import { useTerms } from '../ui/terms';
import { Figure } from '../ui/text';

const HEIGHT_PX = 300;
/** How large a figure that can be touched is at least. */
const TOUCH_PX = 48;

/** How wide a figure on it may be. */
const LABEL_PX = 180;

/** What of the eave can be touched on the drawing, to be entered. */
export type EaveFigure = 'hap' | 'overhang' | 'soffit';

/** A figure on the drawing: its words, where it stands, and what it is. */
interface Label {
  readonly of: EaveFigure;
  readonly words: string;
  readonly at: Vec2;
  readonly align: 'left' | 'middle';
}

/** A common over the plate, cut through: seat, height above plate, tail, fascia and soffit, to scale; its figures are touched to be entered. */
export const EaveSection = ({
  section,
  display,
  given,
  onTouch,
}: {
  readonly section: Section;
  readonly display: Job['display'];
  /** What is entered; the third of them is worked out. */
  readonly given: readonly EaveFigure[];
  readonly onTouch: (figure: EaveFigure) => void;
}) => {
  const { colour } = useTheme();
  const say = useTerms();
  const [width, setWidth] = useState(0);
  const { left, right, low, high, hapMm, seatMm, overhangMm, soffitMm, obstruction, windowMm } =
    section;
  const k = Math.min(width / (right - left), HEIGHT_PX / (high - low));
  const px = ([d, z]: Vec2): Vec2 => [(d - left) * k, (high - z) * k];
  const loop = (points: readonly Vec2[]): string => points.map((p) => px(p).join(',')).join(' ');
  const text = (mm: number): string => formatLength(mm, lengthFormat(display));
  const aloud = (mm: number): string => spokenLength(mm, display);
  const line = (from: Vec2, to: Vec2, stroke: string, strokeWidth: number, dash?: string) => {
    const [[x1, y1], [x2, y2]] = [px(from), px(to)];
    return (
      <Line
        x1={x1}
        y1={y1}
        x2={x2}
        y2={y2}
        stroke={stroke}
        strokeWidth={strokeWidth}
        strokeDasharray={dash}
      />
    );
  };
  const soffit = soffitMm ?? 0;
  const wide = Math.min(LABEL_PX, width);
  const labels: readonly Label[] = [
    {
      of: 'hap',
      words: `${say('above ‹plate›')} ${text(hapMm)}`,
      at: [px([0, hapMm])[0] + 8, px([0, hapMm / 2])[1] - TOUCH_PX / 2],
      align: 'left',
    },
    ...(soffitMm === null
      ? []
      : [
          {
            of: 'soffit' as const,
            words: soffit < 0 ? `soffit ${text(-soffit)} below` : `soffit ${text(soffit)} above`,
            at: [
              px([section.plate[1]?.[0] ?? 0, 0])[0] + 8,
              px([0, soffit])[1] - TOUCH_PX / 2,
            ] as Vec2,
            align: 'left' as const,
          },
        ]),
    {
      of: 'overhang',
      words: `overhang ${text(overhangMm)}`,
      at: [px([-overhangMm / 2, 0])[0], HEIGHT_PX - TOUCH_PX],
      align: 'middle',
    },
  ];
  const spoken = [
    `${say('‹height above plate›')} ${aloud(hapMm)}`,
    `seat ${aloud(seatMm)}`,
    `overhang ${aloud(overhangMm)}`,
    ...(soffitMm === null
      ? []
      : [`soffit ${aloud(Math.abs(soffit))} ${soffit < 0 ? 'below' : 'above'} the plate’s top`]),
  ];
  return (
    <View
      className="overflow-hidden rounded border border-grain bg-paper"
      style={{ height: HEIGHT_PX }}
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
    >
      <View role="img" aria-label={`Eave section to scale: ${spoken.join(', ')}`}>
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
              {section.purlins.map((points, i) => (
                <Polygon
                  key={`purlin ${i}`}
                  points={loop(points)}
                  fill={colour('purlin', 0.35)}
                  stroke={colour('purlin')}
                  strokeWidth={1.5}
                />
              ))}
              {windowMm !== null &&
                line([0, windowMm], [section.plate[1]?.[0] ?? 0, windowMm], colour('ink'), 3)}
              {soffitMm !== null &&
                line([-overhangMm, soffit], [0, soffit], colour('rafter-tie'), 3, '8 5')}
              {line([0, 0], [0, hapMm], colour('chalk'), 2)}
              {line([0, 0], [seatMm, 0], colour('hip'), 3)}
              {obstruction !== null && (
                <Circle
                  cx={px(obstruction)[0]}
                  cy={px(obstruction)[1]}
                  r={6}
                  fill={colour('pencil')}
                />
              )}
            </G>
          </Svg>
        )}
      </View>
      {width > 0 &&
        labels.map(({ of, words, at: [x, y], align }) => {
          const open = given.includes(of);
          return (
            <Pressable
              key={of}
              role="button"
              aria-label={open ? `Enter the ${words}` : `${words}, worked out`}
              aria-disabled={!open}
              disabled={!open}
              testID={`eave-${of}`}
              onPress={() => onTouch(of)}
              className={`absolute h-12 justify-center ${align === 'middle' ? 'items-center' : ''}`}
              style={
                align === 'middle'
                  ? { left: Math.max(0, Math.min(x - wide / 2, width - wide)), top: y, width: wide }
                  : {
                      left: Math.max(0, Math.min(x, width - LABEL_PX)),
                      top: Math.min(HEIGHT_PX - 2 * TOUCH_PX, Math.max(0, y)),
                    }
              }
            >
              <View className={`rounded px-1 ${open ? 'border-b-2 border-chalk' : ''} bg-paper`}>
                <Figure className={`text-base ${open ? 'text-chalk' : 'text-ink'}`}>{words}</Figure>
              </View>
            </Pressable>
          );
        })}
    </View>
  );
};
