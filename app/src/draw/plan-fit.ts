import type { PlanTimber } from '@ogee/core/src/drawing';
import type { Vec2 } from '@ogee/core/src/geom';
import type { Sight } from './sight';

export interface PlanFit {
  readonly pxPerMm: number;
  /** Plan mm (x right, y up) to drawing px (x right, y down). */
  readonly toPx: (p: Vec2) => Vec2;
}

/** No eye sees less; and what has moved by less is not drawn anew. px */
export const inTenths = (px: number): number => Math.round(px * 10) / 10;

/** The same drawing at a sight of it. */
export const fitAt = ({ pxPerMm, toPx }: PlanFit, { scale, x, y }: Sight): PlanFit => ({
  pxPerMm: pxPerMm * scale,
  toPx: (p) => {
    const [u, v] = toPx(p);
    return [inTenths(u * scale + x), inTenths(v * scale + y)];
  },
});

/** One scale for both directions, the drawing in the middle, `margin` px free all round. */
export const fitPlan = (
  points: readonly Vec2[],
  width: number,
  height: number,
  margin: number,
): PlanFit => {
  const xs = points.map((p) => p[0]);
  const ys = points.map((p) => p[1]);
  const [left, right] = [Math.min(...xs), Math.max(...xs)];
  const [low, high] = [Math.min(...ys), Math.max(...ys)];
  const pxPerMm = Math.min(
    (width - 2 * margin) / Math.max(1, right - left),
    (height - 2 * margin) / Math.max(1, high - low),
  );
  return {
    pxPerMm,
    toPx: ([x, y]) => [
      width / 2 + (x - (left + right) / 2) * pxPerMm,
      height / 2 - (y - (low + high) / 2) * pxPerMm,
    ],
  };
};

const distanceTo = ({ from, to }: PlanTimber, at: Vec2): number => {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const t = ((at[0] - from[0]) * dx + (at[1] - from[1]) * dy) / (dx * dx + dy * dy || 1);
  const k = Math.min(1, Math.max(0, t));
  return Math.hypot(at[0] - from[0] - k * dx, at[1] - from[1] - k * dy);
};

/** The timber nearest a touch, or null when none lies within `reach` px. */
export const nearest = (
  timbers: readonly PlanTimber[],
  at: Vec2,
  reach: number,
): PlanTimber | null => {
  let best: PlanTimber | null = null;
  let least = reach;
  for (const timber of timbers) {
    const away = distanceTo(timber, at);
    if (away < least) [best, least] = [timber, away];
  }
  return best;
};
