import { useEffect, useState } from 'react';

/**
 * What this device keeps for a job, fetched when the job is opened; undefined while it is fetched.
 *
 * @param read one and the same for as long as it reads from the same place; never rejects
 */
export const useKept = <T>(id: string, read: (id: string) => Promise<T>): T | undefined => {
  const [found, setFound] = useState<{ readonly of: string; readonly kept: T } | null>(null);
  useEffect(() => {
    let wanted = true;
    void read(id).then((kept) => {
      if (wanted) setFound({ of: id, kept });
    });
    return () => {
      wanted = false;
    };
  }, [id, read]);
  return found?.of === id ? found.kept : undefined;
};
