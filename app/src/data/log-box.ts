import type { LogEntry } from '@ogee/core/src/log';
import { LOG_BATCH } from '@ogee/core/src/wire';
import { api, isForLater, Refused } from './api';
import { HeldLogs } from './held-logs';
import { lastOf, type KeptLog, type LogLine, type LogShelf } from './log-shelf';

/**
 * The logs' part of the outbox: each line is kept on the device first, then sent, in any order and however often; the
 * server knows it by its id.
 */
export class LogBox {
  private readonly logs: HeldLogs;
  /** Jobs that the server does not know, until it is asked anew. */
  private readonly unknown = new Set<string>();

  constructor(
    shelf: LogShelf,
    private readonly changed: () => void,
  ) {
    this.logs = new HeldLogs(shelf);
  }

  kept(jobId: string): Promise<KeptLog> {
    return this.logs.kept(jobId);
  }

  async append(jobId: string, entries: readonly LogEntry[]): Promise<void> {
    await this.logs.add(jobId, entries);
    this.changed();
  }

  /** Gives the device what it does not have of what waits here. */
  putBackLost(): Promise<void> {
    return this.logs.putBackLost();
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
    const waiting = (await this.logs.waiting()).filter(({ jobId }) => !this.unknown.has(jobId));
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
      await this.logs.moved(batch, 'server');
    } catch (error) {
      if (isForLater(error) || !(error instanceof Refused)) throw error;
      if (error.status === 404) this.unknown.add(jobId);
      // One bad line keeps no good one back.
      else if (batch.length > 1) for (const line of batch) await this.deliver(jobId, [line]);
      else await this.logs.moved(batch, 'refused');
    }
  }

  /** Brings what other devices wrote to this one. */
  async fetch(jobId: string): Promise<void> {
    let after = await this.logs.place(jobId);
    for (let more = true; more;) {
      const page = await api.log(jobId, after);
      if (page.entries.length === 0) return;
      await this.logs.meet(jobId, page, after);
      after = lastOf(page);
      this.changed();
      more = page.more;
    }
  }
}
