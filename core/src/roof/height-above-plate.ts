import type { Job } from '../job';
import { ok, refused, type Result } from '../problem';

/**
 * Reduces the three seat schools to one height above plate, for a rafter of `depth` at slope θ:
 *
 *   fixed height     hap as given
 *   fixed width      hap = depth ÷ cos θ − width · tan θ
 *   share of depth   hap = depth · (1 − share) ÷ cos θ
 *
 * @returns hap in mm, strictly between 0 and the rafter's plumb depth, so that there is a notch and wood above it
 */
export const heightAbovePlate = (job: Job, slopeRad: number): Result<number> => {
  const { seat } = job.framing;
  const { depth } = job.timber.common;
  const plumb = depth / Math.cos(slopeRad);
  const [field, hap] =
    'hap' in seat
      ? (['hap', seat.hap] as const)
      : 'width' in seat
        ? (['width', plumb - seat.width * Math.tan(slopeRad)] as const)
        : (['depthFraction', (depth * (1 - seat.depthFraction)) / Math.cos(slopeRad)] as const);
  if (hap > 0 && hap < plumb) return ok(hap);
  const text =
    field === 'hap'
      ? `${hap} mm leaves no seat in a rafter ${plumb.toFixed(1)} mm deep on the plumb; accepted is over 0 and under ${plumb.toFixed(1)} mm`
      : `a seat this wide cuts the rafter through; accepted is under ${(plumb / Math.tan(slopeRad)).toFixed(1)} mm`;
  return refused([{ code: 'seat', path: `framing.seat.${field}`, text }]);
};
