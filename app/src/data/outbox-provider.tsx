import { createContext, useContext, useEffect, useState, type ReactNode } from 'react';
import { openDevice } from './device';
import { takeOverDrafts } from './former-drafts';
import { Outbox } from './outbox';

const OutboxContext = createContext<Outbox | null>(null);

/** The one outbox of this window, opened before anything that may enter something is shown. */
export const OutboxProvider = ({ children }: { children: ReactNode }) => {
  const [outbox, setOutbox] = useState<Outbox | null>(null);
  useEffect(() => {
    let opened: Outbox | null = null;
    let wanted = true;
    void openDevice().then(async (device) => {
      // A full or closed store keeps the drafts where they are, for the next time.
      if (device.lasts) await takeOverDrafts(device, localStorage).catch(() => undefined);
      if (!wanted) return;
      opened = new Outbox(device);
      void opened.send();
      setOutbox(opened);
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
