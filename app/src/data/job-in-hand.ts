import { replaceEqualDeep } from '@tanstack/react-query';
import { merged, readJob, type Clash, type Job } from '@ogee/core/src/job';
import { pathFrom, type Problem, type Result } from '@ogee/core/src/problem';
import { plainly } from '@ogee/core/src/sentence';
import type { StoredJob } from '@ogee/core/src/wire';
import { latestJob } from './device';
import type { Outbox, JobState } from './outbox';
import { allRebased } from './rebase';

export type Change = (job: Job) => Job;

/**
 * Where the last entry is:
 *
 *   entering  in a field's hands: it counts when the field is left
 *   saved     with the server
 *   behind    with the server; somebody has changed the job since, which is shown when the field in hand is left
 *   keeping   being written on this device
 *   sending   kept on this device, on its way
 *   away      kept on this device; the server does not answer
 *   unkept    in this window alone, on its way: the device does not keep it
 *   unkept-away    in this window alone, and the server does not answer
 *   stopped   not with the server; a person must say how to go on
 */
export type SaveState =
  | 'entering'
  | 'saved'
  | 'behind'
  | 'keeping'
  | 'sending'
  | 'away'
  | 'unkept'
  | 'unkept-away'
  | 'stopped';

export interface Snapshot {
  /** As shown: with the entry in hand, where that can be read. */
  readonly job: Job;
  /** What its own checks say of it. */
  readonly checked: Result<Job>;
  /** Of the server's copy; 0 for a job that it has not had yet. */
  readonly revision: number;
  readonly state: SaveState;
  readonly stop: JobState['stop'];
  /** What was changed here and elsewhere, and is asked about. */
  readonly clashes: readonly Clash[];
  /** Why the last change was not taken; null once another is. */
  readonly notTaken: Problem | null;
  /** The field in hand, and what is wrong with what stands in it. */
  readonly inHand: {
    readonly path: string;
    readonly problem: Problem | null;
    /** It shows itself what is typed in it, before the job does. */
    readonly showsItself: boolean;
  } | null;
  /** What the list on the screen is of, for whoever saws by it: a revision, or the entry that will be one. */
  readonly from: number | string | null;
  /** What others have done to it since it was last looked at here; empty where nothing, or once it was seen. */
  readonly news: readonly News[];
  /** What undo and redo would do; null where there is nothing. */
  readonly undo: string | null;
  readonly redo: string | null;
}

/** What somebody else did to the job. */
export interface News {
  readonly revision: number;
  readonly said: string;
  /** What the device that it came from is called; empty where nobody has said. */
  readonly by: string;
}

interface Step {
  readonly before: Job;
  readonly after: Job;
  readonly said: string;
}

/** Whether two snapshots tell the same: then there is no news. */
const alike = ({ inHand: one, ...rest }: Snapshot, { inHand: other, ...next }: Snapshot): boolean =>
  one?.path === other?.path &&
  one?.problem === other?.problem &&
  (Object.keys(rest) as (keyof typeof rest)[]).every((name) => rest[name] === next[name]);

const same = (one: Job, other: Job): boolean => JSON.stringify(one) === JSON.stringify(other);

/** The job as another, shown as it is now: units are no part of what is undone. */
const shownAs = (job: Job, { display }: Job): Job => ({ ...job, display });

/** What this device shows of a job: as its last entry left it, or as the server last had it. */
export const latestOf = ({ waiting, copy }: JobState): Job | null => latestJob(waiting, copy);

/** What was changed here and elsewhere otherwise, while a person is asked. */
const clashesIn = ({ stop, waiting }: JobState): readonly Clash[] =>
  stop?.why === 'conflict' && stop.theirs !== null
    ? allRebased(waiting, stop.theirs.job).clashes
    : [];

/**
 * The job that is worked on. A change is one entry: read by the job's own checks, kept on the device, sent. While a field
 * is in hand its changes are a preview, each worked out anew from the job as it was when the field was taken up, and one
 * entry when it is left.
 */
