import type { Vec2 } from '../geom';
import type { ListedKind } from '../kinds';

/** A polygon or a line of an elevation: x to the right, z up, mm. */
export interface Panel {
  readonly of: 'roof' | 'wall' | 'line' | 'timber';
  /** Of a timber. */
  readonly kind?: ListedKind;
  readonly points: readonly Vec2[];
  /** How far off its nearest point is. mm */
  readonly away: number;
}
