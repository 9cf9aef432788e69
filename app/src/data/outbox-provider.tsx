import {
  createContext,
  startTransition,
  useContext,
  useEffect,
  useState,
  type ReactNode,
} from 'react';
import { pageStorage } from '../browser/page-storage';
import type { Job } from '@ogee/core/src/job';
import { roofAt } from '../solver/glance';
import { useSettled } from '../ui/settled';
import { api } from './api';
import { openDevice } from './device';
import { takeOverDrafts } from './former-drafts';
import { browserMeans, Listening } from './listening';
import { openLogShelf } from './log-shelf';
import { Outbox } from './outbox';
import { takeOverTexts } from './typed-texts';

const OutboxContext = createContext<Outbox | null>(null);

/** Whether a job has a roof; taken to have one where that cannot be worked out. */
const hasRoof = (job: Job): Promise<boolean> =>
  roofAt(job).then(
    (roof) => roof !== null,
    () => true,
  );

/** The one outbox of this window, opened before anything that may enter something is shown. */
export const OutboxProvider = ({ children }: { children: ReactNode }) => {
  const [outbox, setOutbox] = useState<Outbox | null>(null);
  useEffect(() => {
    let opened: Outbox | null = null;
    let wanted = true;
    const device = openDevice();
    // What is in this window alone would go with it: the browser asks.
    const leaving = (event: BeforeUnloadEvent): void => {
      if (opened?.holdsAlone === true) event.preventDefault();
    };
    if (typeof window !== 'undefined') window.addEventListener('beforeunload', leaving);
    const takeOver = async (): Promise<void> => {
      const storage = pageStorage();
      if (storage === null) return;
      // A full or closed store keeps what was left where it is, for the next time.
      for (const take of [takeOverDrafts, takeOverTexts])
        await take(device, storage).catch(() => undefined);
    };
    void takeOver().then(() => {
      if (!wanted) return;
      opened = new Outbox(device, openLogShelf(), hasRoof);
      void opened.send();
      // The whole first page hangs on it: it comes in slices.
      startTransition(() => setOutbox(opened));
    });
    return () => {
      wanted = false;
      opened?.dispose();
      if (typeof window !== 'undefined') window.removeEventListener('beforeunload', leaving);
    };
  }, []);
  // Once the page stands: nobody misses in three seconds what he has just been given.
  const settled = useSettled();
  useEffect(() => {
    if (outbox === null || !settled) return undefined;
    const listening = new Listening((page) => outbox.hear(page), browserMeans(api.changes));
    return () => listening.dispose();
  }, [outbox, settled]);
  return outbox === null ? null : (
    <OutboxContext.Provider value={outbox}>{children}</OutboxContext.Provider>
  );
};

export const useOutbox = (): Outbox => {
  const outbox = useContext(OutboxContext);
  if (outbox === null) throw new Error('useOutbox outside OutboxProvider');
  return outbox;
};
