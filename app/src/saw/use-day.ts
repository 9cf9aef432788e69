import type { CutListEntry, Hands } from '@ogee/core/src/cuts';
import { standingTicks, type Tick } from '@ogee/core/src/log';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useRoof } from '../data/roof';
import { useSiteLog, type SiteLog } from '../data/site-log';
import type { DayAnswer } from '../solver/answers';

export type Hand = keyof Hands;

/** Pieces of one line and one hand: what is sawn one after the other. */
export interface Turn {
  readonly entry: CutListEntry;
  readonly hand: Hand;
  readonly wanted: number;
  readonly done: number;
  /** Which step of the raising wants it first, from 0. */
  readonly stage: number;
}

export interface Day {
  readonly log: SiteLog;
  readonly ticks: readonly Tick[];
  readonly answer: DayAnswer;
  readonly turns: readonly Turn[];
}

const turnsOf = (
  lines: readonly CutListEntry[],
  { stages, lines: done }: DayAnswer,
): readonly Turn[] =>
  stages.flatMap(({ marks }, stage) =>
    marks.flatMap((mark) => {
      const entry = lines.find((line) => line.mark === mark);
      const own = done.find((line) => line.mark === mark)?.done;
      if (entry === undefined) return [];
      return (['plain', 'left', 'right'] as const)
        .filter((hand) => entry.hands[hand] > 0)
        .map((hand) => ({
          entry,
          hand,
          wanted: entry.hands[hand],
          done: own?.[hand] ?? 0,
          stage,
        }));
    }),
  );

/**
 * The day's work of the roof on the screen, with what the log says is sawn; null until it is first told.
 *
 * @param wanted when it is worked out: always, or only where something is sawn
 */
export const useDay = (wanted: 'always' | 'sawn' = 'always'): Day | null => {
  const { roof, ask } = useRoof();
  const log = useSiteLog();
  const ticks = useMemo(() => standingTicks(log.entries), [log.entries]);
  const sawn = useMemo(() => ticks.map(({ id }) => id).join(), [ticks]);
  const { data } = useQuery({
    queryKey: ['day', roof?.serial ?? 0, sawn],
    queryFn: async () =>
      roof === null
        ? null
        : { roof, answer: await ask(roof, (solver, subject) => solver.day(subject, ticks)) },
    enabled: roof !== null && (wanted === 'always' || ticks.length > 0),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
    gcTime: 0,
    networkMode: 'always',
    structuralSharing: false,
  });
  return useMemo(() => {
    if (data == null || data.answer === null) return null;
    const { answer } = data;
    return { log, ticks, answer, turns: turnsOf(data.roof.cuts.members, answer) };
  }, [data, log, ticks]);
};
