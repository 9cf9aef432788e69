import { useEffect, useState } from 'react';

/** Whether something has been so for a while: what comes for a moment is not shown. ms */
export const useLasting = (on: boolean, ms: number): boolean => {
  const [lasts, setLasts] = useState(false);
  useEffect(() => {
    if (!on) return;
    const timer = setTimeout(() => setLasts(true), ms);
    return () => {
      clearTimeout(timer);
      setLasts(false);
    };
  }, [on, ms]);
  return on && lasts;
};
