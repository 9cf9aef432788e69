import { jobFromStore, type Job } from '@ogee/core/src/job';
import { storedJobSchema, type StoredJob } from '@ogee/core/src/wire';
import type { DBSchema } from 'idb';
import { z } from 'zod';
import { allRebased, type Made } from './rebase';
import { KeptDatabase } from '../browser/kept-database';

/** An entry that the server does not have yet. */
export interface Waiting {
  /** Its place in the order of sending; given by the device. */
  readonly seq: number;
  /** Sent with it, so that sent twice it is one. */
  readonly id: string;
  readonly jobId: string;
  readonly act: 'create' | 'save' | 'delete' | 'undelete';
  /** The job as it stands after the entry; null for what changes none. */
  readonly job: Job | null;
  /** The job that it was made on; null where there was none, absent in entries of a former app. */
  readonly base?: Job | null;
  /** How often it was written anew on this device. */
  readonly anew?: number;
  /** A person was asked and chose it: what it is saved over is kept for good. */
  readonly settles?: boolean;
  /** What it did: “Wall 1: 26000 → 27000”. */
  readonly said: string;
  /** The revision that it brings back. */
  readonly restores?: number;
}

export type NewEntry = Omit<Waiting, 'seq' | 'jobId' | 'id' | 'base' | 'anew'>;

/** Makes an entry from the job as the last one left it; null where there is nothing to enter. */
export type MakeEntry = (latest: Job | null) => NewEntry | null;

/** Why a job's entries are not sent on, until a person says how to go on. */
export interface Stop {
  readonly jobId: string;
  /** `apart`: what was entered here and elsewhere makes no roof together. */
  readonly why: 'conflict' | 'apart' | 'deleted' | 'refused';
  readonly text: string;
  /** What is on the server. */
  readonly theirs: StoredJob | null;
}

/**
 * Where a job's entries and copies are kept on this device. Every write is one transaction, and comes to the same when it
 * is done twice. All of it may fail at any moment.
 */
export interface Device {
  /** How often its store was opened: after each time something may be gone from it. */
  readonly opened: number;
  waiting(): Promise<Waiting[]>;
  /** Adds the entry of an id, made from the job as the last entry left it, in one go; gives what was added. */
  append(jobId: string, id: string, make: MakeEntry): Promise<Waiting | null>;
  /** Puts entries that were lost from here back, behind those that are here. */
  putBack(entries: readonly Waiting[]): Promise<void>;
  /** Writes entries that wait here anew: the same ones, made on another job. Those that are gone stay so. */
  rewrite(entries: readonly Waiting[]): Promise<void>;
  /** An entry was sent: it goes, and what the server made of it is the new copy. */
  sent(entry: Waiting, stored: StoredJob | null): Promise<void>;
  copy(jobId: string): Promise<StoredJob | null>;
  copies(): Promise<StoredJob[]>;
  keepCopy(copy: StoredJob): Promise<void>;
  stops(): Promise<Stop[]>;
  setStop(jobId: string, stop: Stop | null): Promise<void>;
  /** What stands typed and not taken in a job's fields. */
  typed(jobId: string): Promise<ReadonlyMap<string, string>>;
  setTyped(jobId: string, path: string, text: string | null): Promise<void>;
  /** Keeps what could not be read. */
  setAside(unreadable: unknown): Promise<void>;
  /** How many entries could not be read and lie aside. */
  aside(): Promise<number>;
}

interface Shelves extends DBSchema {
  entries: {
    key: number;
    value: Omit<Waiting, 'seq'> & { seq?: number };
    indexes: { job: string };
  };
  copies: { key: string; value: StoredJob };
  stops: { key: string; value: Stop };
  typed: { key: [string, string]; value: { jobId: string; path: string; text: string } };
  aside: { key: number; value: unknown };
}

/** A job with all that was entered here on it, or as the server last had it. */
export const latestJob = (
  entries: readonly Made[],
  copy: StoredJob | null | undefined,
): Job | null => allRebased(entries, copy?.job ?? null).job;

