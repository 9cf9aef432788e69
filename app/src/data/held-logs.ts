import type { LogEntry } from '@ogee/core/src/log';
import type { LogPage } from '@ogee/core/src/wire';
import { inOrder, lastOf, LogWindow, type KeptLog, type LogLine, type LogShelf } from './log-shelf';

/**
 * The logs as the device keeps them, and over that what this window holds itself: every line that was written here or seen
 * here. The device's store may go away at any moment; no line is then missed or uncounted. Nothing of it rejects.
 */
export class HeldLogs {
  private readonly held = new LogWindow();
  /** Pages that the device would not write, by job and place: where each ends. They are not fetched again. */
  private readonly unwritten = new Map<string, number>();

  constructor(private readonly shelf: LogShelf) {}

  async kept(jobId: string): Promise<KeptLog> {
    const shelved = await this.shelf.kept(jobId).catch(() => null);
    const lines = shelved?.lines ?? [];
    this.held.see(lines);
    const here = new Set(lines.map(({ id }) => id));
    const known = await this.held.kept(jobId);
    return {
      lines: inOrder(known.lines).map((line) =>
        line.at === 'device' && !here.has(line.id) ? { ...line, at: 'window' } : line,
      ),
      unread: shelved?.unread ?? 0,
    };
  }

  async waiting(): Promise<LogLine[]> {
    this.held.see(await this.shelf.waiting().catch(() => []));
    return this.held.waiting();
  }

  async add(jobId: string, entries: readonly LogEntry[]): Promise<void> {
    await this.held.add(jobId, entries);
    try {
      await this.putBackLost();
    } catch {
      // It lives in this window until it is sent.
    }
  }

  /** Gives the device what it does not have of what waits here. */
  async putBackLost(): Promise<void> {
    const shelved = await this.shelf.waiting();
    this.held.see(shelved);
    const here = new Set(shelved.map(({ id }) => id));
    const lost = (await this.held.waiting()).filter(({ id }) => !here.has(id));
    for (const jobId of new Set(lost.map((line) => line.jobId)))
      await this.shelf.add(
        jobId,
        lost.filter((line) => line.jobId === jobId).map(({ entry }) => entry),
      );
  }

  async moved(lines: readonly LogLine[], at: LogLine['at']): Promise<void> {
    await this.held.moved(lines, at);
    // Where the store is gone they are sent again some day, and are the same lines.
    await this.shelf.moved(lines, at).catch(() => undefined);
  }

  /** Up to where the server's lines of a job are here. */
  async place(jobId: string): Promise<number> {
    let place = await this.shelf.place(jobId).catch(() => this.held.place(jobId));
    for (;;) {
      const next = this.unwritten.get(`${jobId} ${place}`);
      if (next === undefined) return place;
      place = next;
    }
  }

  /** Lines that came from the server after a place. */
  async meet(jobId: string, page: LogPage, after: number): Promise<void> {
    // This window's own place counts from the log's beginning: what it misses it reads again when the store is gone.
    if (after <= (await this.held.place(jobId))) await this.held.meet(jobId, page);
    else
      this.held.see(
        page.entries.map(({ entry, ...place }) => ({
          id: entry.id,
          jobId,
          entry,
          at: 'server',
          own: false,
          ...place,
        })),
      );
    try {
      await this.shelf.meet(jobId, page);
    } catch {
      this.unwritten.set(`${jobId} ${after}`, lastOf(page));
    }
  }
}
