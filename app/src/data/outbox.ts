import type { Job, Renaming } from '@ogee/core/src/job';
import type { ChangesPage, StoredJob } from '@ogee/core/src/wire';
import { dequal } from 'dequal';
import { newId } from '../browser/new-id';
import { alone } from '../browser/turns';
import { api, isForLater, Refused } from './api';
import type { Device, MakeEntry, Stop, Waiting } from './device';
import { HeldDevice, type HeldEntry } from './held-device';
import { LogBox } from './log-box';
import { openLogShelf, type LogShelf } from './log-shelf';
import { isWhole, rebased, withRenamed } from './rebase';
import { TypedTexts } from './typed-texts';
import { whoNow } from './who';

/** What is known of one job on this device. */
export interface JobState {
  /** As the server last had it; null for a job made here and not sent yet. */
  readonly copy: StoredJob | null;
  readonly waiting: readonly HeldEntry[];
  readonly stop: Stop | null;
}

const TOLD_EVERY_MS = 200;
const FIRST_RETRY_MS = 1000;
const LONGEST_RETRY_MS = 30_000;
const SENDER = 'ogee-sender';
const NEWS = 'ogee-news';

/** What windows of this device tell each other: something changed; these entries are with the server. */
interface News {
  readonly sent: readonly string[];
}

/** The entries of a job were written anew, and are read again before they are sent. */
class MadeAnew extends Error {}

/** What goes with a save, apart from the job. */
const markOf = ({ id, said, restores, settles }: Waiting) => ({
  entry: id,
  said,
  by: whoNow(),
  ...(restores === undefined ? {} : { restores }),
  ...(settles === true ? { settles } : {}),
});

/** An entry that a person must be asked about before it is sent. */
class Asked extends Error {
  constructor(
    readonly why: 'conflict' | 'apart',
    text: string,
    readonly theirs: StoredJob,
  ) {
    super(text);
  }
}

/**
 * Every entry goes through here: kept on the device first, then sent in the order in which it was made, each exactly
 * once however often it takes. A job whose entry the server does not take is stopped; the others go on.
 */
export class Outbox {
  private readonly device: HeldDevice;
  private readonly listeners = new Set<() => void>();
  private readonly hearers = new Set<(page: ChangesPage) => void>();
  private build: string | null = null;
  private readonly texts: TypedTexts;
  /** Entries that the device is being given. */
  private appending: Promise<unknown> = Promise.resolve();
  private news: BroadcastChannel | null;
  private running: Promise<void> | null = null;
  private again = false;
  private retryMs = FIRST_RETRY_MS;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private isAway = false;
  private toldAt = 0;
  private telling: ReturnType<typeof setTimeout> | null = null;
  private disposed = false;

  /** What happened on site, by the same way to the server. */
  readonly log: LogBox;

  constructor(
    device: Device,
    logs: LogShelf = openLogShelf(),
    /** Whether a job has a roof: one that was merged and has none is asked about. */
    private readonly stands: (job: Job) => Promise<boolean> = () => Promise.resolve(true),
  ) {
    this.device = new HeldDevice(device);
    this.texts = new TypedTexts(this.device);
    this.log = new LogBox(logs, () => {
      this.tell(true);
      void this.send();
    });
    this.news = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(NEWS);
    if (this.news !== null)
      this.news.onmessage = ({ data }: MessageEvent<News>) => {
        this.device.letGo(data.sent);
        this.tell();
      };
    if (typeof window !== 'undefined' && typeof window.addEventListener === 'function')
      window.addEventListener('online', () => void this.send());
  }

  /** The server did not answer when it was last tried. */
  get away(): boolean {
    return this.isAway;
  }

