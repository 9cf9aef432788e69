import type { Exercise, ExerciseKind } from '@ogee/core/src/practice';
import type { Job } from '@ogee/core/src/job';
import { useQuery } from '@tanstack/react-query';
import { useState, useSyncExternalStore } from 'react';
import { Pressable, View } from 'react-native';
import { remember, setting } from '../browser/page-storage';
import { useLastOwnJob } from '../data/jobs';
import { Board } from '../draw/board';
import { exerciseAt } from '../solver/glance';
import { Page } from '../nav/page';
import { Button } from '../ui/button';
import { Loading } from '../ui/states';
import { Figure, Small, Strong, Title, Words } from '../ui/text';

const NAMES: Readonly<Record<ExerciseKind, string>> = {
  square: 'Reading the square',
  complement: 'Which is the complement',
  hand: 'Left or right hand',
  seventeen: '17 or 12',
  'long-point': 'Where the long point is',
  adding: 'Sums on the tape',
};

const EXERCISES = Object.keys(NAMES) as ExerciseKind[];

interface Score {
  readonly asked: number;
  readonly missed: number;
}
type Scores = Readonly<Partial<Record<ExerciseKind, Score>>>;

const KEPT = 'ogee.practice';
const listeners = new Set<() => void>();
let scores: Scores | null = null;

const readScores = (): Scores => {
  if (scores !== null) return scores;
  try {
    scores = JSON.parse(setting(KEPT) ?? '{}') as Scores;
  } catch {
    scores = {};
  }
  return scores;
};

const keepScores = (next: Scores): void => {
  scores = next;
  remember(KEPT, JSON.stringify(next));
  for (const listener of listeners) listener();
};

const useScores = (): Scores =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    readScores,
    readScores,
  );

/** What is missed most often comes first; what was never asked, before what is known. */
const nextKind = (kept: Scores, last: ExerciseKind | null): ExerciseKind => {
  const weight = (kind: ExerciseKind): number => {
    const { asked = 0, missed = 0 } = kept[kind] ?? {};
    return asked === 0 ? 1 : (missed + 0.3) / asked;
  };
  const order = EXERCISES.filter((kind) => kind !== last);
  return order.reduce(
    (best, kind) => (weight(kind) > weight(best) ? kind : best),
    order[0] ?? 'square',
  );
};

const drawn = (): number => Math.floor(Math.random() * 2 ** 31);

const Answers = ({
  exercise,
  chosen,
  onChoose,
}: {
  readonly exercise: Exercise;
  readonly chosen: number | null;
  readonly onChoose: (at: number) => void;
}) => (
  <View className="gap-2" role="group" aria-label="Answers">
    {exercise.answers.map(({ label, right, why }, i) => {
      const told = chosen !== null && (i === chosen || right);
      return (
        <Pressable
          key={label}
          role="button"
          disabled={chosen !== null}
          onPress={() => onChoose(i)}
          testID={`answer-${i}`}
          className={`min-h-[56px] justify-center rounded border px-3 py-2 active:bg-wash ${
            told
              ? right
                ? 'border-chalk bg-wash'
                : 'border-pencil bg-blush'
              : 'border-edge bg-sheet'
          }`}
        >
          <Figure className="text-2xl">
            {told ? (right ? '✓ ' : '✗ ') : ''}
            {label}
          </Figure>
          {told && <Words testID="why">{why}</Words>}
        </Pressable>
      );
    })}
  </View>
);

/** Short exercises on roofs that nobody builds, and a count of what is still mixed up. */
export const PracticeScreen = () => {
  const lastOwn = useLastOwnJob();
  const display: Job['display'] = lastOwn?.job.display ?? {
    units: 'imperial',
    fraction: 16,
    pitch: 'in12',
    terms: 'us',
  };
  const kept = useScores();
  const [{ kind, seed }, setTurn] = useState(() => ({
    kind: nextKind(readScores(), null),
    seed: drawn(),
  }));
  const [chosen, setChosen] = useState<number | null>(null);
  const { data: exercise } = useQuery({
    queryKey: ['exercise', kind, seed, display],
    queryFn: () => exerciseAt(kind, seed, display),
    staleTime: Infinity,
    gcTime: 0,
    networkMode: 'always',
  });
  const choose = (at: number): void => {
    const right = exercise?.answers[at]?.right === true;
    const { asked = 0, missed = 0 } = kept[kind] ?? {};
    keepScores({ ...kept, [kind]: { asked: asked + 1, missed: missed + (right ? 0 : 1) } });
    setChosen(at);
  };
  const go = (next: ExerciseKind): void => {
    setChosen(null);
    setTurn({ kind: next, seed: drawn() });
  };
  return (
    <Page name="Practice">
      {exercise === undefined ? (
        <Loading what="Drawing a roof …" />
      ) : (
        <View className="gap-3" testID="exercise">
          <Small>{NAMES[kind]}</Small>
          <Title level={2}>{exercise.question}</Title>
          {exercise.board !== null && (
            <Board
              board={exercise.board.drawing}
              cuts={exercise.board.entry.cuts}
              kind={exercise.board.entry.kind}
              display={display}
              mirrored={exercise.board.mirrored}
              shownMm={null}
            />
          )}
          <View aria-live="polite">
            <Answers exercise={exercise} chosen={chosen} onChoose={choose} />
          </View>
          {chosen !== null && (
            <Button
              label="Next"
              look="filled"
              onPress={() => go(nextKind(kept, kind))}
              testID="next-exercise"
            />
          )}
        </View>
      )}
      <View testID="mixed-up">
        <Title className="text-xl">Still mixed up</Title>
        {EXERCISES.map((one) => {
          const { asked = 0, missed = 0 } = kept[one] ?? {};
          return (
            <Pressable
              key={one}
              role="button"
              onPress={() => go(one)}
              className="min-h-[48px] flex-row items-center justify-between gap-3 border-t border-grain active:bg-wash"
            >
              <Words>{NAMES[one]}</Words>
              <Strong className={missed > 0 ? 'text-pencil' : ''}>
                {asked === 0 ? 'not asked yet' : `${missed} of ${asked} missed`}
              </Strong>
            </Pressable>
          );
        })}
      </View>
      <Small>Touch one to be asked about it.</Small>
    </Page>
  );
};
