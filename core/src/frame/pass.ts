import type { Problem } from '../problem';
import type { Member } from './member/member';
import type { Primary } from './primary';
import type { Site } from './site';

/** What one pass adds to the frame; with problems, the roof is refused. */
export interface Added {
  readonly members: readonly Member[];
  readonly problems: readonly Problem[];
  /** Those of the passes before that it sawed again, a rafter notched over a purlin say. */
  readonly resawn?: readonly Member[];
  /** Rafters at a ridge that no other stands opposite, where ties are wanted. */
  readonly alone?: number;
}

/**
 * Makes the boards of one sort of timber from the primary frame, which it leaves as it is. `before` are those of the
 * passes before it, already sawn; what it saws of them again comes back beside its own.
 */
export type Pass = (site: Site, primary: Primary, before: readonly Member[]) => Added;
