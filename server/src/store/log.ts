import { isDeepStrictEqual } from 'node:util';
import type { LogEntry, LogPage } from '@ogee/core';
import type { Knex } from 'knex';
import { Changes } from './changes';

interface LogRow {
  readonly seq: number;
  readonly entry_id: string;
  readonly job_id: string;
  readonly body: string;
  readonly received_at: string;
}

/** So many lines are read at a time. */
const PAGE = 500;

/**
 * What came of lines for a log: added; there is no such job; another job's log has a line of that id; or this one has,
 * in other words.
 */
export type Added = 'added' | 'absent' | 'elsewhere' | 'otherwise';

/** A line as it is read again: without what is not there. */
const asWritten = (entry: LogEntry): unknown => JSON.parse(JSON.stringify(entry));

/** The logs of jobs. A line is written once and never changed; a deleted job's log still takes lines. */
export class LogStore {
  constructor(
    private readonly database: Knex,
    private readonly now: () => string = () => new Date().toISOString(),
    private readonly changes = new Changes(),
  ) {}

  /** Adds lines, all of them or none; one that came before, by its id, stays as it was. */
  async add(jobId: string, entries: readonly LogEntry[]): Promise<Added> {
    const added = await this.database.transaction(async (trx): Promise<Added> => {
      if ((await trx('jobs').where({ id: jobId }).first('id')) === undefined) return 'absent';
      const ids = entries.map(({ id }) => id);
      const there = await trx<LogRow>('job_log').whereIn('entry_id', ids);
      if (there.some(({ job_id }) => job_id !== jobId)) return 'elsewhere';
      const written = new Map(there.map(({ entry_id, body }) => [entry_id, JSON.parse(body)]));
      const differs = (entry: LogEntry): boolean =>
        written.has(entry.id) && !isDeepStrictEqual(written.get(entry.id), asWritten(entry));
      if (entries.some(differs)) return 'otherwise';
      const receivedAt = this.now();
      for (const entry of entries) {
        await trx('job_log')
          .insert({
            entry_id: entry.id,
            job_id: jobId,
            body: JSON.stringify(entry),
            received_at: receivedAt,
          })
          .onConflict('entry_id')
          .ignore();
      }
      await this.keepSawnFrom(jobId, entries, trx);
      return 'added';
    });
    if (added === 'added') this.changes.tell({ kind: 'log', id: jobId });
    return added;
  }

  /** A revision that pieces were sawn from is kept for good. */
  private async keepSawnFrom(
    jobId: string,
    entries: readonly LogEntry[],
    connection: Knex,
  ): Promise<void> {
    const froms = new Set(entries.flatMap((line) => (line.kind === 'tick' ? [line.from] : [])));
    for (const from of froms) {
      if (from === undefined) continue;
      const which = typeof from === 'number' ? { revision: from } : { entry_id: from };
      await connection('job_revisions')
        .where({ job_id: jobId, ...which })
        .whereNull('kept_for')
        .update({ kept_for: 'sawn' });
    }
  }

  /** Lines that came after a place in the order; null when there is no such job. */
  async after(jobId: string, seq: number): Promise<LogPage | null> {
    if ((await this.database('jobs').where({ id: jobId }).first('id')) === undefined) return null;
    const rows = await this.database<LogRow>('job_log')
      .where({ job_id: jobId })
      .andWhere('seq', '>', seq)
      .orderBy('seq')
      .limit(PAGE + 1);
    return {
      entries: rows.slice(0, PAGE).map((row) => ({
        seq: row.seq,
        received: row.received_at,
        entry: JSON.parse(row.body) as LogEntry,
      })),
      more: rows.length > PAGE,
    };
  }
}
