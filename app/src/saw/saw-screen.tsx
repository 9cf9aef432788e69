import Check from 'lucide-react-native/icons/check';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import Minus from 'lucide-react-native/icons/minus';
import Plus from 'lucide-react-native/icons/plus';
import Undo from 'lucide-react-native/icons/undo-2';
import { useEffect, useState } from 'react';
import { Pressable, Text, View } from 'react-native';
import { useDisplay, useStanding } from '../data/open-job';
import { useRoof } from '../data/roof';
import { addressed, intoAddress, useOpenedWith } from '../nav/addressed';
import { usePiece } from '../data/use-piece';
import { useTheme } from '../theme/theme';
import { IconButton } from '../ui/button';
import { Caution } from '../ui/caution';
import { Fold } from '../ui/fold';
import { Loading } from '../ui/states';
import { Figure, Small, Title, Words } from '../ui/text';
import { useStable } from '../ui/use-stable';
import { ClockOff, LogMark, NameEntry } from '../log/log-mark';
import { whenText } from '../ui/when';
import { Misfits } from './misfits';
import { NextPiece } from './next-piece';
import { Progress } from './progress';
import { beSilent } from './read-aloud';
import { useAwake } from './use-awake';
import { useDay, type Day, type Turn } from './use-day';
import { useSwipe } from './use-swipe';

const keyOf = ({ entry, hand }: Turn): string => `${entry.mark}.${hand}`;

/** The first that is not done, from a place on and round again; the place itself where all are. */
const nextOpen = (turns: readonly Turn[], from: number): number => {
  const order = turns.map((_, i) => (from + i) % turns.length);
  return order.find((at) => (turns[at]?.done ?? 0) < (turns[at]?.wanted ?? 0)) ?? from;
};

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement;

