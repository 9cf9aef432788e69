import { SAME_POINT_MM } from '../geom';

/** Where a run of rafters starts or ends. Lengths are measured along the plate from the first end's corner. mm */
export interface LayoutEnd {
  readonly kind: 'gable' | 'hip';
  /** Gable: the wall's outside face. Hip: the point where the planes meet, squared down to the plate. */
  readonly at: number;
}

export interface Stations {
  readonly at: readonly number[];
  /** Stations left out because a rafter that must stand there is nearer than a rafter's thickness. */
  readonly dropped: readonly number[];
}

const standClear = (
  wanted: readonly number[],
  fixed: readonly number[],
  thickness: number,
): Stations => {
  const at = [...fixed];
  const dropped: number[] = [];
  for (const station of wanted) {
    if (fixed.some((other) => Math.abs(other - station) < thickness)) dropped.push(station);
    else at.push(station);
  }
  return { at: at.sort((a, b) => a - b), dropped };
};

/**
 * Commons along a ridge. The end rafters are given: flush inside a gable's outside face, or on a hip's meeting point.
 * Between them: from a hip's point (`ridge`), or from the first end's corner or outside face (`corner`, any gable).
 */
export const commonStations = (
  first: LayoutEnd,
  last: LayoutEnd,
  spacing: number,
  thickness: number,
  layout: 'ridge' | 'corner',
): Stations => {
  const firstAt = first.kind === 'gable' ? first.at + thickness / 2 : first.at;
  const lastAt = last.kind === 'gable' ? last.at - thickness / 2 : last.at;
  const origin = first.kind === 'hip' && layout === 'ridge' ? first.at : 0;
  const wanted: number[] = [];
  for (let k = 1; origin + k * spacing < lastAt; k += 1) {
    const station = origin + k * spacing;
    if (station > firstAt) wanted.push(station);
  }
  // A station that falls on an end rafter is that rafter, not one left out.
  const between = wanted.filter(
    (s) => Math.abs(s - firstAt) > SAME_POINT_MM && Math.abs(s - lastAt) > SAME_POINT_MM,
  );
  return standClear(between, [firstAt, lastAt], thickness);
};

/**
 * Jacks between a hip's corner and the rafter that stands at the hip's top.
 *
 * @param reach plan distance along the plate from the corner to that rafter's centre line
 * @returns distances from the corner, the longest jack first
 */
export const jackStations = (
  reach: number,
  spacing: number,
  thickness: number,
  layout: 'ridge' | 'corner',
): Stations => {
  const wanted: number[] = [];
  for (let k = 1; k * spacing < reach; k += 1) {
    wanted.push(layout === 'ridge' ? reach - k * spacing : k * spacing);
  }
  const { at, dropped } = standClear(
    wanted.filter((s) => reach - s > SAME_POINT_MM),
    [reach],
    thickness,
  );
  return { at: at.filter((s) => s !== reach).sort((a, b) => b - a), dropped };
};
