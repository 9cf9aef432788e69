import { useEffect } from 'react';
import { fetchFirstPages, fetchLaterPages } from '../nav/pages';
import { useSettled } from '../ui/settled';

/**
 * Once the first page stands, fetches the rest: the pages of a job, so that each opens at once, and the app itself
 * kept on this device, so that it opens without a signal. Where the browser will not, the app works as before.
 */
export const useKeptApp = (): void => {
  const settled = useSettled();
  useEffect(() => {
    if (!settled) return;
    void fetchFirstPages().then(fetchLaterPages);
    if (!('serviceWorker' in navigator) || process.env.NODE_ENV !== 'production') return;
    navigator.serviceWorker.register('/sw.js').catch(() => undefined);
  }, [settled]);
};
