import { randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import {
  jobFromStore,
  problemLine,
  type Job,
  type JobSummary,
  type RevisionSummary,
  type StoredJob,
} from '@ogee/core';
import type { Knex } from 'knex';
import { Changes } from './changes';

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
  readonly entry_id: string | null;
  readonly said: string | null;
  readonly label: string | null;
  readonly by: string | null;
  readonly device: string | null;
  /** Why it is kept for good, beside its name. */
  readonly kept_for: 'conflict' | 'sawn' | null;
}

/** What came with a save, apart from the job. */
export interface Entry {
  /** Makes the same save sent twice one save. */
  readonly entry?: string | undefined;
  readonly said?: string | undefined;
  /** What the device that it came from is called, and its own id. */
  readonly by?: string | undefined;
  readonly device?: string | undefined;
  readonly restores?: number | undefined;
  /** Somebody was asked and chose it: the revision that it is saved over is kept for good. */
  readonly settles?: boolean | undefined;
}

const summary = (row: JobRow): JobSummary => ({
  id: row.id,
  name: row.name,
  revision: row.revision,
  sample: row.sample === 1,
  updatedAt: row.updated_at,
  deletedAt: row.deleted_at,
});

/** What a new job may come with. */
export interface NewJob extends Omit<Entry, 'restores' | 'settles'> {
  readonly id?: string | undefined;
  readonly sample?: boolean;
}

/** Another job has this id already. */
export class Taken extends Error {
  constructor(
    readonly id: string,
    text = `there is a job ${id} already`,
  ) {
    super(text);
  }
}

/** So many of a list are given at a time, unless fewer are asked for. */
export const PAGE = 200;

/** Where a page of jobs ended. */
export interface JobPlace {
  readonly updatedAt: string;
  readonly id: string;
}

/** A page of a list, and where the next one begins; null where it is the last. */
export interface Paged<T, Place> {
  readonly items: readonly T[];
  readonly next: Place | null;
}

/** A page of what was fetched with one more than it holds. */
const paged = <T, Place>(
  found: readonly T[],
  limit: number,
  place: (item: T) => Place,
): Paged<T, Place> => {
  const items = found.slice(0, limit);
  const last = items[items.length - 1];
  return { items, next: found.length > limit && last !== undefined ? place(last) : null };
};

/** The day of an instant, as the server's clock has it: revisions of one day are thinned out together. */
const dayOf = (iso: string): string => new Date(iso).toDateString();

