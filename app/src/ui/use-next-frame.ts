import { startTransition, useEffect, useState } from 'react';

/** A value one painted frame late: what is drawn from it does not hold up what is needed first. */
export const useNextFrame = <T>(value: T): T => {
  const [shown, setShown] = useState(value);
  useEffect(() => {
    if (Object.is(value, shown)) return;
    const frame = requestAnimationFrame(() => startTransition(() => setShown(value)));
    return () => cancelAnimationFrame(frame);
  }, [value, shown]);
  return shown;
};
