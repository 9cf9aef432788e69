import { boardOf, formatLength, lengthFormat, memberOf, type Job, type Solution } from '@ogee/core';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { ClipPath, Defs, G, Line, Polygon, Rect, Text as SvgText } from 'react-native-svg';
import { useTheme } from '../theme/theme';

const HEIGHT_PX = 240;

/** A common over the plate, cut through: seat, height above plate, tail and fascia, to scale. */
export const EaveSection = ({ job, solution }: { job: Job; solution: Solution }) => {
  const { colour } = useTheme();
  const [width, setWidth] = useState(0);
  const entry = solution.cuts.members.find((m) => m.kind === 'common' || m.kind === 'king-common');
  const heel = entry?.cuts.findIndex((cut) => cut.at === 'heel') ?? -1;
  const tailCut = entry?.cuts.findIndex((cut) => cut.at === 'tail') ?? -1;
  const member = memberOf(solution, entry);
  if (entry?.seat == null || member === undefined) return null;
  const board = boardOf(member);
  const zero = board.marks[heel === -1 ? tailCut : heel]?.topEdge[0];
  if (zero == null) return null;
  const rad = (entry.slope * Math.PI) / 180;
  const { hap, width: seat } = entry.seat;
  const overhang = entry.length.tail * Math.cos(rad);
  // Board x, y to section mm: right of the plate's outside face, above the plate.
  const place = ([x, y]: readonly [number, number]): [number, number] => {
    const a = zero - x;
    return [a * Math.cos(rad) + y * Math.sin(rad), hap + a * Math.sin(rad) - y * Math.cos(rad)];
  };
  const plate = job.timber.plateWidth ?? 100;
  const fascia = job.timber.fascia;
  const [left, right] = [-overhang - (fascia?.thickness ?? 0) - 60, plate + 260];
  const [low, high] = [
    Math.min(-140, hap - overhang * Math.tan(rad) - (fascia?.depth ?? 0) - 60),
    hap + right * Math.tan(rad) * 0.6 + 40,
  ];
  const k = Math.min(width / (right - left), HEIGHT_PX / (high - low));
  const px = ([d, z]: readonly [number, number]): [number, number] => [
    (d - left) * k,
    (high - z) * k,
  ];
  const loop = (points: readonly (readonly [number, number])[]): string =>
    points.map((p) => px(p).join(',')).join(' ');
  const text = (mm: number): string => formatLength(mm, lengthFormat(job.display));
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
  const fasciaLoop = (): [number, number][] => {
    if (fascia === undefined) return [];
    const z = hap - overhang * Math.tan(rad);
    const t = fascia.thickness;
    if (job.framing.tail === 'plumb') {
      const top = z - t * Math.tan(rad);
      return [
        [-overhang, top],
        [-overhang - t, top],
        [-overhang - t, top - fascia.depth],
        [-overhang, top - fascia.depth],
      ];
    }
    const [c, s] = [Math.cos(rad), Math.sin(rad)];
    const at = (a: number, e: number): [number, number] => [
      -overhang + a * c - e * s,
      z + a * s + e * c,
    ];
    return [at(0, 0), at(-t, 0), at(-t, -fascia.depth), at(0, -fascia.depth)];
  };
  return (
    <View
      className="rounded border border-grain bg-paper"
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      role="img"
      aria-label={`Eave section to scale: height above plate ${text(hap)}, seat ${text(seat)}, overhang ${text(overhang)}`}
    >
      {width > 0 && (
        <Svg width={width} height={HEIGHT_PX}>
          <Defs>
            <ClipPath id="section">
              <Rect x={0} y={0} width={width} height={HEIGHT_PX} />
            </ClipPath>
          </Defs>
          <G clipPath="url(#section)">
            {board.left.map((points, i) => (
              <Polygon
                key={i}
                points={loop(points.map(place))}
                fill={colour('wood')}
                stroke={colour('wood')}
              />
            ))}
            <Polygon
              points={loop([
                [0, 0],
                [plate, 0],
                [plate, -45],
                [0, -45],
              ])}
              fill={colour('sheet')}
              stroke={colour('ink')}
              strokeWidth={1.5}
            />
            <Polygon
              points={loop([
                [0, -45],
                [plate, -45],
                [plate, -400],
                [0, -400],
              ])}
              fill={colour('grain', 0.4)}
              stroke={colour('edge')}
            />
            {fascia !== undefined && (
              <Polygon
                points={loop(fasciaLoop())}
                fill={colour('fascia', 0.35)}
                stroke={colour('fascia')}
                strokeWidth={1.5}
              />
            )}
            <Line
              x1={px0}
              y1={pz0}
              x2={px0}
              y2={px([0, hap])[1]}
              stroke={colour('chalk')}
              strokeWidth={2}
            />
            <Line
              x1={px0}
              y1={pz0}
              x2={px([seat, 0])[0]}
              y2={pz0}
              stroke={colour('hip')}
              strokeWidth={3}
            />
          </G>
          {label(px0 - 8, px([0, hap / 2])[1] + 5, `above plate ${text(hap)}`, 'end')}
          {label(px([plate, 0])[0] + 8, pz0 + 16, `seat ${text(seat)}`)}
          {label(px([-overhang / 2, 0])[0], HEIGHT_PX - 8, `overhang ${text(overhang)}`, 'middle')}
        </Svg>
      )}
    </View>
  );
};
