import { KINDS, LISTED_KINDS, type ListedKind } from '@ogee/core/src/kinds';
import type { PlanDrawing, PlanTimber } from '@ogee/core/src/drawing';
import { v2, type Vec2, type Vec3 } from '@ogee/core/src/geom';
import type { CutList } from '@ogee/core/src/cuts';
import type { Job } from '@ogee/core/src/job';
import { formatLength, lengthFormat } from '@ogee/core/src/units';
import { memo, useRef } from 'react';
import { Pressable, View, type View as ViewRef } from 'react-native';
import Svg, { G } from 'react-native-svg';
import { useTheme } from '../theme/theme';
import { useStable } from '../ui/use-stable';
import { alike } from './alike';
import { Halo, uprightTurn } from './halo';
import { LETTER_SHARE, readable, type Name } from './names';
import { fitAt, fitPlan, inTenths, nearest } from './plan-fit';
import { Ring } from './ring';
import { Line, Path, Polygon } from './shapes';
import { WHOLE, type Sight } from './sight';

const MARGIN_PX = 50;
const TOUCH_PX = 28;
/** Names of timbers: their largest size, the least that is read, and their share of the room between two lines. px */
const LABEL = { most: 13, least: 8, share: 0.9 };

/** How dense the wood of a slope is: one slope, then the next beside it. */
const TONES = [0.55, 0.3] as const;

const offset = (p: Vec2, way: Vec2, by: number): Vec2 => v2.add(p, v2.scale(way, by));

interface PlanProps {
  readonly drawing: PlanDrawing;
  /** What it shows, in words. */
  readonly words: string;
  readonly display: Job['display'];
  /** How far apart rafters stand: the room for their names. */
  readonly spacingMm: number;
  readonly widthPx: number;
  readonly heightPx: number;
  /** What part of it is seen; all of it where none is given. */
  readonly sight?: Sight;
  readonly selected: string | null;
  readonly onPick: (mark: string) => void;
  /** Ids or marks of members to be ringed in red: where the fit found something wrong. */
  readonly wrong?: readonly string[];
  /** Places to be ringed in red. */
  readonly spots?: readonly Vec3[];
}

const Dimension = memo(({ from, to, text }: { from: Vec2; to: Vec2; text: string }) => {
  const { colour } = useTheme();
  const middle: Vec2 = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
  const turn = uprightTurn(from, to);
  const end = (p: Vec2) => `M${p[0] - 4} ${p[1] + 4}L${p[0] + 4} ${p[1] - 4}`;
  return (
    <G>
      <Line
        x1={from[0]}
        y1={from[1]}
        x2={to[0]}
        y2={to[1]}
        stroke={colour('soft')}
        strokeWidth={1}
      />
      <Path d={end(from) + end(to)} stroke={colour('soft')} strokeWidth={1.5} />
      <Halo at={middle} turn={turn} size={16} text={text} colour={colour('ink')} dy={5} />
    </G>
  );
}, alike);
Dimension.displayName = 'Dimension';

const stretch = (from: Vec2, to: Vec2): string => `M${from.join(' ')}L${to.join(' ')}`;

/** Timbers by kind: each kind is one path, in the order of kinds, the longest lines last. */
const byKind = (timbers: readonly PlanTimber[]): readonly (readonly [ListedKind, string])[] =>
  LISTED_KINDS.flatMap((kind) => {
    const own = timbers.filter((timber) => timber.kind === kind);
    return own.length === 0
      ? []
      : [[kind, own.map(({ from, to }) => stretch(from, to)).join('')] as const];
  });

/** A band of colour under timbers that are told apart from the rest. */
const Band = ({
  timbers,
  colour,
  widthPx,
}: {
  timbers: readonly PlanTimber[];
  colour: string;
  widthPx: number;
}) =>
  timbers.length === 0 ? null : (
    <Path
      d={timbers.map(({ from, to }) => stretch(from, to)).join('')}
      stroke={colour}
      strokeWidth={widthPx}
      strokeLinecap="round"
    />
  );

/** The timbers that stand on the roof's own lines. */
const isMajor = (kind: PlanTimber['kind']): boolean => KINDS[kind].stands === 'line';

/** Where along a timber its name stands: off the walls' names, and off those of the rafters that a tie lies beside. */
const NAMED_AT: Readonly<Partial<Record<ListedKind, number>>> = {
  fascia: 0.08,
  'rafter-tie': 0.33,
};

/** A timber's name where it stands on the plan. */
const nameOf = ({ id, from, to, kind, mark }: PlanTimber, size: number): Name => {
  const share = NAMED_AT[kind] ?? (isMajor(kind) ? 0.5 : 0.42);
  return {
    id,
    text: mark,
    // To a pixel and a degree: a wall half an inch longer moves its lines by less, and so no name.
    at: [
      Math.round(from[0] + (to[0] - from[0]) * share),
      Math.round(from[1] + (to[1] - from[1]) * share),
    ],
    turn: Math.round(uprightTurn(from, to)),
    size: isMajor(kind) ? LABEL.most : size,
  };
};

/** What a plan shows, in words: how many of each mark. */
export const countsOf = ({ members }: CutList): string =>
  members.map(({ count, mark }) => `${count} ${mark}`).join(', ');

