import { logEntrySchema, type LogEntry } from '@ogee/core/src/log';
import type { LogPage } from '@ogee/core/src/wire';
import type { DBSchema } from 'idb';
import { KeptDatabase } from '../browser/kept-database';

/** A line of a job's log as this device has it. */
export interface LogLine {
  readonly id: string;
  readonly jobId: string;
  readonly entry: LogEntry;
  /** The server has it; it is on this device, or in this window alone, and not with the server yet; or that would not take it. */
  readonly at: 'server' | 'device' | 'window' | 'refused';
  /** It was written on this device. */
  readonly own: boolean;
  /** Its place in the server's order, and when it came there by the server's clock; absent until that is known here. */
  readonly seq?: number | undefined;
  readonly received?: string | undefined;
  /** Its place among those that were written on this device. */
  readonly made?: number | undefined;
}

/** In the server's order, then those that it does not have, as they were written: no phone's clock is asked. */
export const inOrder = (lines: readonly LogLine[]): LogLine[] =>
  [...lines].sort(
    (p, q) =>
      (p.seq ?? Infinity) - (q.seq ?? Infinity) || (p.made ?? Infinity) - (q.made ?? Infinity) || 0,
  );

/** A job's log as it is kept: its lines, and how many lie there that cannot be read. */
export interface KeptLog {
  readonly lines: readonly LogLine[];
  readonly unread: number;
}

/** Where log lines are kept. A line is never changed, only where it is known to be. The device's may fail at any moment. */
export interface LogShelf {
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

/** The place of a page's last line in the order. */
export const lastOf = ({ entries }: LogPage): number => entries[entries.length - 1]?.seq ?? 0;

class Shelf implements LogShelf {
  /** A line is never changed: whether it can be read is found out once. */
  private readonly read = new Map<string, boolean>();

  constructor(private readonly database: KeptDatabase<Shelves>) {}

  async kept(jobId: string): Promise<KeptLog> {
    const all = await this.database.use((open) => open.getAllFromIndex('lines', 'job', jobId));
    const lines = this.readable(all);
    return { lines, unread: all.length - lines.length };
  }

  async waiting(): Promise<LogLine[]> {
    const all = await this.database.use((open) => open.getAllFromIndex('lines', 'at', 'device'));
    return inOrder(this.readable(all));
  }

  /** A line of a later program, or a damaged one, stays where it is, and is not shown or sent by this one. */
  private readable(lines: readonly LogLine[]): LogLine[] {
    return lines.filter(({ id, entry }) => {
      const known = this.read.get(id) ?? logEntrySchema.safeParse(entry).success;
      this.read.set(id, known);
      return known;
    });
  }

  add(jobId: string, entries: readonly LogEntry[]): Promise<void> {
    return this.database.use(async (open) => {
      const work = open.transaction('lines', 'readwrite', { durability: 'strict' });
      let made = await work.store.count();
      for (const entry of entries)
        await work.store.put({ id: entry.id, jobId, entry, at: 'device', own: true, made: made++ });
      await work.done;
    });
  }

  moved(lines: readonly LogLine[], at: LogLine['at']): Promise<void> {
    return this.database.use(async (open) => {
      const work = open.transaction('lines', 'readwrite');
      for (const line of lines) await work.store.put({ ...line, at });
      await work.done;
    });
  }

  async place(jobId: string): Promise<number> {
    return (await this.database.use((open) => open.get('places', jobId)))?.seq ?? 0;
  }

  meet(jobId: string, page: LogPage): Promise<void> {
    return this.database.use(async (open) => {
      const work = open.transaction(['lines', 'places'], 'readwrite');
      const lines = work.objectStore('lines');
      for (const { entry, ...place } of page.entries) {
        const own = (await lines.get(entry.id))?.own === true;
        await lines.put({ id: entry.id, jobId, entry, at: 'server', own, ...place });
      }
      if (page.entries.length > 0)
        await work.objectStore('places').put({ jobId, seq: lastOf(page) });
      await work.done;
    });
  }
}

/** What this window holds itself: it goes with the window. */
export class LogWindow implements LogShelf {
  private readonly held = new Map<string, LogLine>();
  private readonly places = new Map<string, number>();

  kept(jobId: string): Promise<KeptLog> {
    const lines = [...this.held.values()].filter((line) => line.jobId === jobId);
    return Promise.resolve({ lines, unread: 0 });
  }

  waiting(): Promise<LogLine[]> {
    return Promise.resolve(inOrder([...this.held.values()].filter(({ at }) => at === 'device')));
  }

  add(jobId: string, entries: readonly LogEntry[]): Promise<void> {
    for (const entry of entries)
      this.held.set(entry.id, {
        id: entry.id,
        jobId,
        entry,
        at: 'device',
        own: true,
        made: this.held.size,
      });
    return Promise.resolve();
  }

  moved(lines: readonly LogLine[], at: LogLine['at']): Promise<void> {
    for (const line of lines) this.held.set(line.id, { ...line, at });
    return Promise.resolve();
  }

  /** Takes lines in as they are elsewhere. What is known of a line only grows: it waits, then the server has it or refused it. */
  see(lines: readonly LogLine[]): void {
    for (const line of lines) {
      const before = this.held.get(line.id);
      const own = line.own || before?.own === true;
      const at = before === undefined || before.at === 'device' ? line.at : before.at;
      const { seq = before?.seq, received = before?.received, made = before?.made } = line;
      this.held.set(line.id, { ...line, at, own, seq, received, made });
    }
  }

  place(jobId: string): Promise<number> {
    return Promise.resolve(this.places.get(jobId) ?? 0);
  }

  meet(jobId: string, page: LogPage): Promise<void> {
    for (const { entry, ...place } of page.entries)
      this.held.set(entry.id, {
        id: entry.id,
        jobId,
        entry,
        at: 'server',
        own: this.held.get(entry.id)?.own === true,
        ...place,
      });
    if (page.entries.length > 0)
      this.places.set(jobId, Math.max(lastOf(page), this.places.get(jobId) ?? 0));
    return Promise.resolve();
  }
}

/** What this device keeps of logs. Opened when it is first used. */
export const openLogShelf = (name = 'ogee-log'): LogShelf =>
  new Shelf(
    new KeptDatabase<Shelves>(name, 2, (database, old, _now, work) => {
      if (old === 1) {
        // The server's order of lines was not kept: all are read anew.
        void work.objectStore('places').clear();
        return;
      }
      const lines = database.createObjectStore('lines', { keyPath: 'id' });
      lines.createIndex('job', 'jobId');
      lines.createIndex('at', 'at');
      database.createObjectStore('places', { keyPath: 'jobId' });
    }),
  );
