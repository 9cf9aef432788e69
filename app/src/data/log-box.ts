import type { LogEntry } from '@ogee/core/src/log';
import { LOG_BATCH } from '@ogee/core/src/wire';
import { api, Refused } from './api';
import { LogWindow, type KeptLog, type LogLine, type LogShelf } from './log-shelf';

/**
 * The logs' part of the outbox: each line is kept on the device first, then sent, in any order and however often; the
 * server knows it by its id. What the device refuses to keep lives in this window until it is sent.
 */
export class LogBox {
  private readonly spare = new LogWindow();
  /** Jobs that the server does not know, until it is asked anew. */
  private readonly unknown = new Set<string>();

  constructor(
    private readonly shelf: LogShelf,
    private readonly changed: () => void,
  ) {}

  async kept(jobId: string): Promise<KeptLog> {
    const [shelf, here] = await Promise.all([this.shelf.kept(jobId), this.spare.kept(jobId)]);
    const inWindow = (line: LogLine): LogLine =>
      line.at === 'device' ? { ...line, at: 'window' } : line;
    const shelved = this.shelf.lasts ? shelf.lines : shelf.lines.map(inWindow);
    const known = new Map([...here.lines.map(inWindow), ...shelved].map((line) => [line.id, line]));
    return { lines: [...known.values()], unread: shelf.unread };
  }

  async append(jobId: string, entries: readonly LogEntry[]): Promise<void> {
    try {
      await this.shelf.add(jobId, entries);
    } catch {
      await this.spare.add(jobId, entries);
    }
    this.changed();
  }

  /** The server is asked anew about jobs that it did not know. */
  askAnew(): void {
    this.unknown.clear();
  }

  /**
   * Sends the next lines of one job.
   *
   * @returns whether there was anything to send
   * @throws what the fetch throws where nobody answers, and `Refused` where the server failed
   */
  async sendNext(): Promise<boolean> {
    const waiting = (await this.waiting()).filter(({ jobId }) => !this.unknown.has(jobId));
    const jobId = waiting[0]?.jobId;
    if (jobId === undefined) return false;
    const batch = waiting.filter((line) => line.jobId === jobId).slice(0, LOG_BATCH);
    await this.deliver(jobId, batch);
    return true;
  }

  private async deliver(jobId: string, batch: readonly LogLine[]): Promise<void> {
    try {
      await api.addToLog(
        jobId,
        batch.map(({ entry }) => entry),
      );
      await this.moved(batch, 'server');
    } catch (error) {
      if (!(error instanceof Refused) || error.status >= 500) throw error;
      if (error.status === 404) this.unknown.add(jobId);
      // One bad line keeps no good one back.
      else if (batch.length > 1) for (const line of batch) await this.deliver(jobId, [line]);
      else await this.moved(batch, 'refused');
    }
  }

  /** Brings what other devices wrote to this one. */
  async fetch(jobId: string): Promise<void> {
    for (;;) {
      const page = await api.log(jobId, await this.shelf.place(jobId));
      if (page.entries.length === 0) return;
      try {
        await this.shelf.meet(jobId, page);
      } catch {
        await this.spare.meet(jobId, page);
        if (page.more) return;
      }
      this.changed();
      if (!page.more) return;
    }
  }

  private async waiting(): Promise<LogLine[]> {
    return [...(await this.shelf.waiting()), ...(await this.spare.waiting())];
  }

  private async moved(lines: readonly LogLine[], at: LogLine['at']): Promise<void> {
    const here = new Set((await this.spare.waiting()).map(({ id }) => id));
    const [spare, kept] = [true, false].map((own) =>
      lines.filter(({ id }) => here.has(id) === own),
    );
    if (spare !== undefined && spare.length > 0) await this.spare.moved(spare, at);
    if (kept !== undefined && kept.length > 0) await this.shelf.moved(kept, at);
  }
}
