import { jobFromStore, type Job } from '@ogee/core/src/job';
import { storedJobSchema, type StoredJob } from '@ogee/core/src/wire';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { z } from 'zod';

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
  /** What it did: “Wall 1: 26000 → 27000”. */
  readonly said: string;
  /** The revision that it brings back. */
  readonly restores?: number;
}

export type NewEntry = Omit<Waiting, 'seq' | 'jobId'>;

/** Why a job's entries are not sent on, until a person says how to go on. */
export interface Stop {
  readonly jobId: string;
  readonly why: 'conflict' | 'deleted' | 'refused';
  readonly text: string;
  /** What is on the server. */
  readonly theirs: StoredJob | null;
}

/** Where a job's entries and copies are kept on this device. Every write is one transaction. */
export interface Device {
  /** Whether what is kept outlives this window. */
  readonly lasts: boolean;
  waiting(): Promise<Waiting[]>;
  /** Adds an entry made from the job as the last entry left it, in one go. */
  append(jobId: string, make: (latest: Job | null) => NewEntry | null): Promise<void>;
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

/** A job as its last entry left it, or as the server last had it. */
export const latestJob = (
  entries: readonly { readonly job: Job | null }[],
  copy: StoredJob | null | undefined,
): Job | null => entries.reduce<Job | null>((job, entry) => entry.job ?? job, copy?.job ?? null);

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
      why: z.enum(['conflict', 'deleted', 'refused']),
      text: z.string(),
      theirs: storedJobSchema.nullable(),
    })
    .safeParse(kept);
  return read.success ? [read.data] : [];
};

/** The device's own database. */
class Shelf implements Device {
  readonly lasts = true;

  constructor(private readonly database: IDBPDatabase<Shelves>) {}

  async waiting(): Promise<Waiting[]> {
    const whole: Waiting[] = [];
    for (const entry of await this.database.getAll('entries')) {
      const job = entry.job === null ? null : jobKept(entry.job);
      if (!isEntry(entry) || (job === null && !needsNoJob(entry))) await this.moveAside(entry);
      else whole.push({ ...entry, seq: entry.seq ?? 0, job });
    }
    return whole;
  }

  async append(jobId: string, make: (latest: Job | null) => NewEntry | null): Promise<void> {
    const work = this.database.transaction(['entries', 'copies'], 'readwrite', {
      durability: 'strict',
    });
    const entries = await work.objectStore('entries').index('job').getAll(jobId);
    const copy = await work.objectStore('copies').get(jobId);
    const entry = make(latestJob(entries, copy));
    if (entry !== null) await work.objectStore('entries').add({ ...entry, jobId });
    await work.done;
  }

  async sent(entry: Waiting, stored: StoredJob | null): Promise<void> {
    const work = this.database.transaction(['entries', 'copies'], 'readwrite');
    await work.objectStore('entries').delete(entry.seq);
    if (stored !== null) await work.objectStore('copies').put(stored);
    else if (entry.act === 'delete') await work.objectStore('copies').delete(entry.jobId);
    await work.done;
  }

  async copy(jobId: string): Promise<StoredJob | null> {
    const kept = storedJobSchema.safeParse(await this.database.get('copies', jobId));
    return kept.success ? kept.data : null;
  }

  async copies(): Promise<StoredJob[]> {
    const all = await this.database.getAll('copies');
    return all.flatMap((one) => {
      const kept = storedJobSchema.safeParse(one);
      return kept.success ? [kept.data] : [];
    });
  }

  async keepCopy(copy: StoredJob): Promise<void> {
    await this.database.put('copies', copy);
  }

  async stops(): Promise<Stop[]> {
    return (await this.database.getAll('stops')).flatMap(stopKept);
  }

  async setStop(jobId: string, stop: Stop | null): Promise<void> {
    await (stop === null ? this.database.delete('stops', jobId) : this.database.put('stops', stop));
  }

  async typed(jobId: string): Promise<ReadonlyMap<string, string>> {
    const all = await this.database.getAll('typed');
    return new Map(
      all
        .filter((one) => one.jobId === jobId && typeof one.text === 'string')
        .map(({ path, text }) => [path, text]),
    );
  }

