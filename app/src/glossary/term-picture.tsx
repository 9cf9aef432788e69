import type { Pictured } from '@ogee/core/src/glossary';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Path, Polygon } from 'react-native-svg';
import { useTheme } from '../theme/theme';

type PartOf<P extends Pictured['of']> = Extract<Pictured, { of: P }>['part'];

interface Inks {
  /** What is pointed out. */
  readonly hot: string;
  readonly line: string;
  readonly faint: string;
  readonly wood: string;
  readonly wall: string;
}

const path = (d: string, stroke: string, width: number, extra: object = {}) => (
  <Path d={d} stroke={stroke} strokeWidth={width} fill="none" strokeLinecap="round" {...extra} />
);

/** A length between two points, with a stroke across each end. */
const span = (x1: number, y1: number, x2: number, y2: number, ink: string) => {
  const flat = Math.abs(y2 - y1) < Math.abs(x2 - x1);
  const tick = (x: number, y: number) =>
    flat ? `M${x} ${y - 6}V${y + 6}` : `M${x - 6} ${y}H${x + 6}`;
  return path(`M${x1} ${y1}L${x2} ${y2}${tick(x1, y1)}${tick(x2, y2)}`, ink, 3);
};

/** A rafter's foot on its plate, cut through. */
const eave = (part: PartOf<'eave'>, { hot, line, faint, wood, wall }: Inks): ReactNode => {
  const is = (one: PartOf<'eave'>): boolean => part === one;
  return (
    <>
      <Polygon points="146,146 146,200 92,200 92,146" fill={wall} stroke={line} strokeWidth={1} />
      <Polygon
        points="92,128 146,128 146,146 92,146"
        fill={is('plate') ? hot : wall}
        stroke={line}
        strokeWidth={1.5}
      />
      <Polygon
        points="40,126 250,42 250,86 146,127.6 92,128 92,149.2 40,170"
        fill={wood}
        stroke={line}
        strokeWidth={1.5}
      />
      {is('tail') && <Polygon points="40,126 92,105.2 92,149.2 40,170" fill={hot} />}
      {is('notch') && <Polygon points="92,128 146,127.6 92,149.2" fill={hot} />}
      <Polygon
        points="32,122 40,122 40,180 32,180"
        fill={is('fascia') ? hot : wood}
        stroke={line}
        strokeWidth={1.5}
      />
      {is('seat') && path('M92 128H146', hot, 5)}
      {is('heel') && path('M92 128V149', hot, 5)}
      {is('plumb') && path('M40 126V170M92 105V149', hot, 4)}
      {is('hap') && span(92, 106, 92, 128, hot)}
      {is('overhang') && (
        <>
          {path('M92 150V196', faint, 1, { strokeDasharray: '4 3' })}
          {span(40, 190, 92, 190, hot)}
        </>
      )}
    </>
  );
};

/** A house with a wing, seen from above: hips at the left, a gable at the right, a wing towards the reader. */
const plan = (part: PartOf<'plan'>, { hot, line, faint }: Inks): ReactNode => {
  const is = (one: PartOf<'plan'>): boolean => part === one;
  const part_ = (name: PartOf<'plan'>, d: string, width = 2.5) =>
    path(d, is(name) ? hot : faint, is(name) ? width + 2.5 : 1.2);
  return (
    <>
      {path('M20 20H280V120H210V190H130V120H20Z', line, 1.5)}
      {part_('common', 'M90 20V70M110 20V70M130 20V70M150 20V70M190 20V70M230 20V70M250 20V70')}
      {part_('hip-jack', 'M35 20V35M52 20V52M35 120V105M52 120V88')}
      {part_('king', 'M20 70H70')}
      {part_('valley-jack', 'M150 100V70M190 100V70')}
      {part_('cripple', 'M84 84V120M100 100V120')}
      {part_('purlin', 'M45 45H280M45 95H155')}
      {part_('header', 'M210 40H230')}
      {part_('trimmer', 'M200 20V70M240 20V70')}
      {part_('opening-jack', 'M220 20V32M220 54V70')}
      {part_('eave', 'M20 20H280M20 20V120H130', 3)}
      {part_('gable', 'M280 20V120', 3)}
      {path('M70 70H280', is('ridge') ? hot : line, is('ridge') ? 5 : 2)}
      {path('M170 190V80', is('ridge') ? hot : line, is('ridge') ? 5 : 2)}
      {path('M20 20L70 70L20 120', is('hip') ? hot : line, is('hip') ? 5 : 2)}
      {path('M130 120L170 80L210 120', is('valley') ? hot : line, is('valley') ? 5 : 2)}
      {is('block') && path('M90 26H110M110 26H130M130 26H150', hot, 5)}
      {is('barge') && path('M290 20V70M290 70V120', hot, 5)}
      {is('lookout') &&
        path('M280 30H290M280 45H290M280 60H290M280 80H290M280 95H290M280 110H290', hot, 4)}
      {is('gablet') && <Polygon points="60,60 70,70 60,80" fill={hot} stroke={hot} />}
      {is('spacing') && (
        <>
          {path('M90 20V70M110 20V70', line, 3)}
          {span(90, 12, 110, 12, hot)}
        </>
      )}
    </>
  );
};

