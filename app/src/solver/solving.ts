import type { Job } from '@ogee/core/src/job';
import type { Problem, Result } from '@ogee/core/src/problem';
import { replaceEqualDeep } from '@tanstack/react-query';
import type { Remote } from 'comlink';
import type { RoofAnswer } from './answers';
import type { Solver, Subject } from './solver.worker';
import { Ended, type SolverThread } from './thread';

/**
 * How the roof on screen stands to the job:
 *
 *   current   worked out from this very job
 *   working   the job has changed; its roof is on its way
 *   slow      for so long that it is said, and can be stopped
 *   stopped   a person stopped it
 *   failed    the solver threw or died: our own defect
 */
export type SolveState = 'current' | 'working' | 'slow' | 'stopped' | 'failed';

/** A roof on the screen, with the job that it was worked out from. */
export interface ShownRoof extends RoofAnswer, Subject {}

export interface Solved {
  /** The last good roof, kept while a job cannot be solved. */
  readonly roof: ShownRoof | null;
  /** Of the job as it is now; none while it is worked out. */
  readonly problems: readonly Problem[];
  readonly solving: SolveState;
}

/** One and the same, so that what shows the problems is not drawn anew for none. */
const NONE: readonly Problem[] = [];

/** A roof that takes longer than this is marked as on its way; one that takes longer still can be stopped. ms */
const MARKED_MS = 300;
const SLOW_MS = 3000;
/** A newer edit ends an older solve that has run this long; a shorter one is let through. ms */
const OVERTAKEN_MS = 500;

const STOPPED = 'stopped by hand';

/** Every roof worked out in this window has a number of its own. */
let lastSerial = 0;

/** Solves the newest job, one at a time, in a thread that a newer job or a person can end. */
export class Solving {
  private snapshot: Solved = { roof: null, problems: NONE, solving: 'current' };
  private wanted: Job | null = null;
  private running: { readonly job: Job; readonly since: number } | null = null;
  private marks: ReturnType<typeof setTimeout>[] = [];
  private readonly listeners = new Set<() => void>();

  constructor(private readonly thread: Pick<SolverThread, 'ask' | 'restart' | 'end'>) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly read = (): Solved => this.snapshot;

  /** The job as it is now; null where it cannot be solved at all, which leaves the last roof standing. */
  readonly solve = (job: Job | null): void => {
    if (job === this.wanted) return;
    this.wanted = job;
    this.unmark();
    if (job === null) {
      this.set({ problems: NONE, solving: 'current' });
      return;
    }
    const { running } = this;
    if (running !== null && Date.now() - running.since > OVERTAKEN_MS) {
      this.running = null;
      this.thread.restart('a newer edit');
    }
    this.marks = [
      setTimeout(() => this.set({ problems: NONE, solving: 'working' }), MARKED_MS),
      setTimeout(() => this.set({ problems: NONE, solving: 'slow' }), SLOW_MS),
    ];
    this.run();
  };

  readonly stop = (): void => {
    this.running = null;
    this.thread.restart(STOPPED);
  };

  readonly again = (): void => {
    const job = this.wanted;
    this.wanted = null;
    this.solve(job);
  };

  /** Asks the solver about the roof on the screen. */
  readonly ask = <T>(
    subject: Subject,
    question: (solver: Remote<Solver>, subject: Subject) => Promise<T>,
  ): Promise<T> =>
    this.thread.ask((solver) => question(solver, { job: subject.job, serial: subject.serial }));

  dispose(): void {
    this.unmark();
    this.thread.end('closed');
  }

  private run(): void {
    const job = this.wanted;
    if (job === null || this.running !== null) return;
    const mine = { job, since: Date.now() };
    lastSerial += 1;
    const subject: Subject = { job, serial: lastSerial };
    this.running = mine;
    const ended = (): boolean => {
      if (this.running === mine) this.running = null;
      // A newer job has overtaken this answer.
      if (this.wanted === job) return true;
      this.run();
      return false;
    };
    this.thread
      .ask<Result<RoofAnswer>>((solver) => solver.solve(subject) as Promise<Result<RoofAnswer>>)
      .then(
        (result) => {
          if (!ended()) return;
          this.unmark();
          this.set(
            result.ok
              ? { roof: this.shown(subject, result.value), problems: NONE, solving: 'current' }
              : { problems: result.problems, solving: 'current' },
          );
        },
        (error: unknown) => {
          if (!ended() || (error instanceof Ended && error.message === 'closed')) return;
          this.unmark();
          const stopped = error instanceof Ended && error.message === STOPPED;
          this.set({ problems: NONE, solving: stopped ? 'stopped' : 'failed' });
        },
      );
  }

  /** What is the same as before stays the very same object, so that only what changed is drawn anew. */
  private shown(subject: Subject, { cuts, plan }: RoofAnswer): ShownRoof {
    const before = this.snapshot.roof;
    return { ...subject, plan, cuts: replaceEqualDeep(before?.cuts, cuts) };
  }

  private unmark(): void {
    this.marks.forEach(clearTimeout);
    this.marks = [];
  }

  private set(change: Partial<Solved>): void {
    this.snapshot = { ...this.snapshot, ...change };
    for (const listener of this.listeners) listener();
  }
}
