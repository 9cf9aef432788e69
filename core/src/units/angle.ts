/** Radians to degrees. */
export const degrees = (rad: number): number => (rad * 180) / Math.PI;

/** Degrees to radians. */
export const radians = (deg: number): number => (deg * Math.PI) / 180;

/** Degrees for a person: lossy, `places` decimals, never `-0.0°`. */
export const formatDegrees = (deg: number, places = 1): string => {
  const rounded = Number(deg.toFixed(places));
  return `${(Object.is(rounded, -0) ? 0 : rounded).toFixed(places)}°`;
};
