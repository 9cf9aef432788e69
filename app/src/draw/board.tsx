import { type ListedKind, KINDS } from '@ogee/core/src/kinds';
import type { BoardDrawing, BoardMark, CutEntry } from '@ogee/core/src/cuts';
import type { Job } from '@ogee/core/src/job';
import { formatLength, lengthFormat, spokenLength } from '@ogee/core/src/units';
import { useEffect, useRef } from 'react';
import { ScrollView, View } from 'react-native';
import Svg, {
  Defs,
  G,
  Line,
  Path,
  Pattern,
  Polygon,
  Rect,
  Text as SvgText,
} from 'react-native-svg';
import { useTheme } from '../theme/theme';
import { writeLength } from '../ui/length-entry';
import { Tape, TAPE_PX } from './tape';

const FACE_PX = 96;
const GAP_PX = 26;
const END_PX = 28;

interface BoardProps {
  readonly board: BoardDrawing;
  readonly cuts: readonly CutEntry[];
  readonly kind: ListedKind;
  readonly display: Job['display'];
  /** Draw the other hand: its left face is the mirror image of this one's right. */
  readonly mirrored: boolean;
  /** The reading to bring into sight; null leaves the board where it is. mm */
  readonly shownMm?: number | null;
}

/** Where a mark is read on the tape, on the face towards you. */
const readAt = (mark: BoardMark, mirrored: boolean): number | null =>
  mark.topEdge[mirrored ? 1 : 0];

/** A mark on the top edge, as the tape finds it from the hooked end. mm */
export interface TapeMark {
  readonly name: string;
  readonly at: number;
}

/** One label a cut's place: of a double cut, the cheek that comes out on this face. */
const labelled = (
  marks: readonly BoardMark[],
  cuts: readonly CutEntry[],
  mirrored: boolean,
): TapeMark[] =>
  marks.flatMap((mark, i) => {
    const at = readAt(mark, mirrored);
    const of = ({ cut }: BoardMark): string | undefined =>
      // A purlin has a lip at each end.
      cuts[cut]?.at === 'heel' ? cuts[cut].name : cuts[cut]?.at;
    const first = marks.findIndex(
      (other) => of(other) === of(mark) && readAt(other, mirrored) !== null,
    );
    return at === null || first !== i ? [] : [{ name: cuts[mark.cut]?.name ?? '', at }];
  });

/**
 * The marks that are made on the top edge, in the order in which the tape comes to them. Those that the crew reads alike
 * are one mark.
 */
export const tapeMarks = ({
  board,
  cuts,
  mirrored,
  display,
}: Pick<BoardProps, 'board' | 'cuts' | 'mirrored' | 'display'>): TapeMark[] => {
  const marks: TapeMark[] = [];
  for (const mark of labelled(board.marks, cuts, mirrored).sort((p, q) => p.at - q.at)) {
    const before = marks.at(-1);
    const alike =
      before !== undefined && writeLength(before.at, display) === writeLength(mark.at, display);
    if (!alike) marks.push(mark);
    else if (!before.name.split(' and ').includes(mark.name))
      marks[marks.length - 1] = { ...before, name: `${before.name} and ${mark.name}` };
  }
  return marks;
};

/** How wide a label of the tape's marks comes out, a letter. px */
const LETTER_PX = 7.5;
/** One row of labels above another. px */
const ROW_PX = 17;

/** Which row each label stands in, so that none is written over another: each in the lowest that has room. */
const rowsOf = (spans: readonly (readonly [from: number, to: number])[]): number[] => {
  const taken: (readonly [number, number])[][] = [];
  return spans.map((span) => {
    const free = taken.findIndex((row) =>
      row.every(([from, to]) => span[0] > to || span[1] < from),
    );
    const row = free === -1 ? taken.length : free;
    taken[row] = [...(taken[row] ?? []), span];
    return row;
  });
};

/** Room left before a mark that is scrolled to. px */
const BEFORE_MARK_PX = 60;

/**
 * The board as it lies on the trestles: tape on top, hooked on the upper end; then the top edge; then the wide face
 * towards you. What is sawn away is hatched; lines on the far face are dashed. One scale throughout.
 */
