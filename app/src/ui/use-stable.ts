import { useCallback, useLayoutEffect, useRef } from 'react';

/**
 * One and the same function for as long as a component stands, which does what the last one given does: what it is given
 * to is not drawn anew with each. To be called by what a person does, never while rendering.
 */
export const useStable = <Given extends readonly unknown[], Answer>(
  act: (...given: Given) => Answer,
): ((...given: Given) => Answer) => {
  const latest = useRef(act);
  // With the screen, not after it: what a person does next is done by what he sees.
  useLayoutEffect(() => {
    latest.current = act;
  });
  return useCallback((...given: Given) => latest.current(...given), []);
};
