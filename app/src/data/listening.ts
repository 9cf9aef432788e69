import { changesSchema, type ChangesPage } from '@ogee/core/src/wire';
import { alone } from '../browser/turns';

/** A stream that says nothing for so long is dead. ms */
const DEAD_MS = 25_000;
/** Without a stream it is asked so often. ms */
const POLL_MS = 1500;
/** And a stream is tried for again so often. ms */
const AGAIN_MS = 10_000;
const LISTENER = 'ogee-listener';
const HEARD = 'ogee-heard';

/** What this hangs on, so that it can be tried without a browser. */
export interface Means {
  /** Asks the server for what changed after a place. */
  readonly ask: (after: string | null) => Promise<ChangesPage>;
  /** Begins a stream; `told` is given each event's data, null where it failed and tries again, 'closed' where it gave up. */
  readonly stream: (told: (data: unknown) => void) => { readonly end: () => void };
  readonly alone: (name: string, work: () => Promise<void>) => Promise<void>;
  readonly inSight: () => boolean;
}

const streamInThread: Means['stream'] = (told) => {
  try {
    const thread = new Worker('/listening.worker.js');
    thread.onmessage = ({ data }: MessageEvent<unknown>) => told(data);
    thread.onerror = () => told('closed');
    return { end: () => thread.terminate() };
  } catch {
    told('closed');
    return { end: () => undefined };
  }
};

export const browserMeans = (ask: Means['ask']): Means => ({
  ask,
  stream: streamInThread,
  alone,
  inSight: () => typeof document === 'undefined' || document.visibilityState === 'visible',
});

/** What came as an event; null where it is none of ours. */
const pageIn = (data: unknown): ChangesPage | null => {
  try {
    const read = changesSchema.safeParse(JSON.parse(String(data)));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
};

/**
 * Hears what changes on the server: one window of the device holds the stream and passes on what comes. Where no stream
 * can be had the server is asked, while the page is in sight.
 */
export class Listening {
  private last: string | null = null;
  private build: string | null = null;
  private alive = 0;
  private ended = false;
  private holds = false;
  private streaming = false;
  private letGo: () => void = () => undefined;
  private readonly windows: BroadcastChannel | null;
  private readonly poll: ReturnType<typeof setInterval>;
  private asking = false;
  private readonly comeBack = (): void => {
    if (this.means.inSight()) void this.ask();
  };

  constructor(
    private readonly hear: (page: ChangesPage) => void,
    private readonly means: Means,
  ) {
    this.windows = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(HEARD);
    if (this.windows !== null)
      this.windows.onmessage = ({ data }: MessageEvent<unknown>) => {
        this.alive = Date.now();
        this.take(pageIn(data), false);
      };
    // Windows that cannot pass anything on hold each their own.
    void (this.windows === null
      ? this.hold()
      : this.means.alone(LISTENER, () => this.hold()).catch(() => undefined));
    this.poll = setInterval(() => {
      const silent = Date.now() - this.alive > (this.holds ? 0 : DEAD_MS);
      if (silent && !this.streaming && this.means.inSight()) void this.ask();
    }, POLL_MS);
    if (typeof window !== 'undefined' && typeof window.addEventListener === 'function') {
      window.addEventListener('online', this.comeBack);
      window.addEventListener('pageshow', this.comeBack);
      document.addEventListener('visibilitychange', this.comeBack);
    }
  }

  dispose(): void {
    this.ended = true;
    clearInterval(this.poll);
    this.letGo();
    this.windows?.close();
    if (typeof window !== 'undefined' && typeof window.removeEventListener === 'function') {
      window.removeEventListener('online', this.comeBack);
      window.removeEventListener('pageshow', this.comeBack);
      document.removeEventListener('visibilitychange', this.comeBack);
    }
  }

  /** Holds the stream for as long as this window stands. */
  private hold(): Promise<void> {
    if (this.ended) return Promise.resolve();
    this.holds = true;
    return new Promise((resolve) => {
      let stream: { readonly end: () => void } | null = null;
      let heardAt = Date.now();
      const begin = (): void => {
        stream?.end();
        heardAt = Date.now();
        stream = this.means.stream((data) => {
          const page = pageIn(data);
          this.streaming = page !== null;
          if (page === null) return;
          heardAt = this.alive = Date.now();
          this.windows?.postMessage(data);
          this.take(page, true);
        });
      };
      begin();
      const watch = setInterval(() => {
        const patience = this.streaming ? DEAD_MS : AGAIN_MS;
        if (Date.now() - heardAt <= patience) return;
        this.streaming = false;
        begin();
      }, POLL_MS);
      this.letGo = () => {
        clearInterval(watch);
        stream?.end();
        this.holds = false;
        resolve();
      };
    });
  }

  private async ask(): Promise<void> {
    if (this.asking || this.ended) return;
    this.asking = true;
    try {
      this.take(await this.means.ask(this.last), true);
    } catch {
      // Nobody answers: asked again.
    } finally {
      this.asking = false;
    }
  }

  /** @param own it came to this window itself: a place that leaps means that something was missed */
  private take(page: ChangesPage | null, own: boolean): void {
    if (page === null || this.ended) return;
    const before = this.last;
    const newer = page.build !== this.build;
    this.last = page.last;
    this.build = page.build;
    if (before === page.last && !newer) return;
    // What changed between the page's own fetching and its listening is not known either.
    const unknown = before === null || (own && !follows(before, page));
    this.hear(unknown ? { ...page, missed: true } : page);
  }
}

/** Whether a page tells all that came after a place. */
const follows = (place: string, { last, changes }: ChangesPage): boolean => {
  const [name, number] = place.split('.');
  const [of, end] = last.split('.');
  return name === of && Number(number) + changes.length >= Number(end);
};
