import { useRouter } from 'expo-router';
import { useCallback } from 'react';
import { useHandling } from '../data/open-job';

/** Goes to the sheet of a piece of the open job, by its mark. */
export const useOpenPiece = (): ((mark: string) => void) => {
  const { id } = useHandling();
  const router = useRouter();
  return useCallback((mark) => router.navigate(`/job/${id}/cuts/${mark}`), [id, router]);
};

/** The mark of the piece that an address names; null where it names none. */
export const markIn = (path: string): string | null => {
  const mark = path.split('/cuts/')[1];
  return mark === undefined ? null : decodeURIComponent(mark);
};
