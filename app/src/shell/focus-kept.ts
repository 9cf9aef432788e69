import { useEffect } from 'react';

/** The nearest of an element's former surroundings that still stand; null where all the page went with it. */
const standing = (around: readonly Element[]): Element | null =>
  around.find((one) => one.isConnected) ?? null;

const surroundings = (element: Element): Element[] => {
  const around: Element[] = [];
  for (let at = element.parentElement; at !== null && at !== document.body; at = at.parentElement)
    around.push(at);
  return around;
};

/** Moves the focus to what takes none by itself, and shows nothing of it beside a keyboard. */
const focusOn = (element: Element): void => {
  if (!(element instanceof HTMLElement)) return;
  if (!element.hasAttribute('tabindex')) element.tabIndex = -1;
  element.focus({ preventScroll: true });
};

/**
 * Keeps the focus on the page: where the element that has it is taken off the screen, the focus goes to what stood round
 * it, or to the new page's main part. Left to the browser it falls to the page's body, and the next Tab starts anew.
 */
export const useFocusKept = (): void => {
  useEffect(() => {
    let focused: Element | null = null;
    let around: readonly Element[] = [];
    const note = ({ target }: FocusEvent): void => {
      if (!(target instanceof Element)) return;
      focused = target;
      around = surroundings(target);
    };
    const mend = (): void => {
      if (focused === null || focused.isConnected) return;
      if (document.activeElement !== document.body) return;
      const main = document.getElementById('main');
      // A page that is still being fetched has none yet: asked again with the next change.
      if (main === null) return;
      const near = standing(around);
      focusOn(near !== null && main.contains(near) ? near : main);
    };
    const watch = new MutationObserver(mend);
    watch.observe(document.body, { childList: true, subtree: true });
    document.addEventListener('focusin', note);
    return () => {
      watch.disconnect();
      document.removeEventListener('focusin', note);
    };
  }, []);
};
