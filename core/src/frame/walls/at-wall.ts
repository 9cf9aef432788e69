import { PARALLEL_SINE, v2 } from '../../geom';
import type { SideLine, Slope } from '../../roof';
import type { Site } from '../site';

/** Whether a slope runs straight up to a wall, so that its rafters end there at one height. */
export const runsUpTo = ({ inward, roof }: SideLine, { uphill }: Slope): boolean =>
  roof === 'wall' && v2.dot(inward, uphill) < -1 + PARALLEL_SINE;

/** Whether rafters go over their ledger with a birdsmouth; else they hang square against it. */
export const overLedger = ({ job }: Pick<Site, 'job'>): boolean =>
  job.framing.atLedger === 'birdsmouth';

/** How far before a wall's face a slope's rafters end: the thickness of the ledger between; 0 where there is none, or they go over it. mm */
export const ledgerBefore = (site: Site, side: SideLine, slope: Slope): number =>
  runsUpTo(side, slope) && !overLedger(site) ? (site.job.timber.ledger?.thickness ?? 0) : 0;