/** The roof from above, to scale: every timber by its mark, touched to open its piece. */
export const Plan = (props: PlanProps) => {
  const { drawing, words, display, spacingMm, widthPx, heightPx, selected, onPick } = props;
  const { wrong = [], spots = [], sight = WHOLE } = props;
  const { colour } = useTheme();
  const surface = useRef<ViewRef>(null);
  const { outlines, faces, edges, walls, dimensions } = drawing;
  const fit = fitAt(
    fitPlan(
      drawing.faces.flatMap((face) => face.points),
      widthPx,
      heightPx,
      MARGIN_PX,
    ),
    sight,
  );
  const timbers = drawing.timbers.map((timber) => ({
    ...timber,
    from: fit.toPx(timber.from),
    to: fit.toPx(timber.to),
  }));
  const kinds = byKind(timbers);
  const size = inTenths(Math.min(LABEL.most, spacingMm * fit.pxPerMm * LABEL.share));
  // A piece shorter than its name is not named: the list and a touch tell of it.
  const hasRoom = ({ from, to, mark }: PlanTimber): boolean =>
    Math.hypot(to[0] - from[0], to[1] - from[1]) > mark.length * size * LETTER_SHARE;
  const minor =
    size < LABEL.least ? [] : timbers.filter((one) => !isMajor(one.kind) && hasRoom(one));
  const major = timbers.filter(({ kind }) => isMajor(kind));
  const kindOf = new Map(timbers.map(({ id, kind }) => [id, kind]));
  const names = readable(
    [...major, ...minor].map((timber) => nameOf(timber, size)),
    widthPx,
    heightPx,
  );
  const points = (loop: readonly Vec2[]): string =>
    loop.map((p) => fit.toPx(p).join(',')).join(' ');
  const text = (mm: number): string => formatLength(mm, lengthFormat(display));

  const touch = useStable((event: { nativeEvent: { pageX: number; pageY: number } }): void => {
    const box = (surface.current as unknown as HTMLElement).getBoundingClientRect();
    const at: Vec2 = [
      event.nativeEvent.pageX - window.scrollX - box.left,
      event.nativeEvent.pageY - window.scrollY - box.top,
    ];
    const found = nearest(timbers, at, TOUCH_PX);
    if (found !== null) onPick(found.mark);
  });

  return (
    <Pressable ref={surface} onPress={touch} tabIndex={-1} testID="plan">
      <View role="img" aria-label={`Roof plan to scale: ${words}. The cut list opens each piece.`}>
        <Svg width={widthPx} height={heightPx}>
          {/* Pieces of one slope share a tone; its own line covers the seams between them. */}
          {TONES.map((tone, turn) => (
            <Path
              key={tone}
              d={faces
                .filter(({ slope }) => slope % TONES.length === turn)
                .map((face) => `M${points(face.points)}Z`)
                .join('')}
              fill={colour('wood', tone)}
            />
          ))}
          <Path
            d={edges.map(([from, to]) => stretch(fit.toPx(from), fit.toPx(to))).join('')}
            stroke={colour('edge')}
            strokeWidth={1}
          />
          {outlines.map((outline, i) => (
            <Polygon
              key={i}
              points={points(outline)}
              fill="none"
              stroke={colour('ink', 0.7)}
              strokeWidth={1.5}
              strokeDasharray={[3, 3]}
            />
          ))}
          <Band
            timbers={timbers.filter(({ id }) => wrong.includes(id))}
            colour={colour('pencil', 0.5)}
            widthPx={16}
          />
          <Band
            timbers={timbers.filter(({ mark }) => mark === selected)}
            colour={colour('chalk', 0.45)}
            widthPx={14}
          />
          {kinds.map(([kind, path]) => (
            <Path
              key={kind}
              d={path}
              stroke={colour(kind)}
              strokeWidth={KINDS[kind].widthPx}
              strokeDasharray={[...KINDS[kind].dash]}
            />
          ))}
          {/* Names over all lines, those of hips and ridge before the rest where room is short. */}
          {names.map(({ id, text: mark, at, turn, size: own }) => (
            <Halo
              key={id}
              at={at}
              turn={turn}
              size={own}
              text={mark}
              colour={colour(kindOf.get(id) ?? 'ink')}
              dy={own * 0.35}
            />
          ))}
          {dimensions.map(({ from, to, outward, lengthMm }, i) => {
            const shift = (p: Vec2): Vec2 => fit.toPx(offset(p, outward, 34 / fit.pxPerMm));
            return <Dimension key={i} from={shift(from)} to={shift(to)} text={text(lengthMm)} />;
          })}
          {walls.map(({ block, side, gable, from, to, inward, over }) => {
            const name = outlines.length === 1 ? 'wall' : block;
            return (
              <Halo
                key={`${block} ${side}`}
                at={fit.toPx(offset(over, inward, -10 / fit.pxPerMm))}
                turn={uprightTurn(fit.toPx(from), fit.toPx(to))}
                size={13}
                text={`${name} ${side + 1}${gable ? ' · gable' : ''}`}
                colour={colour('soft')}
                dy={4}
              />
            );
          })}
          {drawing.withheld.map((spot) => (
            <Ring key={spot.join(' ')} at={fit.toPx(spot)} colour="chalk" dashed />
          ))}
          {spots.map(([x, y], i) => (
            <Ring key={i} at={fit.toPx([x, y])} colour="pencil" />
          ))}
        </Svg>
      </View>
    </Pressable>
  );
};
