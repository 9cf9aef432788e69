import type { Job } from '../job';
import { ok, refused, type Result } from '../problem';
import { inMm, mostMm, say } from '../sentence';

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
      ? say`${inMm(hap, 1)} leaves no seat in a rafter ${inMm(plumb, 1)} deep on the plumb; accepted is over nothing and under ${mostMm(plumb, 1)}`
      : say`a seat this wide cuts the rafter through; accepted is under ${mostMm(plumb / Math.tan(slopeRad), 1)}`;
  return refused([{ code: 'seat', path: `framing.seat.${field}`, text }]);
};
