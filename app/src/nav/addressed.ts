import { useEffect, useState } from 'react';

/** What the window's address said when it was opened. */
let opened: { readonly path: string; readonly choices: Map<string, string> } | null = null;

/**
 * Remembers the address that the window was opened with: until its page is shown, the router writes it shorter than it
 * was. Called before the router begins.
 */
export const rememberOpening = (): void => {
  if (typeof location === 'undefined') return;
  opened = { path: location.pathname, choices: new Map(new URLSearchParams(location.search)) };
};

/** Whether the window was opened on a page of a job. */
export const openedOnAJob = (): boolean => opened?.path.startsWith('/job/') === true;

/** What the window was opened with, for the page that it was opened on. */
const fromOpening = (name: string): string | null =>
  opened?.path.startsWith(location.pathname) === true ? (opened.choices.get(name) ?? null) : null;

/** Each choice that the window was opened with counts once: it is let go when its page is on the screen. */
export const useOpenedWith = (name: string): void =>
  useEffect(() => {
    if (opened !== null && opened.path === location.pathname) opened.choices.delete(name);
  });

const fromAddress = (name: string): string | null =>
  typeof location === 'undefined'
    ? null
    : (new URLSearchParams(location.search).get(name) ?? fromOpening(name));

/** What the address says of a choice now; null where it says nothing of it. */
export const addressed = <T>(name: string, read: (text: string) => T | null): T | null => {
  const text = fromAddress(name);
  return text === null ? null : read(text);
};

/** Writes a choice into the address, beside what stands there; the place in the window's history stays the same. */
export const intoAddress = (name: string, value: string): void => {
  if (typeof location === 'undefined') return;
  const url = new URL(location.href);
  url.searchParams.set(name, value);
  history.replaceState(history.state, '', url);
};

/**
 * A choice of a screen that its address carries, so that it can be shared and is still there after a reload.
 *
 * @param read the value that a text of the address stands for; null where it stands for none
 */
export const useAddressed = <T>(
  name: string,
  fallback: T,
  read: (text: string) => T | null,
): readonly [T, (next: T) => void] => {
  const [value, setValue] = useState<T>(() => addressed(name, read) ?? fallback);
  useOpenedWith(name);
  return [
    value,
    (next) => {
      setValue(next);
      intoAddress(name, String(next));
    },
  ];
};

/** Reads one of a few. */
export const oneOf =
  <T extends string>(...values: readonly T[]) =>
  (text: string): T | null =>
    values.find((value) => value === text) ?? null;

/** Reads a number of something, from 0. */
export const countOf = (text: string): number | null =>
  /^\d{1,2}$/.test(text) ? Number(text) : null;
