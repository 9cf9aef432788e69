/**
 * The dry fit: a proof of the whole frame, solids against solids.
 *
 * Takes the job's walls, its roof, the members in their places and their marks; promises a report of what was proved
 * (joints closed, boards carried, seats on their plates, strips no wider than the spacing, tops in the roof planes) and
 * a finding, with its place, for everything that is not so. It reads the members' own solids and knows nothing of how
 * they were worked out.
 */
export { prove } from './prove';
export type { FindingKind, FitProblem, FitReport, SeatBearing, ShortJack } from './report';