  /** Whether closing this window would lose an entry. */
  get holdsAlone(): boolean {
    return this.device.holdsAlone;
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Which build of the app the server serves, as it last said; null before it has. */
  get served(): string | null {
    return this.build;
  }

  /** What changed on the server, from whatever device. */
  hear(page: ChangesPage): void {
    const newer = page.build !== null && page.build !== this.build;
    if (newer) this.build = page.build;
    for (const hearer of this.hearers) hearer(page);
    if (newer) this.tell();
    // It answers: what waits need not wait longer.
    if (this.isAway) void this.send();
  }

  readonly onChanges = (hearer: (page: ChangesPage) => void): (() => void) => {
    this.hearers.add(hearer);
    return () => this.hearers.delete(hearer);
  };

  waiting(): Promise<HeldEntry[]> {
    return this.device.waiting();
  }

  async state(jobId: string): Promise<JobState> {
    const [copy, waiting, stops] = await Promise.all([
      this.device.copy(jobId),
      this.device.waiting(),
      this.device.stops(),
    ]);
    return {
      copy,
      waiting: waiting.filter((entry) => entry.jobId === jobId),
      stop: stops.find((stop) => stop.jobId === jobId) ?? null,
    };
  }

  stops(): Promise<Stop[]> {
    return this.device.stops();
  }

  copies(): Promise<StoredJob[]> {
    return this.device.copies();
  }

  aside(): Promise<number> {
    return this.device.aside();
  }

  /** Keeps an entry, made from the job as the last one left it, and sends it as soon as it can. Never rejects. */
  append(jobId: string, make: MakeEntry): Promise<void> {
    const done = this.keepEntry(jobId, make);
    this.appending = Promise.allSettled([this.appending, done]);
    return done;
  }

  private async keepEntry(jobId: string, make: MakeEntry): Promise<void> {
    await this.device.append(jobId, newId(), make);
    this.tell(true);
    void this.send();
  }

  /** When every entry that was made so far is kept, on the device or in this window. */
  async rest(): Promise<void> {
    await this.appending;
  }

  /** A fresh copy came from the server: what waits here is made again on it. Fetched ahead, it is no news. */
  async meet(copy: StoredJob, { tell = true } = {}): Promise<void> {
    const { copy: before, waiting } = await this.state(copy.id);
    // Entries of a former app do not say what they were made on: they are sent over what they knew.
    if (before !== null && waiting.some(({ base, job }) => job !== null && base === undefined))
      return;
    if (before !== null && before.revision > copy.revision) return;
    if (before !== null && before.revision === copy.revision && before.updatedAt === copy.updatedAt)
      return;
    await this.device.keepCopy(copy);
    if (tell) this.tell();
  }

  /** A person has chosen what was entered here: it is made again over what is there, and wins where both changed. */
  async settle(jobId: string, over: StoredJob): Promise<void> {
    const { waiting, stop } = await this.state(jobId);
    let onto = over.job;
    const renamed: Renaming[] = [];
    const anew = waiting.flatMap(({ kept: _kept, ...one }, i) => {
      const entry = withRenamed(one, renamed);
      if (entry.job === null) return [];
      const made = rebased(entry, onto);
      renamed.push(...made.renamed);
      const own = stop?.why === 'apart' ? entry.job : (made.job ?? entry.job);
      const again = { ...entry, base: onto, job: own, ...(i === 0 && { settles: true }) };
      onto = own;
      return [again];
    });
    await this.device.rewrite(anew);
    await this.device.keepCopy(over);
  }

  /** What was stopped is sent on. */
  async goOn(jobId: string): Promise<void> {
    await this.device.setStop(jobId, null);
    this.tell(true);
    await this.send();
  }

  /** Brings a job back that was deleted elsewhere, before its entries are sent on. */
  async revive(jobId: string): Promise<void> {
    await api.undelete(jobId);
  }

  /** What stands typed and not taken: on the device, or on its way there. */
  async typed(jobId: string): Promise<ReadonlyMap<string, string>> {
    return new Map([...(await this.device.typed(jobId)), ...this.texts.onItsWay(jobId)]);
  }

  /** Keeps what stands in a field; it goes when the entry that it was made into is kept. */
  setTyped(jobId: string, path: string, text: string | null): Promise<void> {
    return this.texts.keep(jobId, path, text, () => this.appending);
  }

  /** Sends what waits, until nothing does or nobody answers. */
  readonly send = (): Promise<void> => {
    this.again = true;
    this.log.askAnew();
    this.running ??= this.sendAll().finally(() => {
      this.running = null;
    });
    return this.running;
  };

  dispose(): void {
    this.disposed = true;
    if (this.timer !== null) clearTimeout(this.timer);
    if (this.telling !== null) clearTimeout(this.telling);
    this.news?.close();
    this.news = null;
  }

  private async sendAll(): Promise<void> {
    if (this.timer !== null) clearTimeout(this.timer);
    while (this.again) {
      this.again = false;
      await alone(SENDER, async () => {
        await this.device.putBackLost().catch(() => undefined);
        await this.log.putBackLost().catch(() => undefined);
        while (await this.sendWaiting());
      });
    }
  }

  /** Sends what waits as it is now, one after the other; true where there may be more. */
  private async sendWaiting(): Promise<boolean> {
    const stopped = new Set((await this.device.stops()).map(({ jobId }) => jobId));
    const waiting = (await this.waiting()).filter(({ jobId }) => !stopped.has(jobId));
    if (waiting.length === 0) return this.sendLog();
    for (const entry of waiting) {
      if (stopped.has(entry.jobId)) continue;
      const came = await this.sendOne(entry);
      if (came === 'for-later') return false;
      // The rest of that job waits for it.
      if (came !== 'sent') stopped.add(entry.jobId);
      this.tellSoon();
    }
    return true;
  }

  private async sendOne(entry: Waiting): Promise<'sent' | 'kept' | 'for-later'> {
    try {
      const stored = await this.deliver(entry);
      await this.done(entry, stored);
      this.reached();
      return 'sent';
    } catch (error) {
      if (error instanceof Asked) {
        const { jobId } = entry;
        const { why, message, theirs } = error;
        await this.device.setStop(jobId, { jobId, why, text: message, theirs });
        return 'kept';
      }
      if (error instanceof MadeAnew) return 'kept';
      if (isForLater(error) || !(error instanceof Refused)) {
        this.waitForServer(error);
        return 'for-later';
      }
      this.reached();
      await this.refused(entry, error);
      return 'kept';
    }
  }

  /** When no entry of a job is left to send: a log is of a job that the server knows. */
  private async sendLog(): Promise<boolean> {
    try {
      const more = await this.log.sendNext();
      if (more) {
        this.reached();
        this.tell(true);
      }
      return more;
    } catch (error) {
      return this.waitForServer(error);
    }
  }

  private async deliver(entry: Waiting): Promise<StoredJob | null> {
    const { jobId, act, job } = entry;
    switch (act) {
      case 'create':
        return job === null ? null : api.create(jobId, job, markOf(entry));
      case 'save':
        return this.save(entry);
      case 'delete':
        await api.remove(jobId);
        return null;
      case 'undelete':
        return api.undelete(jobId);
    }
  }

  /** Saves what an entry changed on the job as the server last had it. */
  private async save(entry: Waiting): Promise<StoredJob | null> {
    const { jobId } = entry;
    const copy = await this.device.copy(jobId);
    const { job, clashes, renamed } = rebased(entry, copy?.job ?? null);
    if (job === null) return null;
    if (renamed.length > 0) {
      await this.rename(entry, renamed);
      throw new MadeAnew();
    }
    if (copy !== null && clashes.length > 0)
      return this.ask(entry, 'conflict', 'the same was changed elsewhere', copy);
    const isMerged = copy !== null && entry.base != null && !dequal(copy.job, entry.base);
    if (isMerged) {
      // Whoever did the same is with the server already.
      if (dequal(job, copy.job)) return copy;
      const stands = isWhole(job) && (!(await this.stands(copy.job)) || (await this.stands(job)));
      if (!stands)
        return this.ask(
          entry,
          'apart',
          'what was entered here and elsewhere is no roof together',
          copy,
        );
    }
    return api.save(jobId, copy?.revision ?? 1, job, markOf(entry));
  }

  /** Parts that an entry added have other names: in it, and in all that was made on it. */
  private async rename(entry: Waiting, renamed: readonly Renaming[]): Promise<void> {
    const { waiting } = await this.state(entry.jobId);
    const from = waiting.findIndex(({ id }) => id === entry.id);
    await this.device.rewrite(
      waiting.slice(from).map(({ kept: _kept, ...one }, i) => {
        const anew = withRenamed(one, renamed);
        // What it was made on does not have the part.
        return i === 0 ? { ...anew, base: one.base } : anew;
      }),
    );
  }

  /**
   * Asks a person about an entry, unless the server has it already: its answer may have been lost, and others may have
   * gone on from it since. Sent over what is not the newest, it is known again there or refused.
   *
   * @throws Asked with what is there now
   */
  private async ask(
    entry: Waiting,
    why: Asked['why'],
    text: string,
    copy: StoredJob,
  ): Promise<StoredJob> {
    if (entry.job === null || copy.revision < 2) throw new Asked(why, text, copy);
    try {
      return await api.save(entry.jobId, copy.revision - 1, entry.job, markOf(entry));
    } catch (error) {
      if (error instanceof Refused && error.current?.deletedAt === null)
        throw new Asked(why, text, error.current);
      throw error;
    }
  }

  private async done(entry: Waiting, stored: StoredJob | null): Promise<void> {
    // Before it goes from the device: no window takes it for lost.
    this.news?.postMessage({ sent: [entry.id] } satisfies News);
    await this.device.sent(entry, stored);
  }

  private async refused(entry: Waiting, error: Refused): Promise<void> {
    const { jobId, act } = entry;
    // Gone already is deleted as well.
    if (act === 'delete' && error.status === 404) {
      await this.done(entry, null);
      return;
    }
    const theirs = error.current;
    // Somebody saved in between: made again on that.
    if (theirs?.deletedAt === null && entry.base != null) {
      await this.device.keepCopy(theirs);
      return;
    }
    const why = theirs === null ? 'refused' : theirs.deletedAt === null ? 'conflict' : 'deleted';
    await this.device.setStop(jobId, { jobId, why, text: error.message, theirs });
  }

  private reached(): void {
    this.isAway = false;
    this.retryMs = FIRST_RETRY_MS;
  }

  private waitForServer(error: unknown): false {
    const asked = error instanceof Refused && error.status < 500 ? error.waitMs : null;
    this.isAway = asked === null;
    this.tell(true);
    if (this.timer !== null) clearTimeout(this.timer);
    if (this.disposed) return false;
    this.timer = setTimeout(() => void this.send(), asked ?? this.retryMs);
    if (asked === null) this.retryMs = Math.min(LONGEST_RETRY_MS, 2 * this.retryMs);
    return false;
  }

  /** Tells at once, and then not more often than a person can read: a backlog goes out faster. */
  private tellSoon(): void {
    if (this.telling !== null) return;
    const wait = this.toldAt + TOLD_EVERY_MS - Date.now();
    if (wait <= 0) {
      this.tell(true);
      return;
    }
    this.telling = setTimeout(() => {
      this.telling = null;
      this.tell(true);
    }, wait);
  }

  private tell(others = false): void {
    this.toldAt = Date.now();
    for (const listener of this.listeners) listener();
    if (others) this.news?.postMessage({ sent: [] } satisfies News);
  }
}
