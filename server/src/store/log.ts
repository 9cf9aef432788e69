import type { LogEntry, LogPage } from '@ogee/core';
import type { Knex } from 'knex';

interface LogRow {
  readonly seq: number;
  readonly entry_id: string;
  readonly job_id: string;
  readonly body: string;
  readonly received_at: string;
}

/** So many lines are read at a time. */
const PAGE = 500;

/** What came of lines for a log: added, there is no such job, or another job's log has a line of that id. */
export type Added = 'added' | 'absent' | 'elsewhere';

/** The logs of jobs. A line is written once and never changed; a deleted job's log still takes lines. */
export class LogStore {
  constructor(
    private readonly database: Knex,
    private readonly now: () => string = () => new Date().toISOString(),
  ) {}

  /** Adds lines, all of them or none; one that came before, by its id, stays as it was. */
  async add(jobId: string, entries: readonly LogEntry[]): Promise<Added> {
    return this.database.transaction(async (trx): Promise<Added> => {
      if ((await trx('jobs').where({ id: jobId }).first('id')) === undefined) return 'absent';
      const ids = entries.map(({ id }) => id);
      const elsewhere = await trx<LogRow>('job_log')
        .whereIn('entry_id', ids)
        .whereNot({ job_id: jobId })
        .first('seq');
      if (elsewhere !== undefined) return 'elsewhere';
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
      return 'added';
    });
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
      entries: rows
        .slice(0, PAGE)
        .map((row) => ({ seq: row.seq, entry: JSON.parse(row.body) as LogEntry })),
      more: rows.length > PAGE,
    };
  }
}
