import {
  createContext,
  startTransition,
  useContext,
  useEffect,
  useState,
  type ReactNode,
} from 'react';
import { openDevice } from './device';
import { takeOverDrafts } from './former-drafts';
import { openLogShelf } from './log-shelf';
import { Outbox } from './outbox';
import { pageStorage, takeOverTexts } from './typed-texts';

const OutboxContext = createContext<Outbox | null>(null);

/** The one outbox of this window, opened before anything that may enter something is shown. */
export const OutboxProvider = ({ children }: { children: ReactNode }) => {
  const [outbox, setOutbox] = useState<Outbox | null>(null);
  useEffect(() => {
    let opened: Outbox | null = null;
    let wanted = true;
    void openDevice().then(async (device) => {
      const storage = pageStorage();
      // A full or closed store keeps what was left where it is, for the next time.
      if (device.lasts && storage !== null)
        for (const takeOver of [takeOverDrafts, takeOverTexts])
          await takeOver(device, storage).catch(() => undefined);
      const logs = await openLogShelf();
      if (!wanted) return;
      opened = new Outbox(device, logs);
      void opened.send();
      // The whole first page hangs on it: it comes in slices.
      startTransition(() => setOutbox(opened));
    });
    return () => {
      wanted = false;
      opened?.dispose();
    };
  }, []);
  return outbox === null ? null : (
    <OutboxContext.Provider value={outbox}>{children}</OutboxContext.Provider>
  );
};

export const useOutbox = (): Outbox => {
  const outbox = useContext(OutboxContext);
  if (outbox === null) throw new Error('useOutbox outside OutboxProvider');
  return outbox;
};