export class JobInHand {
  private latest: Job;
  private known: JobState;
  private clashes: readonly Clash[];
  private hand: {
    readonly path: string;
    readonly showsItself: boolean;
    change: Change | null;
    shown: Job | null;
    problem: Problem | null;
    /** What it would say if it were left now. */
    said: string;
  } | null = null;
  private readonly done: Step[] = [];
  private readonly undone: Step[] = [];
  /** What became of steps turned back or forth on the job as it is. */
  private readonly turnings = new WeakMap<
    Job,
    { readonly to: Job; readonly of: Job; readonly job: Job | null }
  >();
  private notTaken: Problem | null = null;
  private typing = false;
  private saying: string | null = null;
  private appending = 0;
  private news: readonly News[] = [];
  /** Something came from elsewhere while a field was in hand: it is taken in when that is left. */
  private behind = false;
  private snapshot: Snapshot;
  private readonly listeners = new Set<() => void>();
  private readonly unsubscribe: () => void;

  constructor(
    readonly id: string,
    private readonly outbox: Outbox,
    state: JobState,
    private readonly onCopy: (copy: StoredJob) => void = () => undefined,
    /** What was done to the job after a revision, on other devices. */
    private readonly newsSince: (revision: number) => Promise<readonly News[]> = () =>
      Promise.resolve([]),
  ) {
    const latest = latestOf(state);
    if (latest === null) throw new Error(`nothing is known of job ${id}`);
    this.latest = latest;
    this.known = state;
    this.clashes = clashesIn(state);
    this.snapshot = this.take();
    this.unsubscribe = outbox.subscribe(() => void this.refresh());
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly read = (): Snapshot => this.snapshot;

  dispose(): void {
    this.unsubscribe();
  }

  /** One change: a preview while the field in hand tells it, an entry otherwise. Returns whether it was taken. */
  readonly edit = (change: Change, said = this.saying ?? 'Changed'): boolean => {
    if (this.typing && this.hand !== null) return this.preview(change);
    return this.commit(change, said);
  };

  /** What a choice does when it is touched, with what it says of it. */
  readonly say = (said: string, act: () => void): void => {
    this.saying = said;
    try {
      act();
    } finally {
      this.saying = null;
    }
  };

  /** A field is taken up. One that was in hand before is left first. */
  readonly takeUp = (path: string, showsItself = false): void => {
    if (this.hand?.path === path) return;
    if (this.hand !== null) this.leave(this.hand.path, this.hand.said);
    this.hand = { path, showsItself, change: null, shown: null, problem: null, said: 'Changed' };
    this.publish();
  };

  /** What a field's own handler does with a value that was read in it: a preview. */
  readonly whileTyping = (path: string, act: () => void, said = 'Changed'): void => {
    this.takeUp(path);
    if (this.hand !== null) this.hand.said = said;
    this.typing = true;
    try {
      act();
    } finally {
      this.typing = false;
    }
  };

  /** What stands in the field does not go with the others beside it: it stays there with the reason, and is no entry. */
  readonly refuse = (why: string): void => {
    if (!this.typing || this.hand === null) return;
    const { path } = this.hand;
    this.hand.problem = { code: 'outline', path: pathFrom(path), text: plainly(why) };
    this.hand.change = null;
    this.hand.shown = null;
    this.publish();
  };

  /** What stands in the field cannot be read, or is what stood there before: nothing of it is previewed. */
  readonly withdraw = (path: string): void => {
    this.takeUp(path);
    if (this.hand !== null)
      this.hand = { ...this.hand, change: null, shown: null, problem: null, said: 'Changed' };
    this.publish();
  };

  /** The field is left: what was previewed is one entry. False where it is not taken, and so stays in the field. */
  readonly leave = (path: string, said: string): boolean => {
    if (this.hand?.path !== path) return true;
    const { change, problem } = this.hand;
    if (problem !== null) return false;
    this.letGo();
    if (change === null || !this.commit(change, said)) this.publish();
    return true;
  };

  /** The field is put back as it was. */
  readonly putBack = (path: string): void => {
    if (this.hand?.path !== path) return;
    this.letGo();
    this.publish();
  };

  readonly undo = (): void => {
    const step = this.done.at(-1);
    if (step === undefined || this.without(step) === null) return;
    this.done.pop();
    this.undone.push(step);
    this.put((now) => merged(step.after, step.before, now).job, `Undone: ${step.said}`);
  };

  readonly redo = (): void => {
    const step = this.undone.at(-1);
    if (step === undefined || this.again(step) === null) return;
    this.undone.pop();
    this.done.push(step);
    this.put((now) => merged(step.before, step.after, now).job, step.said);
  };

  /** The job without what a step changed, and with all that was done since; null where that changed the same. */
  private without({ before, after }: Step): Job | null {
    return this.turned(after, before);
  }

  private again({ before, after }: Step): Job | null {
    return this.turned(before, after);
  }

  private turned(from: Job, to: Job): Job | null {
    const key = this.turnings.get(from);
    // Asked with every key that is typed: worked out when the job or the step is another.
    if (key?.to === to && key.of === this.latest) return key.job;
    const { job, clashes } = merged(from, to, this.latest);
    const stands = clashes.length === 0 && (job === to || readJob(job).ok);
    this.turnings.set(from, { to, of: this.latest, job: stands ? job : null });
    return stands ? job : null;
  }

  /** Puts a former revision on top. */
  readonly restore = (job: Job, revision: number, said = `Restored revision ${revision}`): void => {
    if (!same(job, this.latest)) {
      this.done.push({ before: this.latest, after: job, said });
      this.undone.length = 0;
    }
    this.put(() => job, said, revision);
  };

  /** What both changed is as it is here; theirs stays in the history. */
  readonly keepMine = async (): Promise<void> => {
    const { stop } = this.known;
    if (stop === null) return;
    if (stop.why === 'deleted') await this.outbox.revive(this.id);
    if (stop.theirs !== null) await this.outbox.settle(this.id, stop.theirs);
    await this.outbox.goOn(this.id);
  };

  /** What both changed is as it is there; mine is saved into the history first. */
  readonly takeTheirs = async (): Promise<void> => {
    const { stop, waiting } = this.known;
    if (stop?.theirs == null) return;
    const { job, revision } = stop.theirs;
    const whole = stop.why !== 'conflict' || waiting.some(({ base }) => base == null);
    const theirs = whole ? job : allRebased(waiting, job, 'theirs').job;
    await this.outbox.settle(this.id, stop.theirs);
    const said = `Took what was saved elsewhere, revision ${revision}`;
    if (whole) this.restore(job, revision, said);
    else this.put(() => theirs ?? job, said, undefined, true);
    await this.outbox.goOn(this.id);
  };

  private preview(change: Change): boolean {
    if (this.hand === null) return false;
    const next = change(this.latest);
    const read = readJob(next);
    // What is refused is not shown: the last good job stands, and the field says why.
    this.hand.problem = read.ok ? null : (read.problems[0] ?? null);
    this.hand.change = read.ok ? change : null;
    this.hand.shown = read.ok ? read.value : null;
    this.publish();
    return read.ok;
  }

  private commit(change: Change, said: string): boolean {
    const before = this.latest;
    const read = readJob(change(before));
    if (!read.ok) {
      this.notTaken = read.problems[0] ?? null;
      this.publish();
      return false;
    }
    this.notTaken = null;
    if (same(read.value, before)) {
      this.publish();
      return true;
    }
    if (!same(shownAs(read.value, before), before)) {
      this.done.push({ before, after: read.value, said });
      this.undone.length = 0;
    }
    this.put(change, said);
    return true;
  }

  /** Shows the change at once, and keeps it: made anew from what another window may have kept meanwhile. */
  private put(change: Change, said: string, restores?: number, settles = false): void {
    this.latest = change(this.latest);
    const shown = this.latest;
    this.notTaken = null;
    this.appending += 1;
    this.publish();
    void this.outbox
      .append(this.id, (kept) => {
        const made = kept === null ? shown : shownAs(change(kept), shown);
        const job = readJob(made).ok ? made : shown;
        return {
          act: 'save' as const,
          job,
          said,
          ...(restores === undefined ? {} : { restores }),
          ...(settles ? { settles } : {}),
        };
      })
      .finally(() => {
        this.appending -= 1;
        void this.refresh();
      });
  }

  private async refresh(): Promise<void> {
    if (this.appending > 0) return;
    const state = await this.outbox.state(this.id);
    // Something was entered while this was read: its own news follows.
    if (this.appending > 0) return;
    const there = latestOf(state);
    // Units and words stay as they are here: a figure without a unit means what it meant, whoever changes his.
    const latest = there === null ? null : shownAs(there, this.latest);
    const changed = latest !== null && !same(latest, this.latest);
    this.behind = changed && this.hand !== null;
    if (this.behind) {
      this.publish();
      return;
    }
    const { copy } = this.known;
    if (state.copy !== null && state.copy !== copy) this.onCopy(state.copy);
    this.known = state;
    this.clashes = clashesIn(state);
    if (changed) {
      this.latest = latest;
      if (copy !== null && (state.copy?.revision ?? 0) > copy.revision)
        void this.tellNews(copy.revision);
    }
    this.publish();
  }

  private async tellNews(since: number): Promise<void> {
    const news = await this.newsSince(since);
    this.news = [...this.news.filter(({ revision }) => revision <= since), ...news];
    this.publish();
  }

  /** What others did was seen. */
  readonly seen = (): void => {
    this.news = [];
    this.publish();
  };

  /** No field is in hand any more: what came from elsewhere meanwhile is taken in. */
  private letGo(): void {
    this.hand = null;
    if (this.behind) void this.refresh();
  }

  private stateNow(): SaveState {
    const { stop, waiting } = this.known;
    if (this.hand !== null && (this.hand.change !== null || this.hand.problem !== null))
      return 'entering';
    if (stop !== null) return 'stopped';
    if (this.appending > 0) return 'keeping';
    if (waiting.length === 0) return this.behind ? 'behind' : 'saved';
    if (waiting.some(({ kept }) => !kept)) return this.outbox.away ? 'unkept-away' : 'unkept';
    return this.outbox.away ? 'away' : 'sending';
  }

  private fieldInHand(): Snapshot['inHand'] {
    if (this.hand === null) return null;
    const { path, problem, showsItself } = this.hand;
    return { path, problem, showsItself };
  }

  private take(before?: Snapshot): Snapshot {
    const undo = this.done.at(-1);
    const redo = this.undone.at(-1);
    // What did not change stays the very same object, so that nothing of it is drawn or solved anew.
    const job = replaceEqualDeep(before?.job, this.hand?.shown ?? this.latest);
    const { checked } =
      job === before?.job
        ? before
        : { checked: this.hand?.shown == null ? readJob(job) : { ok: true as const, value: job } };
    return {
      job,
      checked,
      revision: this.known.copy?.revision ?? 0,
      state: this.stateNow(),
      stop: this.known.stop,
      clashes: this.clashes,
      notTaken: this.notTaken,
      inHand: this.fieldInHand(),
      // Nothing moves under a field in hand.
      news: this.hand !== null && before !== undefined ? before.news : this.news,
      from: this.known.waiting.at(-1)?.id ?? (this.known.copy?.revision || null),
      undo: undo !== undefined && this.without(undo) !== null ? undo.said : null,
      redo: redo !== undefined && this.again(redo) !== null ? redo.said : null,
    };
  }

  private publish(): void {
    const next = this.take(this.snapshot);
    if (alike(this.snapshot, next)) return;
    this.snapshot = next;
    for (const listener of this.listeners) listener();
  }
}
