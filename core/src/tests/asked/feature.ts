import type fc from 'fast-check';
import type { End, House } from './house';

/**
 * Something that a framer asks for, in a place where there is room for it: a window within its slope, ties within the
 * rise. It is asked for whatever else is; what does not go together today is counted, not drawn around.
 */
export interface Feature {
  readonly name: string;
  /** The end that a house must have for it; null where any will do. */
  readonly needs: End | null;
  /** It leaves the house one slope: not asked for with what needs a hip or a ridge. */
  readonly oneSlope?: true;
  readonly atRidge?: true;
  /** What a house has once: two features that settle the same are not asked for together. */
  readonly settles?: 'rows' | 'ties';
  readonly ask: fc.Arbitrary<(house: House) => House>;
}
