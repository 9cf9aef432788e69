import type { LogEntry } from '@ogee/core/src/log';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo } from 'react';
import { signed, type NewLine } from './log-line';
import type { KeptLog, LogLine } from './log-shelf';
import { useHandling } from './open-job';
import { useOutbox } from './outbox-provider';
import { useWho } from './who';

const key = (id: string) => ['log', id] as const;
const NONE: KeptLog = { lines: [], unread: 0 };

export interface SiteLog {
  readonly lines: readonly LogLine[];
  readonly entries: readonly LogEntry[];
  /** Lines that the server does not have yet, and those that it would not take. */
  readonly waiting: number;
  readonly refused: number;
  /** Lines on this device that cannot be read any more. */
  readonly unread: number;
  /** Of those that wait, how many are in this window alone, because the device would not keep them. */
  readonly unkept: number;
  /** Writes lines; gives their ids. */
  readonly write: (...lines: readonly NewLine[]) => Promise<readonly string[]>;
}

/** The open job's log: what this device has of it, brought up to date while it is looked at. */
export const useSiteLog = (): SiteLog => {
  const { id } = useHandling();
  const outbox = useOutbox();
  const client = useQueryClient();
  const [who] = useWho();
  useEffect(() => {
    const ends = [
      outbox.subscribe(() => void client.invalidateQueries({ queryKey: key(id) })),
      outbox.onChanges(({ missed, changes }) => {
        if (missed || changes.some((one) => one.kind === 'log' && one.id === id))
          void outbox.log.fetch(id).catch(() => undefined);
      }),
    ];
    return () => ends.forEach((end) => end());
  }, [outbox, client, id]);
  const { data: { lines, unread } = NONE } = useQuery({
    queryKey: key(id),
    queryFn: () => outbox.log.kept(id),
    networkMode: 'always',
    staleTime: Infinity,
  });
  useQuery({
    queryKey: ['log from the server', id],
    queryFn: async () => {
      await outbox.log.fetch(id).catch(() => undefined);
      return null;
    },
    networkMode: 'always',
    gcTime: 0,
    staleTime: 0,
  });
  const write = useCallback(
    async (...made: readonly NewLine[]): Promise<readonly string[]> => {
      const entries = made.map((line) => signed(line, who));
      await outbox.log.append(id, entries);
      return entries.map((entry) => entry.id);
    },
    [outbox, id, who],
  );
  const entries = useMemo(() => lines.map(({ entry }) => entry), [lines]);
  return {
    lines,
    entries,
    waiting: lines.filter(({ at }) => at === 'device' || at === 'window').length,
    unkept: lines.filter(({ at }) => at === 'window').length,
    unread,
    refused: lines.filter(({ at }) => at === 'refused').length,
    write,
  };
};
