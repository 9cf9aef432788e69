import type { FitReport } from '@ogee/core/src/fit';
import { useOfRoof, useRoof } from '../data/roof';

/** The dry fit of the roof on screen; null while it is being worked out. */
export const useFit = (): FitReport | null => {
  const { roof } = useRoof();
  const found = useOfRoof(['fit'], (solver, subject) => solver.fit(subject));
  return found === undefined || found.of !== roof?.serial ? null : found.answer;
};
