import { activateKeepAwakeAsync, deactivateKeepAwake } from 'expo-keep-awake';
import { useEffect, useState } from 'react';

const TAG = 'at the saw';

const letGo = (): void => {
  deactivateKeepAwake(TAG).catch(() => undefined);
};

/**
 * Keeps the screen awake while a page is shown, and again when it is come back to: the browser lets go of it whenever the
 * page is out of sight.
 *
 * @returns false where the browser will not
 */
export const useAwake = (): boolean => {
  const [awake, setAwake] = useState(true);
  useEffect(() => {
    let wanted = true;
    const hold = (): void => {
      if (document.visibilityState !== 'visible') return;
      activateKeepAwakeAsync(TAG).then(
        () => (wanted ? setAwake(true) : letGo()),
        () => wanted && setAwake(false),
      );
    };
    hold();
    document.addEventListener('visibilitychange', hold);
    return () => {
      wanted = false;
      document.removeEventListener('visibilitychange', hold);
      letGo();
    };
  }, []);
  return awake;
};
