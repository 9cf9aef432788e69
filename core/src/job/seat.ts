import type { Job } from './schema';

/**
 * The height above plate that the crew's seat gives a common at a slope: strictly between 0 and the rafter's plumb depth
 * where there is a notch and wood above it.
 *
 *   fixed height     hap as given
 *   fixed width      hap = depth ÷ cos θ − width · tan θ
 *   share of depth   hap = depth · (1 − share) ÷ cos θ
 *
 * @returns mm
 */
export const hapOf = ({ framing: { seat }, timber }: Job, slopeRad: number): number => {
  const { depth } = timber.common;
  const plumb = depth / Math.cos(slopeRad);
  if ('hap' in seat) return seat.hap;
  return 'width' in seat
    ? plumb - seat.width * Math.tan(slopeRad)
    : plumb * (1 - seat.depthFraction);
};