/** Whether a copy is newer than another of the same job: a change of display alone makes no revision. */
export const isNewer = (copy: StoredJob, than: StoredJob | null): boolean =>
  than === null ||
  copy.revision > than.revision ||
  (copy.revision === than.revision && copy.updatedAt >= than.updatedAt);

/** What was kept is read by the schema: a field that came later gets its default, what is no job is none. */
const jobKept = (kept: unknown): Job | null => {
  const read = jobFromStore(JSON.stringify(kept ?? null));
  return read.ok ? read.value : null;
};

/** Whether an entry of this sort is one without a job. */
const needsNoJob = ({ act }: Pick<Waiting, 'act'>): boolean =>
  act === 'delete' || act === 'undelete';

const ACTS: readonly string[] = ['create', 'save', 'delete', 'undelete'] satisfies Waiting['act'][];

/** Whether what was kept can be sent at all. */
const isEntry = ({ id, jobId, act, said }: Omit<Waiting, 'seq' | 'job'>): boolean =>
  [id, jobId, said].every((text) => typeof text === 'string') && ACTS.includes(act);

/** Without its stop a job's entries are sent again, and what stopped them is found out anew. */
const stopKept = (kept: unknown): Stop[] => {
  const read = z
    .object({
      jobId: z.string(),
      why: z.enum(['conflict', 'apart', 'deleted', 'refused']),
      text: z.string(),
      theirs: storedJobSchema.nullable(),
    })
    .safeParse(kept);
  return read.success ? [read.data] : [];
};

/** The device's own database. */
class Shelf implements Device {
  /** Entries that were read before, by their id and how often they were written anew: a backlog is read once. */
  private read = new Map<string, Waiting>();

  constructor(private readonly database: KeptDatabase<Shelves>) {}

  get opened(): number {
    return this.database.opened;
  }

  async waiting(): Promise<Waiting[]> {
    const whole: Waiting[] = [];
    const before = this.read;
    this.read = new Map();
    for (const entry of await this.database.use((open) => open.getAll('entries'))) {
      const key = `${entry.id} ${entry.seq ?? 0} ${entry.anew ?? 0}`;
      const known = before.get(key);
      if (known !== undefined) {
        this.read.set(key, known);
        whole.push(known);
        continue;
      }
      const job = entry.job === null ? null : jobKept(entry.job);
      if (!isEntry(entry) || (job === null && !needsNoJob(entry))) await this.moveAside(entry);
      else {
        const base = entry.base == null ? {} : { base: jobKept(entry.base) };
        const read: Waiting = { ...entry, seq: entry.seq ?? 0, job, ...base };
        this.read.set(key, read);
        whole.push(read);
      }
    }
    return whole;
  }

  append(jobId: string, id: string, make: MakeEntry): Promise<Waiting | null> {
    return this.database.use(async (open) => {
      const work = open.transaction(['entries', 'copies'], 'readwrite', { durability: 'strict' });
      const all = await work.objectStore('entries').index('job').getAll(jobId);
      const entries = all.filter((entry) => entry.id !== id);
      const copy = await work.objectStore('copies').get(jobId);
      const base = latestJob(entries, copy);
      const made = make(base);
      const entry = made === null ? null : { ...made, id, jobId, base };
      // Done twice it is one: the first may have come through after all.
      for (const one of all)
        if (one.id === id && one.seq !== undefined)
          await work.objectStore('entries').delete(one.seq);
      const seq = entry === null ? 0 : await work.objectStore('entries').add(entry);
      await work.done;
      return entry === null ? null : { ...entry, seq };
    });
  }

  putBack(lost: readonly Waiting[]): Promise<void> {
    return this.database.use(async (open) => {
      const work = open.transaction('entries', 'readwrite', { durability: 'strict' });
      const here = new Set((await work.store.getAll()).map(({ id }) => id));
      for (const { seq: _lost, ...entry } of lost)
        if (!here.has(entry.id)) await work.store.add(entry);
      await work.done;
    });
  }

