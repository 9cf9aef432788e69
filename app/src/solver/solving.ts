import type { Job } from '@ogee/core/src/job';
import type { Problem, Result } from '@ogee/core/src/problem';
import type { Remote } from 'comlink';
import type { Figures, RoofAnswer } from './answers';
import { changed, changeOf } from './change';
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
export interface ShownRoof extends RoofAnswer, Subject {
  /** Not yet: it is looked at, and neither sawn nor ordered from. */
  readonly proved: boolean;
}

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

const sameJob = (one: Job, other: Job): boolean => changeOf(one, other) === null;

/** Every roof worked out in this window has a number of its own. */
let lastSerial = 0;

/** Solves the newest job, one at a time, in a thread that a newer job or a person can end. */
export class Solving {
  private snapshot: Solved = { roof: null, problems: NONE, solving: 'current' };
  /** What the thread told last, whether or not it came in time to be shown. */
  private told: { readonly serial: number; readonly answer: RoofAnswer } | null = null;
  /** The last roof that was proved: it stands again where a newer one is disproved. */
  private proved: ShownRoof | null = null;
  /** The roof of another time that stands on the screen, until one is worked out. */
  private former: ShownRoof | null = null;
  private wanted: Job | null = null;
  private running: { readonly job: Job; readonly since: number } | null = null;
  private marks: ReturnType<typeof setTimeout>[] = [];
  private readonly listeners = new Set<() => void>();

  /** @param last the roof that this device worked out last, which stands until a newer one does */
  constructor(
    private readonly thread: Pick<SolverThread, 'ask' | 'restart' | 'end'>,
    last: (RoofAnswer & { readonly job: Job }) | null = null,
  ) {
    if (last === null) return;
    lastSerial += 1;
    const roof = { ...last, serial: lastSerial, proved: false };
    this.former = roof;
    // It was proved when it was kept: it stands again where the job's own is refused.
    this.proved = { ...roof, proved: true };
    this.snapshot = { roof, problems: NONE, solving: 'current' };
  }

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
    // A roof of another time that is of this very job is not called late: it says itself that it is being proved.
    const { former } = this;
    const isFormer = former !== null && sameJob(former.job, job);
    if (former !== null && !isFormer) this.set({ problems: NONE, solving: 'working' });
    const late = isFormer ? SLOW_MS : MARKED_MS;
    this.marks = [
      setTimeout(() => this.set({ problems: NONE, solving: 'working' }), late),
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
    const subject: Subject = { job, serial: this.serialFor(job) };
    this.running = mine;
    const ended = (): boolean => {
      if (this.running === mine) this.running = null;
      // A newer job has overtaken this answer.
      if (this.wanted === job) return true;
      this.run();
      return false;
    };
    const since = this.told?.serial ?? null;
    const failed = (error: unknown): void => {
      if (!ended() || (error instanceof Ended && error.message === 'closed')) return;
      this.unmark();
      const stopped = error instanceof Ended && error.message === STOPPED;
      this.set({ problems: NONE, solving: stopped ? 'stopped' : 'failed' });
    };
    this.thread
      .ask<Result<Figures>>((solver) => solver.figures(subject, since) as Promise<Result<Figures>>)
      .then((result) => {
        const answer = result.ok ? this.take(subject, result.value) : null;
        if (!ended()) return;
        this.unmark();
        if (!result.ok)
          this.set({ roof: this.proved, problems: result.problems, solving: 'current' });
        else if (answer !== null) this.show({ ...subject, ...answer, proved: false });
      }, failed);
  }

  /** What is asked about a former roof of this very job is answered by this one. */
  private serialFor(job: Job): number {
    if (this.former !== null && sameJob(this.former.job, job)) return this.former.serial;
    lastSerial += 1;
    return lastSerial;
  }

  /** The answer that was told as a change of the last one. */
  private take({ serial }: Subject, { since, change }: Figures): RoofAnswer {
    if (since !== null && since !== this.told?.serial)
      throw new Error(`solving: told of a change of roof ${since}, which is not here`);
    const before = since === null ? null : this.told?.answer;
    const answer = this.asFormer(changed(before, change) as RoofAnswer);
    this.told = { serial, answer };
    return answer;
  }

  /** What a former roof told alike stays the very same object, so that nothing of it is drawn anew. */
  private asFormer(answer: RoofAnswer): RoofAnswer {
    const { former } = this;
    if (former === null) return answer;
    this.former = null;
    const { cuts, plan } = former;
    return changed({ cuts, plan }, changeOf({ cuts, plan }, answer)) as RoofAnswer;
  }

  /** The figures first; then their proof, which may take pieces away that do not hold. */
  private show(roof: ShownRoof): void {
    this.set({ roof, problems: NONE, solving: 'current' });
    const stands = (): boolean => this.snapshot.roof === roof;
    lastSerial += 1;
    const without: Subject = { job: roof.job, serial: lastSerial };
    this.ask<Result<Figures | null>>(
      roof,
      (solver, subject) => solver.prove(subject, without.serial) as Promise<Result<Figures | null>>,
    ).then(
      (result) => {
        // Taken whether or not it is shown: what is told next is told as a change of it.
        const less = result.ok && result.value !== null ? this.take(without, result.value) : null;
        if (!stands()) return;
        if (result.ok) {
          const isProved =
            less === null ? { ...roof, proved: true } : { ...without, ...less, proved: true };
          this.proved = isProved;
          this.set({ roof: isProved });
        } else if (this.wanted === roof.job)
          this.set({ roof: this.proved, problems: result.problems });
        else this.set({ roof: this.proved });
      },
      // Ended for a newer edit: that one is proved instead.
      (error: unknown) => {
        if (!stands() || error instanceof Ended) return;
        this.set({ roof: this.proved, solving: 'failed' });
      },
    );
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
