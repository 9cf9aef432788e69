import { hapOf, type Job } from '../job';
import { ok, refused, type Result } from '../problem';
import { inMm, mostMm, say } from '../sentence';

/**
 * Reduces the three seat schools to one height above plate, for a rafter at slope θ.
 *
 * @returns hap in mm, strictly between 0 and the rafter's plumb depth, so that there is a notch and wood above it
 */
export const heightAbovePlate = (job: Job, slopeRad: number): Result<number> => {
  const { seat } = job.framing;
  const plumb = job.timber.common.depth / Math.cos(slopeRad);
  const hap = hapOf(job, slopeRad);
  const field = 'hap' in seat ? 'hap' : 'width' in seat ? 'width' : 'depthFraction';
  if (hap > 0 && hap < plumb) return ok(hap);
  const text =
    field === 'hap'
      ? say`${inMm(hap, 1)} leaves no seat in a rafter ${inMm(plumb, 1)} deep on the plumb; accepted is over nothing and under ${mostMm(plumb, 1)}`
      : say`a seat this wide cuts the rafter through; accepted is under ${mostMm(plumb / Math.tan(slopeRad), 1)}`;
  return refused([{ code: 'seat', path: ['framing', 'seat', field], text }]);
};
