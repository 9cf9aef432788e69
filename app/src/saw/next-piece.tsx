import { kindName } from '@ogee/core/src/kinds';
import type { Pattern } from '@ogee/core/src/cutting-day';
import type { Job } from '@ogee/core/src/job';
import { angleSummary, boardNeeded } from '@ogee/core/src/wording';
import Volume from 'lucide-react-native/icons/volume-2';
import { useState } from 'react';
import { View } from 'react-native';
import { tapeMarks, type TapeMark } from '../draw/board';
import type { PieceAnswer } from '../solver/answers';
import { Button } from '../ui/button';
import { KindLine } from '../ui/kind-line';
import { Length } from '../ui/length';
import { writeLength, writeStock } from '../ui/length-entry';
import { Figure, Small, Strong, Title, Words } from '../ui/text';
import { canSpeak, markAloud, sayAloud } from './read-aloud';
import type { Turn } from './use-day';

const HAND_WORDS = { left: 'left hand', right: 'right hand', plain: '' } as const;

/** What is said of the pattern: this one is it, or the others are traced from it. */
const PatternWords = ({
  pattern,
  mark,
  cut,
  display,
}: {
  readonly pattern: Pattern;
  readonly mark: string;
  /** Whether the pattern is sawn. */
  readonly cut: boolean;
  readonly display: Job['display'];
}) => {
  const shorter = pattern.lines.find((line) => line.mark === mark)?.shorter ?? 0;
  return (
    <View className="rounded border border-chalk bg-wash px-3 py-2" testID="pattern-words">
      {cut ? (
        <>
          <Strong>Trace it from the pattern, {pattern.mark}</Strong>
          <Small>
            {shorter > 0.5
              ? `slid ${writeLength(Math.round(shorter * 100) / 100, display)} towards its tail; never from a traced one`
              : 'never from a traced one: a copy of a copy grows'}
          </Small>
        </>
      ) : mark === pattern.mark ? (
        <>
          <Strong>Cut one first, mark it PATTERN</Strong>
          <Small>
            try it in place before the other{' '}
            {pattern.pieces === 2 ? 'is' : `${pattern.pieces - 1} are`} traced from it
          </Small>
        </>
      ) : (
        <>
          <Strong>Its pattern is {pattern.mark}</Strong>
          <Small>cut and try that first; this one is traced from it</Small>
        </>
      )}
    </View>
  );
};

/** The marks of a board, large enough to be read from the trestles; one is read aloud at a touch. */
const Marks = ({
  marks,
  at,
  display,
}: {
  readonly marks: readonly TapeMark[];
  readonly at: number;
  readonly display: Job['display'];
}) => (
  <View role="list" aria-label="Marks on the top edge">
    {marks.map((mark, i) => (
      <View
        key={`${mark.name} ${mark.at}`}
        role="listitem"
        className={`flex-row flex-wrap items-center justify-between gap-x-2 border-t border-grain py-1 ${i === at ? 'bg-wash' : ''}`}
      >
        <Words className="text-lg">{mark.name}</Words>
        <Length mm={mark.at} display={display} />
      </View>
    ))}
  </View>
);

interface NextPieceProps {
  readonly turn: Turn;
  readonly piece: PieceAnswer;
  readonly pattern: Pattern | undefined;
  readonly patternCut: boolean;
  readonly display: Job['display'];
}

/** The piece to saw now: its mark, how many are left, the board to take, and what to mark on it. */
export const NextPiece = ({ turn, piece, pattern, patternCut, display }: NextPieceProps) => {
  const { entry, hand, wanted, done } = turn;
  const mirrored = hand !== 'plain' && hand !== piece.board.hand;
  const marks = tapeMarks({ board: piece.board, cuts: entry.cuts, mirrored, display });
  const [said, setSaid] = useState(-1);
  const left = wanted - done;
  const readNext = (): void => {
    const next = (said + 1) % Math.max(1, marks.length);
    const mark = marks[next];
    if (mark === undefined) return;
    setSaid(next);
    sayAloud(markAloud(mark, display));
  };
  return (
    <View className="gap-3" testID="next-piece">
      <View className="flex-row flex-wrap items-end justify-between gap-x-4">
        <View>
          <Figure className="text-6xl text-chalk" testID="next-mark-name">
            {entry.mark}
          </Figure>
          <View className="flex-row items-center gap-2">
            <Title className="text-xl">{kindName(entry.kind, display.terms)}</Title>
            <KindLine kind={entry.kind} />
          </View>
          {hand !== 'plain' && <Strong>{HAND_WORDS[hand]}</Strong>}
        </View>
        <View className="items-end">
          <Figure className="text-5xl" testID="left-to-saw" aria-live="polite">
            {left > 0 ? left : '✓'}
          </Figure>
          <Words>{left > 0 ? `of ${wanted} left` : `all ${wanted} sawn`}</Words>
        </View>
      </View>
      <Words className="text-lg">
        {writeStock(entry.stock, display)} · {boardNeeded(entry.length.blank, display)}
      </Words>
      {pattern !== undefined && left > 0 && (
        <PatternWords pattern={pattern} mark={entry.mark} cut={patternCut} display={display} />
      )}
      <View className="flex-row flex-wrap items-center justify-between gap-2">
        <View className="shrink">
          <Small>Long point</Small>
          <Length mm={entry.length.longPoint} display={display} size="large" />
        </View>
        {canSpeak() && (
          <Button
            label={said < 0 ? 'Read a mark aloud' : 'Read the next'}
            icon={Volume}
            onPress={readNext}
            testID="read-aloud"
          />
        )}
      </View>
      <Marks marks={marks} at={said} display={display} />
      <Words>{angleSummary(entry.cuts, display)}</Words>
    </View>
  );
};
