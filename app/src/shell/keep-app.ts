import { useEffect } from 'react';
import { fetchJobParts } from '../nav/in-a-job';

/** Nothing is fetched ahead before the page has stood still this long. ms */
const SETTLED_MS = 3000;

/**
 * Once the first page stands, fetches the rest: what an open job needs, so that it opens at once, and the app itself
 * kept on this device, so that it opens without a signal. Where the browser will not, the app works as before.
 */
export const useKeptApp = (): void => {
  useEffect(() => {
    const keep = setTimeout(() => {
      void fetchJobParts().catch(() => undefined);
      if (!('serviceWorker' in navigator) || process.env.NODE_ENV !== 'production') return;
      navigator.serviceWorker.register('/sw.js').catch(() => undefined);
    }, SETTLED_MS);
    return () => clearTimeout(keep);
  }, []);
};
