/**
 * The dry fit: solids against solids.
 *
 * Takes a roof, its members in place and their marks; promises a report: how many sawn faces were held against the
 * face they should meet, the widest gap, the largest shared volume, and every pair or edge past its limit. It reads the
 * members' own solids and knows nothing of how they were worked out.
 */
export { dryFit } from './dry-fit';
export type { FitProblem, FitReport } from './report';