  async setTyped(jobId: string, path: string, text: string | null): Promise<void> {
    await (text === null
      ? this.database.delete('typed', [jobId, path])
      : this.database.put('typed', { jobId, path, text }));
  }

  aside(): Promise<number> {
    return this.database.count('aside');
  }

  async setAside(unreadable: unknown): Promise<void> {
    await this.database.add('aside', unreadable);
  }

  private async moveAside(entry: Omit<Waiting, 'seq'> & { seq?: number }): Promise<void> {
    const work = this.database.transaction(['entries', 'aside'], 'readwrite');
    await work.objectStore('aside').add(entry);
    if (entry.seq !== undefined) await work.objectStore('entries').delete(entry.seq);
    await work.done;
  }
}

/** Stands in where the browser lets nothing be kept: all goes with the window, and the mark says so. */
export class Window implements Device {
  readonly lasts = false;
  private entries: Waiting[] = [];
  private readonly kept = new Map<string, StoredJob>();
  private readonly stopped = new Map<string, Stop>();
  private readonly texts = new Map<string, Map<string, string>>();
  private next = 1;

  waiting(): Promise<Waiting[]> {
    return Promise.resolve([...this.entries]);
  }

  append(jobId: string, make: (latest: Job | null) => NewEntry | null): Promise<void> {
    const own = this.entries.filter((entry) => entry.jobId === jobId);
    const entry = make(latestJob(own, this.kept.get(jobId)));
    if (entry !== null) this.entries.push({ ...entry, jobId, seq: this.next });
    this.next += 1;
    return Promise.resolve();
  }

  sent(entry: Waiting, stored: StoredJob | null): Promise<void> {
    this.entries = this.entries.filter(({ seq }) => seq !== entry.seq);
    if (stored !== null) this.kept.set(entry.jobId, stored);
    return Promise.resolve();
  }

  copy(jobId: string): Promise<StoredJob | null> {
    return Promise.resolve(this.kept.get(jobId) ?? null);
  }

  copies(): Promise<StoredJob[]> {
    return Promise.resolve([...this.kept.values()]);
  }

  keepCopy(copy: StoredJob): Promise<void> {
    this.kept.set(copy.id, copy);
    return Promise.resolve();
  }

  stops(): Promise<Stop[]> {
    return Promise.resolve([...this.stopped.values()]);
  }

  setStop(jobId: string, stop: Stop | null): Promise<void> {
    if (stop === null) this.stopped.delete(jobId);
    else this.stopped.set(jobId, stop);
    return Promise.resolve();
  }

  typed(jobId: string): Promise<ReadonlyMap<string, string>> {
    return Promise.resolve(this.texts.get(jobId) ?? new Map<string, string>());
  }

  setTyped(jobId: string, path: string, text: string | null): Promise<void> {
    const own = this.texts.get(jobId) ?? new Map<string, string>();
    if (text === null) own.delete(path);
    else own.set(path, text);
    this.texts.set(jobId, own);
    return Promise.resolve();
  }

  setAside(): Promise<void> {
    return Promise.reject(new Error('this window keeps nothing'));
  }

  aside(): Promise<number> {
    return Promise.resolve(0);
  }
}

/** Opens what this device keeps; where it keeps nothing, a stand-in that lasts as long as the window. */
export const openDevice = async (name = 'ogee'): Promise<Device> => {
  try {
    return new Shelf(
      await openDB<Shelves>(name, 1, {
        upgrade: (database) => {
          database
            .createObjectStore('entries', { keyPath: 'seq', autoIncrement: true })
            .createIndex('job', 'jobId');
          database.createObjectStore('copies', { keyPath: 'id' });
          database.createObjectStore('stops', { keyPath: 'jobId' });
          database.createObjectStore('typed', { keyPath: ['jobId', 'path'] });
          database.createObjectStore('aside', { autoIncrement: true });
        },
      }),
    );
  } catch {
    return new Window();
  }
};
