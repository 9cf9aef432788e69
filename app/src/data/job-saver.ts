import { readJob, type Job, type StoredJob } from '@ogee/core';
import { api, Refused } from './api';
import { dropDraft, readDraft, writeDraft } from './draft';

export type SaveState = 'saved' | 'waiting' | 'saving' | 'away' | 'held' | 'conflict';

export interface Snapshot {
  readonly job: Job;
  readonly revision: number;
  readonly state: SaveState;
  /** What another tab or device saved meanwhile. */
  readonly theirs: StoredJob | null;
}

const PAUSE_MS = 500;
const RETRY_MS = 4000;

/**
 * Keeps one job: every edit is drafted on this device at once and saved soon after. It never saves over a revision it
 * has not seen: then it stops and asks (`conflict`). Nothing typed is dropped on the way.
 */
export class JobSaver {
  private snapshot: Snapshot;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private readonly listeners = new Set<() => void>();
  private edits = 0;
  /** One save at a time: an edit meanwhile waits for its answer, and goes over the revision that it brings. */
  private saving = false;

  constructor(
    private readonly id: string,
    stored: StoredJob,
    private readonly onSaved: (stored: StoredJob) => void,
  ) {
    const draft = readDraft(id);
    this.snapshot = { job: stored.job, revision: stored.revision, state: 'saved', theirs: null };
    if (draft === null) return;
    if (draft.over === stored.revision) {
      this.snapshot = { ...this.snapshot, job: draft.job };
      this.schedule(0);
    } else {
      this.snapshot = { job: draft.job, revision: draft.over, state: 'conflict', theirs: stored };
    }
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly read = (): Snapshot => this.snapshot;

  readonly edit = (change: (job: Job) => Job): void => {
    const job = change(this.snapshot.job);
    this.edits += 1;
    this.set({ job });
    writeDraft(this.id, { over: this.snapshot.revision, job });
    if (this.snapshot.state !== 'conflict' && !this.saving) this.schedule(PAUSE_MS);
  };

  /** A fresher copy came from the server: taken at once, unless something here is not kept yet. */
  readonly meet = (stored: StoredJob): void => {
    if (stored.revision <= this.snapshot.revision) return;
    if (this.snapshot.state === 'saved') {
      this.set({ job: stored.job, revision: stored.revision });
    } else if (this.snapshot.state !== 'saving') {
      this.stopTimer();
      this.set({ state: 'conflict', theirs: stored });
    }
  };

  /** Mine goes on top; theirs stays in the history. */
  readonly keepMine = async (): Promise<void> => {
    const { theirs } = this.snapshot;
    if (theirs === null) return;
    this.set({ revision: theirs.revision, theirs: null });
    await this.save();
  };

  /** Theirs goes on top; mine is saved into the history first. */
  readonly takeTheirs = async (): Promise<void> => {
    const { theirs } = this.snapshot;
    if (theirs === null) return;
    const wanted = theirs.revision;
    await this.keepMine();
    if (this.snapshot.state !== 'saved') return;
    const restored = await api.restore(this.id, wanted, this.snapshot.revision);
    this.set({ job: restored.job, revision: restored.revision });
    this.onSaved(restored);
  };

  readonly dispose = (): void => {
    this.stopTimer();
    if (this.snapshot.state === 'waiting') void this.save();
  };

  private stopTimer(): void {
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = null;
  }

  private schedule(pauseMs: number): void {
    this.stopTimer();
    this.set({ state: readJob(this.snapshot.job).ok ? 'waiting' : 'held' });
    if (this.snapshot.state === 'waiting') this.timer = setTimeout(() => void this.save(), pauseMs);
  }

  private async save(): Promise<void> {
    if (this.saving) return;
    this.saving = true;
    this.stopTimer();
    const { job, revision } = this.snapshot;
    const edits = this.edits;
    this.set({ state: 'saving' });
    try {
      const stored = await api.save(this.id, revision, job);
      this.saving = false;
      this.onSaved(stored);
      this.set({ revision: stored.revision, state: 'saved' });
      if (this.edits === edits) dropDraft(this.id);
      else {
        writeDraft(this.id, { over: stored.revision, job: this.snapshot.job });
        this.schedule(PAUSE_MS);
      }
    } catch (error) {
      this.saving = false;
      this.failed(error);
    }
  }

  private failed(error: unknown): void {
    if (error instanceof Refused && error.current !== null) {
      this.set({ state: 'conflict', theirs: error.current });
    } else if (error instanceof Refused && error.status < 500) {
      this.set({ state: 'held' });
    } else {
      this.set({ state: 'away' });
      this.timer = setTimeout(() => void this.save(), RETRY_MS);
    }
  }

  private set(change: Partial<Snapshot>): void {
    this.snapshot = { ...this.snapshot, ...change };
    for (const listener of this.listeners) listener();
  }
}
