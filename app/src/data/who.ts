import { useSyncExternalStore } from 'react';
import { pageStorage } from './typed-texts';

const WHO = 'ogee.who';

const named = new Set<() => void>();
let unkeptName = '';

/** Who writes the lines of this device, as it was last said; empty where nobody has. */
export const whoNow = (): string => {
  try {
    return pageStorage()?.getItem(WHO) ?? unkeptName;
  } catch {
    return unkeptName;
  }
};

/** Who writes the lines of this device, and how that is changed. */
export const useWho = (): readonly [string, (name: string) => void] => {
  const who = useSyncExternalStore(
    (listener) => {
      named.add(listener);
      return () => named.delete(listener);
    },
    whoNow,
    () => '',
  );
  return [
    who,
    (name) => {
      unkeptName = name.trim();
      try {
        pageStorage()?.setItem(WHO, unkeptName);
      } catch {
        // The name then lives as long as the window.
      }
      for (const listener of named) listener();
    },
  ];
};
