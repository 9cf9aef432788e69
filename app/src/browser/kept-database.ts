import { openDB, type DBSchema, type IDBPDatabase, type OpenDBCallbacks } from 'idb';

/** A store that has not answered in this time counts as gone. ms */
const PATIENCE_MS = 3000;
/** And in this, where it was waited for in vain before. ms */
const SHORT_MS = 50;

/** The store does not answer: it is blocked by another window, or the browser has lost it. */
export class NoAnswer extends Error {
  constructor(name: string) {
    super(`the store ${name} does not answer`);
  }
}

/** What trying again on a new connection cannot mend. */
const isFinal = (error: unknown): boolean =>
  error instanceof DOMException && error.name === 'QuotaExceededError';

/**
 * A database of this device that may go away at any moment: its connection lost or closed by the browser, cleared by the
 * person, held up by another window that upgrades it. It is opened when it is first used, and again after each loss.
 */
export class KeptDatabase<S extends DBSchema> {
  private connection: Promise<IDBPDatabase<S>> | null = null;
  /** How often it was opened: after each time something may be gone from it. */
  opened = 0;
  /** It was waited for in vain: until it answers, nobody waits again. */
  private silent = false;

  constructor(
    readonly name: string,
    private readonly version: number,
    private readonly upgrade: NonNullable<OpenDBCallbacks<S>['upgrade']>,
  ) {}

  /**
   * Does work on the open database. Where that fails it is done once more on a new connection: it must come to the same
   * when it is done twice.
   *
   * @throws what the browser gives as the reason, or `NoAnswer`
   */
  async use<T>(work: (database: IDBPDatabase<S>) => Promise<T>): Promise<T> {
    const first = this.open();
    try {
      return await this.done(first, work);
    } catch (error) {
      if (isFinal(error) || error instanceof NoAnswer) throw error;
      this.letGo(first);
      return await this.done(this.open(), work);
    }
  }

  private async done<T>(
    opening: Promise<IDBPDatabase<S>>,
    work: (database: IDBPDatabase<S>) => Promise<T>,
  ): Promise<T> {
    const database = await this.inTime(opening, this.silent ? SHORT_MS : PATIENCE_MS, () => {
      this.silent = true;
    });
    return this.inTime(work(database), PATIENCE_MS, () => this.letGo(opening));
  }

  private open(): Promise<IDBPDatabase<S>> {
    if (this.connection !== null) return this.connection;
    // The reading of `indexedDB` may throw as well, where the browser denies it.
    const opening = Promise.resolve().then(() =>
      openDB<S>(this.name, this.version, {
        upgrade: this.upgrade,
        // Another window wants to upgrade or delete it: nobody is kept waiting.
        blocking: () => this.letGo(opening),
        terminated: () => this.letGo(opening),
      }),
    );
    this.connection = opening;
    opening.then(
      () => {
        this.silent = false;
        this.opened += 1;
      },
      () => this.letGo(opening),
    );
    return opening;
  }

  private letGo(opening: Promise<IDBPDatabase<S>>): void {
    if (this.connection === opening) this.connection = null;
    void opening.then(
      (database) => database.close(),
      () => undefined,
    );
  }

  private async inTime<T>(work: Promise<T>, patienceMs: number, inVain: () => void): Promise<T> {
    let late: ReturnType<typeof setTimeout> | undefined;
    const tooLate = new Promise<never>((_resolve, reject) => {
      late = setTimeout(() => {
        inVain();
        reject(new NoAnswer(this.name));
      }, patienceMs);
    });
    try {
      return await Promise.race([work, tooLate]);
    } finally {
      clearTimeout(late);
    }
  }
}
