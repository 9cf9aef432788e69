import { randomUUID } from 'node:crypto';
import {
  jobFromStore,
  problemLine,
  type Job,
  type JobSummary,
  type RevisionSummary,
  type StoredJob,
} from '@ogee/core';
import type { Knex } from 'knex';

/** What came of a save: done, somebody else saved first, or there is no such job. */
export type Saved =
  | { readonly kind: 'saved'; readonly stored: StoredJob }
  | { readonly kind: 'conflict'; readonly current: StoredJob }
  | { readonly kind: 'absent' };

interface JobRow {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly sample: number;
  readonly updated_at: string;
  readonly deleted_at: string | null;
}

interface RevisionRow {
  readonly job_id: string;
  readonly revision: number;
  readonly body: string;
  readonly saved_at: string;
  readonly restored_from: number | null;
}

const summary = (row: JobRow): JobSummary => ({
  id: row.id,
  name: row.name,
  revision: row.revision,
  sample: row.sample === 1,
  updatedAt: row.updated_at,
  deletedAt: row.deleted_at,
});

/** A revision whose body no longer reads as a job: damaged, or kept by a newer program. */
export class Unreadable extends Error {
  constructor(
    readonly id: string,
    readonly revision: number,
    why: string,
  ) {
    super(`revision ${revision} of job ${id} cannot be read: ${why}`);
  }
}

const jobOf = ({ job_id, revision, body }: RevisionRow): Job => {
  const read = jobFromStore(body);
  if (read.ok) return read.value;
  throw new Unreadable(job_id, revision, read.problems.map(problemLine).join('; '));
};

/** Jobs and every revision of them. Every write is one transaction. */
export class JobStore {
  constructor(
    private readonly database: Knex,
    private readonly now: () => string = () => new Date().toISOString(),
  ) {}

  /** Newest change first; `deleted` lists the deleted ones instead. */
  async list(deleted: boolean): Promise<JobSummary[]> {
    const query = this.database<JobRow>('jobs').orderBy([
      { column: 'updated_at', order: 'desc' },
      { column: 'id' },
    ]);
    const rows = await (deleted ? query.whereNotNull('deleted_at') : query.whereNull('deleted_at'));
    return rows.map((row) => summary(row));
  }

  async read(id: string, connection: Knex = this.database): Promise<StoredJob | null> {
    const row = await connection<JobRow>('jobs').where({ id }).first();
    if (row === undefined) return null;
    const job = await this.readRevision(id, row.revision, connection);
    return job === null ? null : { ...summary(row), job };
  }

  async readRevision(
    id: string,
    revision: number,
    connection: Knex = this.database,
  ): Promise<Job | null> {
    const row = await connection<RevisionRow>('job_revisions')
      .where({ job_id: id, revision })
      .first();
    return row === undefined ? null : jobOf(row);
  }

  /** Newest first; null when there is no such job. */
  async revisions(id: string): Promise<RevisionSummary[] | null> {
    const rows = await this.database<RevisionRow>('job_revisions')
      .where({ job_id: id })
      .orderBy('revision', 'desc')
      .select<(Omit<RevisionRow, 'body'> & { name: string })[]>(
        'revision',
        'saved_at',
        'restored_from',
        this.database.raw("json_extract(body, '$.name') as name"),
      );
    if (rows.length === 0) return null;
    return rows.map((row) => ({
      revision: row.revision,
      savedAt: row.saved_at,
      name: row.name,
      restoredFrom: row.restored_from,
    }));
  }

  async create(job: Job, sample = false): Promise<StoredJob> {
    const id = randomUUID();
    const at = this.now();
    await this.database.transaction(async (trx) => {
      await trx('jobs').insert({ id, name: job.name, revision: 1, sample, updated_at: at });
      await trx('job_revisions').insert({
        job_id: id,
        revision: 1,
        body: JSON.stringify(job),
        saved_at: at,
      });
    });
    return { id, name: job.name, revision: 1, sample, updatedAt: at, deletedAt: null, job };
  }

  /** Saves over `revision` and over nothing newer. The former revision stays. */
  async save(
    id: string,
    revision: number,
    job: Job,
    restoredFrom: number | null = null,
  ): Promise<Saved> {
    return this.database.transaction(async (trx) => {
      const at = this.now();
      const changed = await trx('jobs')
        .where({ id, revision, deleted_at: null })
        .update({ revision: revision + 1, name: job.name, updated_at: at });
      if (changed === 1) {
        await trx('job_revisions').insert({
          job_id: id,
          revision: revision + 1,
          body: JSON.stringify(job),
          saved_at: at,
          restored_from: restoredFrom,
        });
      }
      const current = await this.read(id, trx);
      if (current === null) return { kind: 'absent' };
      return changed === 1 ? { kind: 'saved', stored: current } : { kind: 'conflict', current };
    });
  }

  /** Deleting hides; `deleted: false` brings back. False when there is no such job. */
  async setDeleted(id: string, deleted: boolean): Promise<boolean> {
    const changed = await this.database('jobs')
      .where({ id })
      .update({ deleted_at: deleted ? this.now() : null });
    return changed === 1;
  }

  async isEmpty(): Promise<boolean> {
    return (await this.database('jobs').first('id')) === undefined;
  }
}
