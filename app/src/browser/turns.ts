import type { DBSchema } from 'idb';
import { newId } from './new-id';
import { KeptDatabase } from './kept-database';

interface Shelves extends DBSchema {
  turns: { key: string; value: { name: string; whose: string; until: number } };
}

/** A turn that is not renewed lasts so long: a window that was closed holds nobody up for longer. ms */
const TURN_MS = 20_000;
const ASK_AGAIN_MS = 1000;

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/**
 * Turns among the windows of a device, where the browser has no locks (it has none for a page that came over plain http):
 * a line in a store of its own, written in one transaction.
 */
class KeptTurns {
  private readonly whose = newId();
  private readonly database = new KeptDatabase<Shelves>('ogee-turns', 1, (database) => {
    database.createObjectStore('turns', { keyPath: 'name' });
  });

  private take(name: string): Promise<boolean> {
    return this.database.use(async (open) => {
      const work = open.transaction('turns', 'readwrite');
      const now = Date.now();
      const held = await work.store.get(name);
      const free = held === undefined || held.whose === this.whose || held.until < now;
      // A clock that was set back leaves a turn that would last for ever.
      const absurd = held !== undefined && held.until > now + 2 * TURN_MS;
      if (free || absurd) await work.store.put({ name, whose: this.whose, until: now + TURN_MS });
      await work.done;
      return free || absurd;
    });
  }

  private giveBack(name: string): Promise<void> {
    return this.database.use(async (open) => {
      const work = open.transaction('turns', 'readwrite');
      if ((await work.store.get(name))?.whose === this.whose) await work.store.delete(name);
      await work.done;
    });
  }

  async during(name: string, work: () => Promise<void>): Promise<void> {
    try {
      while (!(await this.take(name))) await pause(ASK_AGAIN_MS);
    } catch {
      // No store to take turns by: what is done twice must come to the same.
      await work();
      return;
    }
    const renewal = setInterval(() => void this.take(name).catch(() => false), TURN_MS / 4);
    try {
      await work();
    } finally {
      clearInterval(renewal);
      await this.giveBack(name).catch(() => undefined);
    }
  }
}

const turns = new KeptTurns();

/** Does work while no other window of this device does work of the same name. */
export const alone = async (name: string, work: () => Promise<void>): Promise<void> => {
  const locks = typeof navigator === 'undefined' ? undefined : navigator.locks;
  if (locks === undefined) await turns.during(name, work);
  else await locks.request(name, work);
};