export const Board = ({ board, cuts, kind, display, mirrored, shownMm = null }: BoardProps) => {
  const { colour } = useTheme();
  const scroller = useRef<ScrollView>(null);
  const k = FACE_PX / board.depthMm;
  useEffect(() => {
    if (shownMm === null) return;
    scroller.current?.scrollTo({ x: Math.max(0, END_PX + shownMm * k - BEFORE_MARK_PX) });
  }, [shownMm, k]);
  const edgePx = board.thicknessMm * k;
  const edgeY = TAPE_PX + 12;
  const text = (mm: number): string => formatLength(mm, lengthFormat(display));
  const labels = tapeMarks({ board, cuts, mirrored, display }).map(({ name, at }) => ({
    at,
    words: `${name} ${text(at)}`,
    aloud: `${name} at ${spokenLength(at, display)}`,
    // Near the far end it is written to the left of its mark.
    last: at > board.lengthMm * 0.8,
  }));
  const rows = rowsOf(
    labels.map(({ at, words, last }) => {
      const [from, width] = [END_PX + at * k, words.length * LETTER_PX];
      return last ? [from - width, from] : [from, from + width];
    }),
  );
  const faceY = edgeY + edgePx + GAP_PX + ROW_PX * Math.max(0, ...rows);
  const width = board.lengthMm * k + 2 * END_PX;
  const height = faceY + FACE_PX + 34;
  const x = (mm: number): number => END_PX + mm * k;
  const onFace = (loop: readonly (readonly [number, number])[]): string =>
    loop.map(([px, py]) => `${x(px)},${faceY + py * k}`).join(' ');
  const onEdge = (loop: readonly (readonly [number, number])[]): string =>
    loop
      .map(([px, py]) => `${x(px)},${edgeY + (mirrored ? board.thicknessMm - py : py) * k}`)
      .join(' ');
  const near = mirrored ? board.right : board.left;
  const segment = (mark: BoardMark, far: boolean) => (far === mirrored ? mark.left : mark.right);
  const aloud = (mm: number): string => spokenLength(mm, display);
  const ink = colour('ink');
  const summary = labels.map((label) => label.aloud).join(', ');

  return (
    <ScrollView
      ref={scroller}
      horizontal
      role="region"
      aria-label="The board, from end to end"
      tabIndex={0}
      testID="board"
      className="rounded border border-grain bg-paper"
    >
      <View
        role="img"
        aria-label={`Board ${aloud(board.lengthMm)} long, from the upper end: ${summary}`}
      >
        <Svg width={width} height={height}>
          <Defs>
            <Pattern id="waste" width={7} height={7} patternUnits="userSpaceOnUse">
              <Path d="M-1 8L8 -1" stroke={colour('soft')} strokeWidth={1} />
            </Pattern>
          </Defs>
          <Tape lengthMm={board.lengthMm} k={k} leftPx={END_PX} display={display} />
          <Rect
            x={END_PX}
            y={edgeY}
            width={board.lengthMm * k}
            height={edgePx}
            fill="url(#waste)"
          />
          {board.edge.map((loop, i) => (
            <Polygon
              key={i}
              points={onEdge(loop)}
              fill={colour('wood')}
              stroke={ink}
              strokeWidth={1.5}
            />
          ))}
          <Rect
            x={END_PX}
            y={faceY}
            width={board.lengthMm * k}
            height={FACE_PX}
            fill="url(#waste)"
            stroke={colour('edge')}
          />
          {near.map((loop, i) => (
            <Polygon key={i} points={onFace(loop)} fill={colour('wood')} stroke={colour('wood')} />
          ))}
          <Line
            x1={x(0)}
            x2={x(board.lengthMm)}
            y1={faceY - 1}
            y2={faceY - 1}
            stroke={colour(kind)}
            strokeWidth={KINDS[kind].widthPx}
            strokeDasharray={[...KINDS[kind].dash]}
          />
          {board.marks.map((mark) =>
            [true, false].map((far) => {
              const line = segment(mark, far);
              if (line === null) return null;
              const [[x1, y1], [x2, y2]] = line;
              return (
                <Line
                  key={`${mark.cut}${String(far)}`}
                  x1={x(x1)}
                  y1={faceY + y1 * k}
                  x2={x(x2)}
                  y2={faceY + y2 * k}
                  stroke={ink}
                  strokeWidth={far ? 1.2 : 2.6}
                  strokeDasharray={far ? [4, 4] : []}
                />
              );
            }),
          )}
          {/* The heel's plumb line is pencilled right down to the notch, though only its foot is sawn. */}
          {board.marks.map((mark) => {
            const at = readAt(mark, mirrored);
            const foot = segment(mark, false)?.[0];
            return cuts[mark.cut]?.at !== 'heel' || at === null || foot === undefined ? null : (
              <Line
                key={mark.cut}
                x1={x(at)}
                y1={faceY}
                x2={x(foot[0])}
                y2={faceY + foot[1] * k}
                stroke={colour('chalk')}
                strokeWidth={1.2}
              />
            );
          })}
          {labels.map(({ at, words, last }, i) => {
            return (
              <G key={i}>
                <Path
                  d={`M${x(at)} ${TAPE_PX}l-5 8h10z M${x(at)} ${TAPE_PX}V${faceY}`}
                  fill={colour('chalk')}
                  stroke={colour('chalk')}
                  strokeWidth={1}
                />
                <SvgText
                  x={x(at) + (last ? -6 : 6)}
                  y={faceY - 8 - ROW_PX * (rows[i] ?? 0)}
                  textAnchor={last ? 'end' : 'start'}
                  fontSize={15}
                  fontFamily="BarlowCondensed_600SemiBold"
                  fill={ink}
                >
                  {words}
                </SvgText>
              </G>
            );
          })}
          <SvgText
            x={x(board.lengthMm * 0.3)}
            y={faceY + FACE_PX / 2}
            fontSize={15}
            fontFamily="SourceSans3_400Regular"
            fill={colour('soft')}
          >
            crown this way ↑
          </SvgText>
          <SvgText
            x={END_PX}
            y={faceY + FACE_PX + 20}
            fontSize={14}
            fontFamily="SourceSans3_400Regular"
            fill={colour('soft')}
          >
            upper end · left face towards you
          </SvgText>
        </Svg>
      </View>
    </ScrollView>
  );
};
