import { startTransition, useEffect, useState } from 'react';
import { Solving, type Solved } from '../solver/solving';
import { SolverThread } from '../solver/thread';
import { useStable } from '../ui/use-stable';
import { useWide } from '../ui/use-wide';
import type { JobInHand, Snapshot } from './job-in-hand';
import type { LastRoof } from './last-roofs';

/** What stands on the screen: the job with the roof of that very entry, wherever the roof comes in time. */
export interface OnScreen {
  readonly snapshot: Snapshot;
  readonly solved: Solved;
}

/** As long as this what is typed waits for its roof, where both are on the screen and so drawn in one go. ms */
const WAITED_MS = 100;

/** Whether this news is of what is being typed, which its own field shows already, and nothing else. */
const isTyped = (now: Snapshot, before: Snapshot): boolean =>
  now.state === 'entering' &&
  now.inHand?.showsItself === true &&
  now.inHand.problem === null &&
  before.inHand?.path === now.inHand.path &&
  before.inHand.problem === null &&
  now.job !== before.job;

/**
 * Follows the job in hand and has its roof worked out. `tell` is given what is to stand on the screen; `sliced` where that
 * may be drawn in slices, between which the field in hand answers. `together` is whether the roof is on the screen beside
 * what is typed. Returns how to end it.
 */
export const follow = (
  inHand: Pick<JobInHand, 'read' | 'subscribe'>,
  solving: Pick<Solving, 'read' | 'subscribe' | 'solve'>,
  tell: (next: (shown: OnScreen) => OnScreen, sliced: boolean) => void,
  together: () => boolean,
): (() => void) => {
  let snapshot = inHand.read();
  let solved = solving.read();
  let waiting: ReturnType<typeof setTimeout> | null = null;
  const waitNoMore = (): void => {
    if (waiting !== null) clearTimeout(waiting);
    waiting = null;
  };
  const tellBoth = (sliced: boolean): void => {
    waitNoMore();
    const next = { snapshot, solved };
    tell(() => next, sliced);
  };
  const solve = (): void => {
    const { checked } = snapshot;
    solving.solve(checked.ok ? checked.value : null);
  };
  const ends = [
    inHand.subscribe(() => {
      const before = snapshot;
      snapshot = inHand.read();
      solve();
      if (together() && isTyped(snapshot, before)) {
        waiting ??= setTimeout(() => tellBoth(true), WAITED_MS);
        return;
      }
      waitNoMore();
      const now = snapshot;
      // A roof that is being drawn in slices meanwhile goes on so.
      tell((shown) => ({ ...shown, snapshot: now }), false);
    }),
    solving.subscribe(() => {
      const before = solved;
      solved = solving.read();
      // That a roof is late or failed is said at once.
      tellBoth(solved.roof !== before.roof);
    }),
  ];
  tellBoth(false);
  solve();
  return () => {
    waitNoMore();
    for (const end of ends) end();
  };
};

/** The job in hand and its roof. Kept as state: what is read from an external store is never rendered in slices. */
export const useOnScreen = (
  inHand: JobInHand,
  last: LastRoof | null,
): OnScreen & Pick<Solving, 'ask' | 'stop' | 'again'> => {
  const [solving] = useState(() => new Solving(new SolverThread(), last));
  const [shown, setShown] = useState<OnScreen>(() => ({
    snapshot: inHand.read(),
    solved: solving.read(),
  }));
  const wide = useWide();
  const together = useStable(() => wide);
  useEffect(() => {
    const tell = (next: (shown: OnScreen) => OnScreen, sliced: boolean): void => {
      if (sliced) startTransition(() => setShown(next));
      else setShown(next);
    };
    return follow(inHand, solving, tell, together);
  }, [inHand, solving, together]);
  useEffect(() => () => solving.dispose(), [solving]);
  return { ...shown, ask: solving.ask, stop: solving.stop, again: solving.again };
};
