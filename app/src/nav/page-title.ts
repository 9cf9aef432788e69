import { useEffect } from 'react';

/** Names the page in the window's title and its history: the innermost first. */
export const usePageTitle = (...names: readonly string[]): void => {
  const title = [...names, 'Ogee'].join(' · ');
  useEffect(() => {
    document.title = title;
  }, [title]);
};
