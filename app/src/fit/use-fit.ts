import type { FitReport } from '@ogee/core/src/fit';
import { useEffect, useState } from 'react';
import { useOpenJob } from '../data/open-job';

/** The dry fit of the roof on screen; null while it is being worked out. */
export const useFit = (): FitReport | null => {
  const { job, solution, stale, fitRoof } = useOpenJob();
  const [found, setFound] = useState<{ readonly of: unknown; readonly report: FitReport | null }>();
  useEffect(() => {
    if (solution === null || stale) return;
    let wanted = true;
    fitRoof(job).then(
      (report) => {
        if (wanted) setFound({ of: solution, report });
      },
      // The solver was ended for a newer entry: its own fit follows.
      () => undefined,
    );
    return () => {
      wanted = false;
    };
  }, [job, solution, stale, fitRoof]);
  return found?.of === solution ? found.report : null;
};
