import { useEffect } from 'react';

/** Keeps the app itself on this device, so that it opens without a signal. Where the browser will not, it works as before. */
export const useKeptApp = (): void => {
  useEffect(() => {
    if (!('serviceWorker' in navigator) || process.env.NODE_ENV !== 'production') return;
    navigator.serviceWorker.register('/sw.js').catch(() => undefined);
  }, []);
};
