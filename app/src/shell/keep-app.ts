import { useEffect } from 'react';
import { fetchFirstPages, fetchLaterPages } from '../nav/pages';
import { useSettled } from '../ui/settled';

/** The page is loaded anew all the same, where the new app does not take over in this time. ms */
const TAKES_OVER_MS = 8000;

const isKept = (): boolean =>
  typeof navigator !== 'undefined' &&
  'serviceWorker' in navigator &&
  process.env.NODE_ENV === 'production';

/** A newer app that this device has fetched whole, and that waits for the old one's windows; null where there is none. */
const waitingNewer = async (): Promise<ServiceWorker | null> => {
  const kept = await navigator.serviceWorker.getRegistration();
  if (kept === undefined) return null;
  await kept.update().catch(() => undefined);
  const coming = kept.installing;
  if (coming !== null)
    await new Promise<void>((resolve) => {
      coming.addEventListener('statechange', () => {
        if (coming.state !== 'installing') resolve();
      });
    });
  return kept.waiting;
};

const inTime = <T>(work: Promise<T>, otherwise: T): Promise<T> =>
  Promise.race([work, new Promise<T>((resolve) => setTimeout(resolve, TAKES_OVER_MS, otherwise))]);

/** Lets a newer app take over; false where it does not. */
const takesOver = (newer: ServiceWorker): Promise<boolean> => {
  const over = new Promise<boolean>((resolve) => {
    navigator.serviceWorker.addEventListener('controllerchange', () => resolve(true));
  });
  newer.postMessage({ type: 'SKIP_WAITING' });
  return inTime(over, false);
};

/** Lets the newer app take over, and loads the page anew: it is the newer one at once, not some reloads later. */
export const takeNewer = async (): Promise<void> => {
  const newer = isKept() ? await inTime(waitingNewer(), null) : null;
  if (newer !== null) await takesOver(newer);
  location.reload();
};

/**
 * A page that is opened while a newer app lies ready on the device becomes that one before anything is done in it. Not
 * while another window runs the old one: it may still need its parts.
 */
const becomeNewer = async (): Promise<void> => {
  const kept = await navigator.serviceWorker.getRegistration();
  if (kept?.waiting == null || !(await isOnlyWindow())) return;
  if (await takesOver(kept.waiting)) location.reload();
};

const WINDOWS = 'ogee-windows';

/** Whether this is the only window of the app on this device; false where windows cannot be counted. */
const isOnlyWindow = async (): Promise<boolean> => {
  const { locks } = navigator as { readonly locks?: LockManager };
  if (locks === undefined) return false;
  const { held = [] } = await locks.query();
  return held.filter(({ name }) => name === WINDOWS).length <= 1;
};

/** Counts this window for as long as it stands. */
const countIn = (): void => {
  const { locks } = navigator as { readonly locks?: LockManager };
  void locks
    ?.request(WINDOWS, { mode: 'shared' }, () => new Promise(() => undefined))
    .catch(() => undefined);
};

/**
 * Once the first page stands, fetches the rest: the pages of a job, so that each opens at once, and the app itself
 * kept on this device, so that it opens without a signal. Where the browser will not, the app works as before.
 */
export const useKeptApp = (): void => {
  const settled = useSettled();
  useEffect(() => {
    if (!isKept()) return;
    countIn();
    void becomeNewer().catch(() => undefined);
  }, []);
  useEffect(() => {
    if (!settled) return;
    void fetchFirstPages().then(fetchLaterPages);
    if (isKept()) navigator.serviceWorker.register('/sw.js').catch(() => undefined);
  }, [settled]);
};
