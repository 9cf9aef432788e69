import { useEffect, useState } from 'react';

/** Nothing is fetched ahead before the page has stood this long. ms */
const SETTLED_MS = 3000;

let settled = false;

/** Whether the first page stands, so that what is not needed at once does not crowd it out. */
export const useSettled = (): boolean => {
  const [now, setNow] = useState(settled);
  useEffect(() => {
    if (now) return;
    const timer = setTimeout(() => {
      settled = true;
      setNow(true);
    }, SETTLED_MS);
    return () => clearTimeout(timer);
  }, [now]);
  return now;
};
