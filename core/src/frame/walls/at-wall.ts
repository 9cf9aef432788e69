import { PARALLEL_SINE, v2 } from '../../geom';
import type { SideLine, Slope } from '../../roof';
import type { Site } from '../site';

/** Whether a slope runs straight up to a wall, so that its rafters end there at one height. */
export const runsUpTo = ({ inward, roof }: SideLine, { uphill }: Slope): boolean =>
  roof === 'wall' && v2.dot(inward, uphill) < -1 + PARALLEL_SINE;

/** How far before a wall's face a slope's rafters end: the thickness of the ledger between; 0 where there is none. mm */
export const ledgerBefore = ({ job }: Site, side: SideLine, slope: Slope): number =>
  runsUpTo(side, slope) ? (job.timber.ledger?.thickness ?? 0) : 0;