  rewrite(entries: readonly Waiting[]): Promise<void> {
    return this.database.use(async (open) => {
      const work = open.transaction('entries', 'readwrite', { durability: 'strict' });
      const anew = new Map(entries.map((entry) => [entry.id, entry]));
      for (const { id, seq } of await work.store.getAll()) {
        const entry = anew.get(id);
        if (entry !== undefined && seq !== undefined)
          await work.store.put({ ...entry, seq, anew: (entry.anew ?? 0) + 1 });
      }
      await work.done;
    });
  }

  sent({ id, seq, jobId, act }: Waiting, stored: StoredJob | null): Promise<void> {
    return this.database.use(async (open) => {
      const work = open.transaction(['entries', 'copies'], 'readwrite');
      const [entries, copies] = [work.objectStore('entries'), work.objectStore('copies')];
      const own = (await entries.get(seq))?.id === id;
      if (own) await entries.delete(seq);
      // Lost and put back since, it has another place.
      else
        for (const entry of await entries.index('job').getAll(jobId))
          if (entry.id === id && entry.seq !== undefined) await entries.delete(entry.seq);
      if (stored !== null) {
        const before = await copies.get(jobId);
        if (isNewer(stored, before ?? null)) await copies.put(stored);
      } else if (act === 'delete') await copies.delete(jobId);
      await work.done;
    });
  }

  async copy(jobId: string): Promise<StoredJob | null> {
    const kept = storedJobSchema.safeParse(
      await this.database.use((open) => open.get('copies', jobId)),
    );
    return kept.success ? kept.data : null;
  }

  async copies(): Promise<StoredJob[]> {
    const all = await this.database.use((open) => open.getAll('copies'));
    return all.flatMap((one) => {
      const kept = storedJobSchema.safeParse(one);
      return kept.success ? [kept.data] : [];
    });
  }

  async keepCopy(copy: StoredJob): Promise<void> {
    await this.database.use((open) => open.put('copies', copy));
  }

  async stops(): Promise<Stop[]> {
    return (await this.database.use((open) => open.getAll('stops'))).flatMap(stopKept);
  }

  async setStop(jobId: string, stop: Stop | null): Promise<void> {
    await this.database.use(async (open) => {
      if (stop === null) await open.delete('stops', jobId);
      else await open.put('stops', stop);
    });
  }

  async typed(jobId: string): Promise<ReadonlyMap<string, string>> {
    const all = await this.database.use((open) => open.getAll('typed'));
    return new Map(
      all
        .filter((one) => one.jobId === jobId && typeof one.text === 'string')
        .map(({ path, text }) => [path, text]),
    );
  }

  async setTyped(jobId: string, path: string, text: string | null): Promise<void> {
    await this.database.use(async (open) => {
      if (text === null) await open.delete('typed', [jobId, path]);
      else await open.put('typed', { jobId, path, text });
    });
  }

  aside(): Promise<number> {
    return this.database.use((open) => open.count('aside'));
  }

  async setAside(unreadable: unknown): Promise<void> {
    await this.database.use((open) => open.add('aside', unreadable));
  }

  private moveAside(entry: Omit<Waiting, 'seq'> & { seq?: number }): Promise<void> {
    return this.database.use(async (open) => {
      const work = open.transaction(['entries', 'aside'], 'readwrite');
      await work.objectStore('aside').add(entry);
      if (entry.seq !== undefined) await work.objectStore('entries').delete(entry.seq);
      await work.done;
    });
  }
}

/** What this device keeps. Opened when it is first used. */
export const openDevice = (name = 'ogee'): Device =>
  new Shelf(
    new KeptDatabase<Shelves>(name, 1, (database) => {
      database
        .createObjectStore('entries', { keyPath: 'seq', autoIncrement: true })
        .createIndex('job', 'jobId');
      database.createObjectStore('copies', { keyPath: 'id' });
      database.createObjectStore('stops', { keyPath: 'jobId' });
      database.createObjectStore('typed', { keyPath: ['jobId', 'path'] });
      database.createObjectStore('aside', { autoIncrement: true });
    }),
  );
