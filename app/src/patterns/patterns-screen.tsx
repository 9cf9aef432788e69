import type { Pattern } from '@ogee/core/src/cutting-day';
import { kindName } from '@ogee/core/src/kinds';
import { layWords } from '@ogee/core/src/wording';
import { View } from 'react-native';
import { Board, tapeMarks } from '../draw/board';
import { usePiece } from '../data/use-piece';
import { useDisplay, useJob } from '../data/open-job';
import { useDay, type Day } from '../saw/use-day';
import { useOpenPiece } from '../nav/open-piece';
import { useAddressed } from '../nav/addressed';
import { Button } from '../ui/button';
import { Caution } from '../ui/caution';
import { Choice } from '../ui/choice';
import { KindLine } from '../ui/kind-line';
import { writeLength, writeTenth } from '../ui/length-entry';
import { Loading } from '../ui/states';
import { Figure, Small, Strong, Title, Words } from '../ui/text';

/** To a hundredth, as finely as a slide is marked. mm */
const fine = (mm: number): number => Math.round(mm * 100) / 100;

/** What is traced from one pattern: how far it is slid for each line, and where its upper marks then come. */
const Traced = ({
  pattern,
  firstMarkMm,
}: {
  readonly pattern: Pattern;
  /** Where the pattern's first mark stands from its own upper end. */
  readonly firstMarkMm: number | null;
}) => {
  const display = useDisplay();
  return (
    <View role="list" aria-label="Traced from it" testID="traced">
      {pattern.lines.map(({ mark, shorter }) => (
        <View
          key={mark}
          role="listitem"
          className="flex-row flex-wrap items-baseline justify-between gap-x-3 border-t border-grain py-1"
        >
          <Figure className="w-14 text-2xl text-chalk">{mark}</Figure>
          <Words className="flex-1">
            {shorter < 0.05
              ? 'as the pattern'
              : `slide it ${writeLength(fine(shorter), display)} towards the tail`}
          </Words>
        </View>
      ))}
      {pattern.step !== null && (
        <Strong>
          Each is {writeLength(fine(pattern.step), display)} shorter than the one before.
        </Strong>
      )}
      {firstMarkMm !== null && (
        <Small>
          On the pattern itself the upper cut’s mark stands {writeTenth(firstMarkMm, display)} from
          its upper end.
        </Small>
      )}
    </View>
  );
};

const OnePattern = ({ pattern, cut }: { readonly pattern: Pattern; readonly cut: boolean }) => {
  const job = useJob();
  const openPiece = useOpenPiece();
  const piece = usePiece(pattern.mark)?.answer;
  if (piece == null) return <Loading what="Fetching the piece …" />;
  const { entry, board } = piece;
  const { display } = job;
  const marks = tapeMarks({ board, cuts: entry.cuts, mirrored: false, display });
  const both = pattern.hands.includes('left') && pattern.hands.includes('right');
  return (
    <View className="gap-3" testID="pattern">
      <View className="flex-row flex-wrap items-center gap-3">
        <Title>{pattern.mark}</Title>
        <Title level={3}>{kindName(entry.kind, display.terms)}</Title>
        <KindLine kind={entry.kind} />
      </View>
      <Words>
        {pattern.pieces} pieces of{' '}
        {pattern.lines.length === 1 ? 'one mark' : `${pattern.lines.length} marks`} ·{' '}
        {cut ? 'the pattern is sawn' : 'not sawn yet'}
      </Words>
      <Board
        board={board}
        cuts={entry.cuts}
        kind={entry.kind}
        display={display}
        mirrored={false}
        shownMm={null}
      />
      <View>
        {[
          `Saw one ${pattern.mark} by its sheet and write PATTERN on it, on both faces.`,
          'Try it in place, at two places at least, before anything is traced.',
          both
            ? 'Left and right: trace the square cuts from either face; strike the tilted one anew on each hand, or saw a pattern of each.'
            : layWords(entry),
          pattern.lines.length > 1
            ? 'For a shorter mark slide it along the edge towards the tail, so far as the list says, and trace the upper cut there.'
            : 'Trace the upper cut.',
          'Trace every piece from this one, never from a traced one.',
        ].map((text, i) => (
          <View key={i} className="flex-row gap-3 border-t border-grain py-2">
            <Figure className="w-6 text-2xl text-soft">{i + 1}</Figure>
            <Words className="flex-1">{text}</Words>
          </View>
        ))}
      </View>
      <Traced pattern={pattern} firstMarkMm={marks[0]?.at ?? null} />
      <Button label={`Sheet of ${pattern.mark}`} onPress={() => openPiece(pattern.mark)} />
    </View>
  );
};

const Patterns = ({ day }: { readonly day: Day }) => {
  const { patterns, lines } = day.answer;
  const [mark, setMark] = useAddressed<string>('of', patterns[0]?.mark ?? '', (text) => text);
  const pattern = patterns.find((one) => one.mark === mark) ?? patterns[0];
  if (pattern === undefined)
    return <Words>Every piece is a sort of its own: nothing to trace.</Words>;
  const own = new Set(pattern.lines.map((line) => line.mark));
  const cut = lines.some((line) => own.has(line.mark) && line.pattern);
  return (
    <>
      <Choice
        label="Pattern"
        hideLabel
        value={pattern.mark}
        options={patterns.map((one) => ({ value: one.mark, label: one.mark }))}
        onChange={setMark}
      />
      <OnePattern key={pattern.mark} pattern={pattern} cut={cut} />
    </>
  );
};

/** Pieces that share their cuts: one of each sort is sawn first, tried, and traced. */
export const PatternsScreen = () => {
  const day = useDay();
  return (
    <View className="gap-4" testID="patterns">
      <View>
        <Title level={1}>Patterns</Title>
        <Small>
          Pieces that share their cuts share one; jacks of a hip share one with its step.
        </Small>
      </View>
      {day === null ? <Loading what="Sorting the pieces …" /> : <Patterns day={day} />}
      <Caution
        level="note"
        text="a copy of a copy grows: half a saw’s width each time is an inch by the twentieth"
      />
    </View>
  );
};
