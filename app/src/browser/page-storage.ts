/** The page's own small store; null where the browser gives none. What it does may throw: it may be full, or denied. */
export const pageStorage = (): Storage | null => {
  try {
    return typeof localStorage === 'undefined' ? null : localStorage;
  } catch {
    return null;
  }
};

export const keysOf = (storage: Storage): string[] =>
  Array.from({ length: storage.length }, (_, at) => storage.key(at)).filter((key) => key !== null);

/** A small setting of this device; null where there is none, or the browser denies it. */
export const setting = (name: string): string | null => {
  try {
    return pageStorage()?.getItem(name) ?? null;
  } catch {
    return null;
  }
};

/** Remembers a small setting on this device, where the browser lets it: else it lasts as long as the window. */
export const remember = (name: string, value: string): void => {
  try {
    pageStorage()?.setItem(name, value);
  } catch {
    // Full or denied.
  }
};
