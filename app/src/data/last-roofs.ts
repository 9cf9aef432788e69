import type { Job } from '@ogee/core/src/job';
import type { DBSchema } from 'idb';
import { useEffect } from 'react';
import { KeptDatabase } from '../browser/kept-database';
import { ownBuild } from '../browser/own-build';
import type { RoofAnswer } from '../solver/answers';
import type { ShownRoof } from '../solver/solving';
import type { SaveState } from './job-in-hand';

/** A roof as this device worked it out last. */
export interface LastRoof extends RoofAnswer {
  readonly job: Job;
}

interface Shelves extends DBSchema {
  roofs: {
    key: string;
    value: { id: string; build: string; at: number; roof: LastRoof };
    indexes: { at: number };
  };
}

/** As many jobs open with their last list. */
const KEPT = 24;

/** Apart from the entries' own database: what lies here can be worked out again, and is let go when anything fails. */
const database = new KeptDatabase<Shelves>('ogee-roofs', 1, (made) => {
  made.createObjectStore('roofs', { keyPath: 'id' }).createIndex('at', 'at');
});

/** The roof that this device worked out last for a job; null where it has none. */
export const lastRoof = async (
  id: string,
  build: string | null = ownBuild(),
): Promise<LastRoof | null> => {
  if (build === null) return null;
  try {
    const kept = await database.use((open) => open.get('roofs', id));
    return kept?.build === build ? kept.roof : null;
  } catch {
    // No store, or not to be read: the roof is worked out anew.
    return null;
  }
};

/** Keeps a roof for the next time that its job is opened here, and lets the oldest go. */
export const keepLastRoof = async (
  id: string,
  roof: LastRoof,
  build: string | null = ownBuild(),
): Promise<void> => {
  if (build === null) return;
  try {
    await database.use(async (open) => {
      const work = open.transaction('roofs', 'readwrite');
      await work.store.put({ id, build, at: Date.now(), roof });
      const byAge = await work.store.index('at').getAllKeys();
      for (const old of byAge.slice(0, Math.max(0, byAge.length - KEPT)))
        await work.store.delete(old);
      await work.done;
    });
  } catch {
    // A full or closed store keeps none: it is worked out anew.
  }
};

/** A roof is kept once nothing newer has come for so long. ms */
const RESTS_MS = 1000;

/** Keeps what stands on the screen, once it is proved and counts. */
export const useKeptRoof = (id: string, shown: ShownRoof | null, state: SaveState): void => {
  useEffect(() => {
    if (shown?.proved !== true || state === 'entering') return undefined;
    const { job, cuts, plan } = shown;
    const kept = setTimeout(() => void keepLastRoof(id, { job, cuts, plan }), RESTS_MS);
    return () => clearTimeout(kept);
  }, [id, shown, state]);
};
