import { useSyncExternalStore } from 'react';
import { remember, setting } from '../browser/page-storage';

const WHO = 'ogee.who';

const named = new Set<() => void>();
let unkeptName = '';

/** Who writes the lines of this device, as it was last said; empty where nobody has. */
export const whoNow = (): string => setting(WHO) ?? unkeptName;

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
      remember(WHO, unkeptName);
      for (const listener of named) listener();
    },
  ];
};
