import type { FitProblem } from '../fit';
import type { Member } from '../frame';
import { SAME_POINT_MM, v2, v3, type Vec2 } from '../geom';
import { isExtra, isRow } from '../kinds';

/** How far a point of the plan lies from a piece, from end to end of it. mm */
const fromPiece = (p: Vec2, { frame, axis }: Member): number => {
  const from = v3.inPlan(frame.origin);
  const way = v3.inPlan(frame.a);
  const off = v2.sub(p, from);
  const run = v2.dot(way, way) * axis.runMm;
  const t = Math.min(Math.max(0, v2.dot(off, way)), run);
  return v2.distance(off, v2.scale(way, run === 0 ? 0 : t / v2.dot(way, way)));
};

/**
 * Whether a finding is of what withheld pieces leave open, which is told with them: one of their kind is missing where one of
 * them would stand.
 *
 * @param reachMm how far about itself a piece serves, a bay and a half; one of a row serves its own line alone
 */
export const isLeftOpen = (
  { at, wanted = [] }: FitProblem,
  pieces: readonly Member[],
  reachMm: number,
): boolean =>
  pieces.some(
    (piece) =>
      wanted.includes(piece.kind) &&
      fromPiece(v3.inPlan(at), piece) < (isRow(piece) ? piece.stock.thickness : reachMm),
  );

/** Whether a finding is that something beyond the base frame is missing: the roof stands without it, and it is told. */
export const isOfExtra = ({ wanted = [] }: FitProblem): boolean =>
  wanted.length > 0 && wanted.every((kind) => isExtra({ kind }));

/** Whether two findings are of one place, in frames of one roof: marks may have changed between them. */
export const isSameFinding = (one: FitProblem, other: FitProblem): boolean =>
  one.kind === other.kind &&
  one.wanted?.join() === other.wanted?.join() &&
  v3.distance(one.at, other.at) < SAME_POINT_MM;
