import { logEntrySchema, type LogEntry } from '@ogee/core/src/log';
import type { LogPage } from '@ogee/core/src/wire';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** A line of a job's log as this device has it. */
export interface LogLine {
  readonly id: string;
  readonly jobId: string;
  readonly entry: LogEntry;
  /** The server has it; it is on this device, or in this window alone, and not with the server yet; or that would not take it. */
  readonly at: 'server' | 'device' | 'window' | 'refused';
  /** It was written on this device. */
  readonly own: boolean;
}

/** A job's log as it is kept: its lines, and how many lie there that cannot be read. */
export interface KeptLog {
  readonly lines: readonly LogLine[];
  readonly unread: number;
}

/** Where log lines are kept on this device. A line is never changed, only where it is known to be. */
export interface LogShelf {
  readonly lasts: boolean;
  kept(jobId: string): Promise<KeptLog>;
  /** Lines that the server does not have yet, of all jobs, oldest first. */
  waiting(): Promise<LogLine[]>;
  add(jobId: string, entries: readonly LogEntry[]): Promise<void>;
  moved(lines: readonly LogLine[], at: LogLine['at']): Promise<void>;
  /** Up to where the server's lines of a job are here. */
  place(jobId: string): Promise<number>;
  /** Lines that came from the server, and up to where that was. */
  meet(jobId: string, page: LogPage): Promise<void>;
}

interface Shelves extends DBSchema {
  lines: { key: string; value: LogLine; indexes: { job: string; at: string } };
  places: { key: string; value: { jobId: string; seq: number } };
}

const oldestFirst = (lines: readonly LogLine[]): LogLine[] =>
  [...lines].sort((p, q) => p.entry.at.localeCompare(q.entry.at));

const lastOf = ({ entries }: LogPage): number => entries[entries.length - 1]?.seq ?? 0;

class Shelf implements LogShelf {
  readonly lasts = true;
  /** A line is never changed: whether it can be read is found out once. */
  private readonly read = new Map<string, boolean>();

  constructor(private readonly database: IDBPDatabase<Shelves>) {}

  async kept(jobId: string): Promise<KeptLog> {
    const all = await this.database.getAllFromIndex('lines', 'job', jobId);
    const lines = this.readable(all);
    return { lines, unread: all.length - lines.length };
  }

  async waiting(): Promise<LogLine[]> {
    return oldestFirst(this.readable(await this.database.getAllFromIndex('lines', 'at', 'device')));
  }

  /** A line of a later program, or a damaged one, stays where it is, and is not shown or sent by this one. */
  private readable(lines: readonly LogLine[]): LogLine[] {
    return lines.filter(({ id, entry }) => {
      const known = this.read.get(id) ?? logEntrySchema.safeParse(entry).success;
      this.read.set(id, known);
      return known;
    });
  }

  async add(jobId: string, entries: readonly LogEntry[]): Promise<void> {
    const work = this.database.transaction('lines', 'readwrite', { durability: 'strict' });
    for (const entry of entries)
      await work.store.put({ id: entry.id, jobId, entry, at: 'device', own: true });
    await work.done;
  }

  async moved(lines: readonly LogLine[], at: LogLine['at']): Promise<void> {
    const work = this.database.transaction('lines', 'readwrite');
    for (const line of lines) await work.store.put({ ...line, at });
    await work.done;
  }

  async place(jobId: string): Promise<number> {
    return (await this.database.get('places', jobId))?.seq ?? 0;
  }

  async meet(jobId: string, page: LogPage): Promise<void> {
    const work = this.database.transaction(['lines', 'places'], 'readwrite');
    const lines = work.objectStore('lines');
    for (const { entry } of page.entries) {
      const own = (await lines.get(entry.id))?.own === true;
      await lines.put({ id: entry.id, jobId, entry, at: 'server', own });
    }
    if (page.entries.length > 0) await work.objectStore('places').put({ jobId, seq: lastOf(page) });
    await work.done;
  }
}

/** Stands in where the browser lets nothing be kept: all goes with the window. */
export class LogWindow implements LogShelf {
  readonly lasts = false;
  private readonly held = new Map<string, LogLine>();
  private readonly places = new Map<string, number>();

  kept(jobId: string): Promise<KeptLog> {
    const lines = [...this.held.values()].filter((line) => line.jobId === jobId);
    return Promise.resolve({ lines, unread: 0 });
  }

  waiting(): Promise<LogLine[]> {
    return Promise.resolve(
      oldestFirst([...this.held.values()].filter(({ at }) => at === 'device')),
    );
  }

  add(jobId: string, entries: readonly LogEntry[]): Promise<void> {
    for (const entry of entries)
      this.held.set(entry.id, { id: entry.id, jobId, entry, at: 'device', own: true });
    return Promise.resolve();
  }

  moved(lines: readonly LogLine[], at: LogLine['at']): Promise<void> {
    for (const line of lines) this.held.set(line.id, { ...line, at });
    return Promise.resolve();
  }

  place(jobId: string): Promise<number> {
    return Promise.resolve(this.places.get(jobId) ?? 0);
  }

  meet(jobId: string, page: LogPage): Promise<void> {
    for (const { entry } of page.entries)
      this.held.set(entry.id, {
        id: entry.id,
        jobId,
        entry,
        at: 'server',
        own: this.held.get(entry.id)?.own === true,
      });
    if (page.entries.length > 0) this.places.set(jobId, lastOf(page));
    return Promise.resolve();
  }
}

/** Opens what this device keeps of logs; where it keeps nothing, a stand-in that lasts as long as the window. */
export const openLogShelf = async (name = 'ogee-log'): Promise<LogShelf> => {
  try {
    return new Shelf(
      await openDB<Shelves>(name, 1, {
        upgrade: (database) => {
          const lines = database.createObjectStore('lines', { keyPath: 'id' });
          lines.createIndex('job', 'jobId');
          lines.createIndex('at', 'at');
          database.createObjectStore('places', { keyPath: 'jobId' });
        },
      }),
    );
  } catch {
    return new LogWindow();
  }
};
