import { KINDS, LISTED_KINDS, kindName } from '@ogee/core/src/kinds';
import type { Job } from '@ogee/core/src/job';
import { lazy, Suspense, useState } from 'react';
import { View } from 'react-native';
import { Loading } from '../ui/states';
import { Figure, Small, Words } from '../ui/text';
import type { Turn } from './use-day';

const ColumnChart = lazy(() => import('../draw/column-chart'));

interface KindDone {
  readonly kind: Turn['entry']['kind'];
  readonly done: number;
  readonly wanted: number;
}

const byKind = (turns: readonly Turn[]): KindDone[] =>
  LISTED_KINDS.flatMap((kind) => {
    const own = turns.filter(({ entry }) => entry.kind === kind);
    if (own.length === 0) return [];
    const sum = (of: (turn: Turn) => number): number => own.reduce((all, one) => all + of(one), 0);
    return [{ kind, done: sum(({ done }) => done), wanted: sum(({ wanted }) => wanted) }];
  });

/** How far the sawing has come, kind by kind: drawn, and in figures. */
export const Progress = ({
  turns,
  display,
}: {
  readonly turns: readonly Turn[];
  readonly display: Job['display'];
}) => {
  const [widthPx, setWidth] = useState(0);
  const kinds = byKind(turns);
  return (
    <View
      className="gap-2"
      testID="progress"
      onLayout={({ nativeEvent: { layout } }) => setWidth(layout.width)}
    >
      {widthPx > 0 && (
        <View
          role="img"
          aria-label="Sawn and still to saw, a column for each kind; the figures follow"
        >
          <Suspense fallback={<Loading what="Drawing …" />}>
            <ColumnChart
              widthPx={widthPx}
              columns={kinds.map(({ kind, done, wanted }) => ({
                label: KINDS[kind].letters,
                done,
                rest: wanted - done,
              }))}
            />
          </Suspense>
        </View>
      )}
      <View role="list" aria-label="Sawn by kind">
        {kinds.map(({ kind, done, wanted }) => (
          <View
            key={kind}
            role="listitem"
            className="flex-row items-baseline gap-3 border-t border-grain py-1"
          >
            <Figure className="w-10 text-chalk">{KINDS[kind].letters}</Figure>
            <Words className="flex-1">{kindName(kind, display.terms, true)}</Words>
            <Figure>
              {done} <Small>of</Small> {wanted}
            </Figure>
          </View>
        ))}
      </View>
    </View>
  );
};