/** Keys of the day, beside those of the app. */
const useKeys = (keys: Readonly<Record<string, () => void>>): void => {
  const press = useStable((event: KeyboardEvent): void => {
    if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
    const act = keys[event.key];
    if (act === undefined) return;
    event.preventDefault();
    act();
  });
  useEffect(() => {
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [press]);
};

/** Which turn is looked at: by its mark and hand, so that it stays when the list changes round it. */
const useTurn = (turns: readonly Turn[]) => {
  const [key, setKey] = useState<string | null>(() => addressed('piece', (text) => text));
  useOpenedWith('piece');
  const found = turns.findIndex((turn) => keyOf(turn) === key);
  const at = found === -1 ? nextOpen(turns, 0) : found;
  return {
    at,
    go: (to: number): void => {
      const turn = turns[Math.min(turns.length - 1, Math.max(0, to))];
      if (turn === undefined) return;
      beSilent();
      setKey(keyOf(turn));
      intoAddress('piece', keyOf(turn));
    },
  };
};

/** One press for one piece, or for as many as the counter says. */
const TickBar = ({
  count,
  most,
  notYet,
  onCount,
  onTick,
  onUndo,
}: {
  readonly count: number;
  readonly most: number;
  /** What it waits for: nothing is sawn from a list that is still being proved, or without its piece in sight. */
  readonly notYet: string | null;
  readonly onCount: (count: number) => void;
  readonly onTick: () => void;
  readonly onUndo: (() => void) | null;
}) => {
  const { colour } = useTheme();
  return (
    <View className="flex-row flex-wrap items-center gap-1 border-y border-edge bg-sheet px-2 py-2">
      <IconButton
        label="Take the last tick back"
        icon={Undo}
        disabled={onUndo === null}
        onPress={() => onUndo?.()}
        testID="undo-tick"
      />
      <IconButton
        label="One fewer at once"
        icon={Minus}
        disabled={count <= 1}
        onPress={() => onCount(count - 1)}
      />
      <Figure className="min-w-[28px] text-center text-2xl" aria-label={`${count} at once`}>
        {count}
      </Figure>
      <IconButton
        label="One more at once"
        icon={Plus}
        disabled={count >= most}
        onPress={() => onCount(count + 1)}
        testID="more-at-once"
      />
      <Pressable
        role="button"
        onPress={onTick}
        disabled={most === 0 || notYet !== null}
        testID="tick"
        className={`min-h-[64px] min-w-[130px] flex-1 flex-row items-center justify-center gap-2 rounded border border-chalk bg-chalk px-3 active:opacity-70 ${most === 0 || notYet !== null ? 'opacity-40' : ''}`}
      >
        <Check size={28} color={colour('onchalk')} />
        <Text className="font-strong text-xl text-onchalk">
          {notYet ?? (count === 1 ? 'Sawn' : `${count} sawn`)}
        </Text>
      </Pressable>
    </View>
  );
};

const DayAtTheSaw = ({ day }: { readonly day: Day }) => {
  const display = useDisplay();
  const { turns, answer, ticks, log } = day;
  const { at, go } = useTurn(turns);
  const [several, setSeveral] = useState(1);
  const [charted, chart] = useState(false);
  const turn = turns[at];
  const piece = usePiece(turn?.entry.mark ?? '')?.answer;
  const swiped = useSwipe((by) => go(at + by));
  const left = turn === undefined ? 0 : turn.wanted - turn.done;
  const count = Math.max(1, Math.min(several, left));
  const pattern = answer.patterns.find(({ lines }) =>
    lines.some(({ mark }) => mark === turn?.entry.mark),
  );
  const cutOf = new Set(answer.lines.flatMap((line) => (line.pattern ? [line.mark] : [])));
  const patternCut = pattern?.lines.some(({ mark }) => cutOf.has(mark)) === true;
  const own = new Set(log.lines.flatMap((line) => (line.own ? [line.id] : [])));
  const mine = [...ticks].reverse().find((one) => own.has(one.id));
  const sawn = piece?.sawn.find(({ hand }) => hand === turn?.hand);
  const proved = useRoof().roof?.proved === true;
  const { from } = useStanding();

  const tick = (): void => {
    if (turn === undefined || sawn === undefined || left === 0 || !proved) return;
    const first = pattern !== undefined && !patternCut && pattern.mark === turn.entry.mark;
    void log.write({
      kind: 'tick',
      sawn,
      count,
      pattern: first,
      ...(from === null ? {} : { from }),
    });
    setSeveral(1);
    if (count < left) return;
    // All of these are sawn: on to the next that is wanted.
    const rest = turns.map((one, i) => (i === at ? { ...one, done: one.wanted } : one));
    go(nextOpen(rest, at));
  };
  const undo =
    mine === undefined
      ? null
      : (): void => {
          void log.write({ kind: 'undo', of: mine.id });
          const where = turns.findIndex(
            ({ entry, hand }) => entry.mark === mine.sawn.mark && hand === mine.sawn.hand,
          );
          if (where !== -1) go(where);
        };
  useKeys({
    ArrowRight: () => go(at + 1),
    ArrowLeft: () => go(at - 1),
    s: tick,
    Backspace: () => undo?.(),
  });

  if (turn === undefined) return <Words>There is nothing to saw.</Words>;
  const stage = answer.stages[turn.stage];
  const done = turns.reduce((sum, one) => sum + one.done, 0);
  const wanted = turns.reduce((sum, one) => sum + one.wanted, 0);
  return (
    <View className="gap-3" testID="saw">
      <View className="flex-row items-center gap-1">
        <IconButton
          label="Piece before"
          icon={ChevronLeft}
          disabled={at === 0}
          onPress={() => go(at - 1)}
        />
        <View className="min-w-0 flex-1">
          <Title level={1} className="text-xl" numberOfLines={2}>
            {stage?.title}
          </Title>
          <Small testID="day-done">
            {done} of {wanted} sawn · stage {turn.stage + 1} of {answer.stages.length}
          </Small>
        </View>
        <IconButton
          label="Next piece"
          icon={ChevronRight}
          disabled={at === turns.length - 1}
          onPress={() => go(at + 1)}
          testID="next-turn"
        />
      </View>
      <Misfits misfits={answer.misfits} display={display} />
      <View ref={swiped}>
        {piece == null ? (
          <Loading what="Fetching the piece …" />
        ) : (
          <NextPiece
            key={keyOf(turn)}
            turn={turn}
            piece={piece}
            pattern={pattern}
            patternCut={patternCut}
            display={display}
          />
        )}
      </View>
      <View style={{ position: 'sticky' as 'relative', bottom: 0 }} className="-mx-4">
        <TickBar
          count={count}
          most={left}
          notYet={!proved ? 'Proving …' : sawn === undefined ? 'Fetching …' : null}
          onCount={setSeveral}
          onTick={tick}
          onUndo={undo}
        />
      </View>
      {mine !== undefined && (
        <Small testID="last-tick">
          Last ticked here: {mine.count} × {mine.sawn.mark}
          {mine.sawn.hand === 'plain' ? '' : `, ${mine.sawn.hand}`}, {whenText(mine.at)}
          {mine.by === '' ? '' : `, ${mine.by}`}
        </Small>
      )}
      <LogMark log={log} />
      <ClockOff />
      <NameEntry />
      <Caution
        level="caution"
        text="Clamp the board, keep the cord and the other hand behind the saw, and let the guard close. Read the mark twice before the blade is in the wood."
      />
      <Fold
        title="How far we are"
        level={2}
        what={`${done} of ${wanted} pieces, by kind`}
        open={charted}
        onOpen={chart}
        testID="how-far"
      >
        {charted && <Progress turns={turns} display={display} />}
      </Fold>
    </View>
  );
};

/** The next piece at the saw, for one thumb; the screen stays awake while it is shown. */
export const SawScreen = () => {
  const awake = useAwake();
  useEffect(() => beSilent, []);
  const day = useDay();
  if (day === null) return <Loading what="Putting the day in order …" />;
  return (
    <View className="gap-2">
      <DayAtTheSaw day={day} />
      {!awake && <Small>This browser lets the screen go to sleep.</Small>}
    </View>
  );
};