/** A board from its wide face, and its edge beneath. */
const board = (part: PartOf<'board'>, { hot, line, faint, wood }: Inks): ReactNode => (
  <>
    <Polygon points="20,60 210,60 250,120 20,120" fill={wood} stroke={line} strokeWidth={1.5} />
    <Polygon points="20,150 250,150 220,174 20,174" fill={wood} stroke={line} strokeWidth={1.5} />
    {part === 'long' && <Circle cx={250} cy={150} r={8} fill={hot} />}
    {part === 'short' && <Circle cx={220} cy={174} r={8} fill={hot} />}
    {part === 'crown' && path('M20 60Q115 44 210 60', hot, 4)}
    {part === 'line' && (
      <>
        {path('M210 60L250 120', hot, 4)}
        {path('M190 30L263 140M190 30L120 60', faint, 7)}
      </>
    )}
    {part === 'complement' && (
      <>
        {path('M210 60V120', faint, 1.5, { strokeDasharray: '4 3' })}
        {path('M210 95A35 35 0 0 0 229 89', line, 3)}
        {path('M175 60A35 35 0 0 0 229 89', hot, 4)}
      </>
    )}
  </>
);

/** A hip cut square across, between the two slopes. */
const hip = (part: PartOf<'hip'>, { hot, line, wood }: Inks): ReactNode => (
  <>
    <Polygon
      points={
        part === 'backing'
          ? '120,72 150,60 180,72 180,190 120,190'
          : '120,72 180,72 180,190 120,190'
      }
      fill={wood}
      stroke={line}
      strokeWidth={1.5}
    />
    {path('M20 112L150 60L280 112', line, 3)}
    {part === 'drop' ? span(150, 60, 150, 72, hot) : path('M120 72L150 60L180 72', hot, 5)}
  </>
);

/** A board’s end, the blade leaning through it. */
const end = ({ hot, line, faint, wood }: Inks): ReactNode => (
  <>
    <Polygon points="60,90 230,90 230,140 60,140" fill={wood} stroke={line} strokeWidth={1.5} />
    {path('M150 30V160', faint, 1.5, { strokeDasharray: '4 3' })}
    {path('M120 30L165 165', line, 4)}
    {path('M150 50A60 60 0 0 0 128 54', hot, 5)}
  </>
);

/** A house cut across: rafters, collar, tie. */
const section = (part: PartOf<'section'>, { hot, line, faint, wall }: Inks): ReactNode => (
  <>
    <Polygon points="40,140 56,140 56,200 40,200" fill={wall} />
    <Polygon points="244,140 260,140 260,200 244,200" fill={wall} />
    {path('M24 152L150 30L276 152', line, 6)}
    {path('M104 74H196', part === 'collar' ? hot : faint, part === 'collar' ? 8 : 3)}
    {part === 'ledger' && (
      <>
        {path('M268 166L298 184', line, 6)}
        {path('M264 162V186', hot, 8)}
      </>
    )}
    {part === 'strut' && (
      <>
        <Polygon points="142,140 158,140 158,200 142,200" fill={wall} />
        {path('M150 138L92 98', hot, 6)}
      </>
    )}
    {(part === 'post' || part === 'beam') && (
      <>
        {path('M244 140H280', part === 'beam' ? hot : line, 10)}
        {path('M272 146V200', part === 'post' ? hot : line, 8)}
      </>
    )}
    {part === 'spacer' && path('M44 127H74', hot, 8)}
    {part === 'backing' && path('M44 134H74', hot, 6)}
    {part === 'stud' && path('M70 140V114M110 140V76M190 140V76M230 140V114', hot, 6)}
    {path('M42 136H258', part === 'tie' ? hot : faint, part === 'tie' ? 8 : 3)}
  </>
);

/** The part of a picture that a term names, pointed out in chalk. */
export const TermPicture = ({ label, ...shown }: Pictured & { readonly label: string }) => {
  const { colour } = useTheme();
  const inks: Inks = {
    hot: colour('chalk'),
    line: colour('ink'),
    faint: colour('edge'),
    wood: colour('wood'),
    wall: colour('grain'),
  };
  return (
    <View
      role="img"
      aria-label={`A small picture, the ${label} pointed out`}
      className="items-center rounded border border-grain bg-paper py-2"
    >
      <Svg width={300} height={210} viewBox="0 0 300 210">
        <G>
          {shown.of === 'eave'
            ? eave(shown.part, inks)
            : shown.of === 'plan'
              ? plan(shown.part, inks)
              : shown.of === 'board'
                ? board(shown.part, inks)
                : shown.of === 'hip'
                  ? hip(shown.part, inks)
                  : shown.of === 'end'
                    ? end(inks)
                    : section(shown.part, inks)}
        </G>
      </Svg>
    </View>
  );
};