/** Whether two jobs differ in nothing but how they are shown. */
const shownAlike = (
  { display: _one, ...before }: Job,
  { display: _other, ...after }: Job,
): boolean => isDeepStrictEqual(before, after);

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
    private readonly changes = new Changes(),
  ) {}

  /** Newest change first, a page at a time; `deleted` lists the deleted ones instead. */
  async list({
    deleted = false,
    after = null,
    limit = PAGE,
  }: {
    readonly deleted?: boolean;
    /** The job that the page before ended with. */
    readonly after?: JobPlace | null;
    readonly limit?: number;
  } = {}): Promise<Paged<JobSummary, JobPlace>> {
    const query = this.database<JobRow>('jobs')
      .orderBy([{ column: 'updated_at', order: 'desc' }, { column: 'id' }])
      .limit(limit + 1);
    if (after !== null)
      query.whereRaw('(updated_at < :updatedAt or (updated_at = :updatedAt and id > :id))', {
        ...after,
      });
    const rows = await (deleted ? query.whereNotNull('deleted_at') : query.whereNull('deleted_at'));
    return paged(rows.map(summary), limit, ({ updatedAt, id }) => ({ updatedAt, id }));
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

  /** Newest first, a page at a time; null when there is no such job. */
  async revisions(
    id: string,
    {
      before = null,
      limit = PAGE,
    }: { readonly before?: number | null; readonly limit?: number } = {},
  ): Promise<Paged<RevisionSummary, number> | null> {
    if ((await this.database<JobRow>('jobs').where({ id }).first('id')) === undefined) return null;
    const query = this.database<RevisionRow>('job_revisions').where({ job_id: id });
    if (before !== null) query.andWhere('revision', '<', before);
    const rows = await query
      .orderBy('revision', 'desc')
      .limit(limit + 1)
      .select<(Omit<RevisionRow, 'body'> & { name: string })[]>(
        'revision',
        'saved_at',
        'restored_from',
        'said',
        'label',
        'by',
        'device',
        'kept_for',
        this.database.raw("json_extract(body, '$.name') as name"),
      );
    const all = rows.map((row) => ({
      revision: row.revision,
      savedAt: row.saved_at,
      name: row.name,
      restoredFrom: row.restored_from,
      said: row.said,
      label: row.label,
      by: row.by,
      device: row.device,
      keptFor: row.kept_for,
    }));
    return paged(all, limit, ({ revision }) => revision);
  }

  /**
   * What an entry made, when it was sent before; null when it is new.
   *
   * @throws Taken where it is an entry of another job
   */
  private async madeBy(
    entry: string | undefined,
    id: string | null,
    connection: Knex,
  ): Promise<StoredJob | null> {
    if (entry === undefined) return null;
    const made = await connection<RevisionRow>('job_revisions').where({ entry_id: entry }).first();
    if (made === undefined) return null;
    if (id !== null && made.job_id !== id)
      throw new Taken(id, `entry ${entry} was made in another job`);
    const job = await connection<JobRow>('jobs').where({ id: made.job_id }).first();
    return job === undefined
      ? null
      : { ...summary(job), revision: made.revision, updatedAt: made.saved_at, job: jobOf(made) };
  }

  /** A new job at revision 1. Sent again by the same entry, it is the same job. */
  async create(
    job: Job,
    { id: wanted, entry, said, by, device, sample = false }: NewJob = {},
    connection: Knex = this.database,
  ): Promise<StoredJob> {
    const id = wanted ?? randomUUID();
    const stored = await connection.transaction(async (trx) => {
      const made = await this.madeBy(entry, wanted ?? null, trx);
      if (made !== null) return made;
      if ((await trx('jobs').where({ id }).first('id')) !== undefined) throw new Taken(id);
      const at = this.now();
      await trx('jobs').insert({ id, name: job.name, revision: 1, sample, updated_at: at });
      await trx('job_revisions').insert({
        job_id: id,
        revision: 1,
        body: JSON.stringify(job),
        saved_at: at,
        entry_id: entry ?? null,
        said: said ?? null,
        by: by ?? null,
        device: device ?? null,
      });
      return { id, name: job.name, revision: 1, sample, updatedAt: at, deletedAt: null, job };
    });
    this.tell(stored, { entry, device });
    return stored;
  }

  private tell({ id, revision }: JobSummary, { entry, device }: Entry = {}): void {
    this.changes.tell({
      kind: 'job',
      id,
      revision,
      entry: entry ?? null,
      device: device ?? null,
    });
  }

  /** Several new jobs, all of them or none. */
  async createAll(jobs: readonly Job[], more: NewJob): Promise<void> {
    await this.database.transaction(async (trx) => {
      for (const job of jobs) await this.create(job, more, trx);
    });
  }

  /**
   * Saves over `revision` and over nothing newer. The former revision stays, until old ones are thinned out. A save
   * that changes how the job is shown and nothing else makes no revision; one sent twice is one.
   */
  async save(id: string, revision: number, job: Job, entry: Entry = {}): Promise<Saved> {
    const saved = await this.database.transaction(async (trx): Promise<Saved> => {
      const made = await this.madeBy(entry.entry, id, trx);
      if (made !== null) return { kind: 'saved', stored: made };
      const before = await this.read(id, trx);
      if (before === null) return { kind: 'absent' };
      if (before.revision !== revision || before.deletedAt !== null) {
        // Whoever is asked may put it aside: it is kept for good.
        await trx('job_revisions')
          .where({ job_id: id, revision: before.revision })
          .update({ kept_for: 'conflict' });
        return { kind: 'conflict', current: before };
      }
      if (entry.settles === true)
        await trx('job_revisions')
          .where({ job_id: id, revision })
          .whereNull('kept_for')
          .update({ kept_for: 'conflict' });
      const at = this.now();
      const body = JSON.stringify(job);
      const quiet = entry.restores === undefined && shownAlike(before.job, job);
      const next = quiet ? revision : revision + 1;
      await trx('jobs').where({ id }).update({ revision: next, name: job.name, updated_at: at });
      if (quiet) await trx('job_revisions').where({ job_id: id, revision }).update({ body });
      else {
        await trx('job_revisions').insert({
          job_id: id,
          revision: next,
          body,
          saved_at: at,
          restored_from: entry.restores ?? null,
          entry_id: entry.entry ?? null,
          said: entry.said ?? null,
          by: entry.by ?? null,
          device: entry.device ?? null,
        });
        await this.thinOut(id, next, trx);
      }
      const stored = { ...before, name: job.name, revision: next, updatedAt: at, job };
      return { kind: 'saved', stored };
    });
    if (saved.kind === 'saved') this.tell(saved.stored, entry);
    return saved;
  }

  /**
   * Of every day before today only the last revision stays; and always those that were named, restored, brought back or
   * replaced by one that was, put aside in a conflict, or sawn from.
   */
  private async thinOut(id: string, newest: number, connection: Knex): Promise<void> {
    const rows = await connection<RevisionRow>('job_revisions')
      .where({ job_id: id })
      .orderBy('revision')
      .select('revision', 'saved_at', 'restored_from', 'label', 'kept_for');
    const today = dayOf(this.now());
    const brought = new Set(rows.map(({ restored_from }) => restored_from));
    const replaced = new Set(
      rows.flatMap(({ revision, restored_from }) => (restored_from === null ? [] : [revision - 1])),
    );
    const lastOfDay = new Map(rows.map(({ saved_at, revision }) => [dayOf(saved_at), revision]));
    const gone = rows.filter(
      ({ revision, saved_at, restored_from, label, kept_for }) =>
        revision !== newest &&
        dayOf(saved_at) !== today &&
        lastOfDay.get(dayOf(saved_at)) !== revision &&
        label === null &&
        restored_from === null &&
        kept_for === null &&
        !replaced.has(revision) &&
        !brought.has(revision),
    );
    if (gone.length === 0) return;
    await connection('job_revisions')
      .where({ job_id: id })
      .whereIn(
        'revision',
        gone.map(({ revision }) => revision),
      )
      .delete();
  }

  /** Names a revision, so that it is never thinned out; an empty name takes it off. False when there is none such. */
  async nameRevision(id: string, revision: number, label: string): Promise<boolean> {
    const changed = await this.database('job_revisions')
      .where({ job_id: id, revision })
      .update({ label: label === '' ? null : label });
    return changed === 1;
  }

  /** Deleting hides; `deleted: false` brings back. False when there is no such job. */
  async setDeleted(id: string, deleted: boolean): Promise<boolean> {
    const changed = await this.database('jobs')
      .where({ id })
      .update({ deleted_at: deleted ? this.now() : null });
    const row = await this.database<JobRow>('jobs').where({ id }).first();
    if (changed === 1 && row !== undefined) this.tell(summary(row));
    return changed === 1;
  }

  async isEmpty(): Promise<boolean> {
    return (await this.database('jobs').first('id')) === undefined;
  }
}
