import type { StoredJob } from '@ogee/core/src/wire';
import { isNewer, latestJob, type Device, type MakeEntry, type Stop, type Waiting } from './device';

/** An entry that waits, and whether this device keeps it: what it does not keep goes with the window. */
export interface HeldEntry extends Waiting {
  readonly kept: boolean;
}

/** Entries that were lost from the device stand where they were made: before the first one made later. */
const inOrder = (shelved: readonly Waiting[], own: readonly Waiting[]): HeldEntry[] => {
  const here = new Set(shelved.map(({ id }) => id));
  const held = new Map(own.map((entry) => [entry.id, entry]));
  // What this window holds is the newer, where the device would not write it anew.
  const ordered: HeldEntry[] = shelved.map((entry) => ({
    ...(held.get(entry.id) ?? entry),
    kept: true,
  }));
  let before = ordered.length;
  for (const entry of [...own].reverse()) {
    if (here.has(entry.id)) before = ordered.findIndex(({ id }) => id === entry.id);
    else ordered.splice(before, 0, { ...entry, kept: false });
  }
  return ordered;
};

/**
 * What the device keeps, and over it what this window holds itself: every entry made or seen here until the server has it,
 * every copy and stop that it has met. The device's store may go away at any moment; what was entered is then sent from here, and
 * put back when the store answers again. Nothing of it rejects but what is said to.
 */
export class HeldDevice {
  /** Entries made or seen in this window that the server does not have yet, in the order in which they were made. */
  private own: Waiting[] = [];
  private readonly copiesHeld = new Map<string, StoredJob>();
  /** What the device would not write of stops: null where one was taken away. */
  private readonly stopsHeld = new Map<string, Stop | null>();
  private made = 0;
  private appending: Promise<unknown> = Promise.resolve();
  /** The opening of the store after which all that waits was found there. */
  private whole = 0;
  /** Entries that the server has, as far as this window knows. */
  private readonly gone = new Set<string>();
  /** Of those that wait, what the device did not have when it was last looked at. */
  private readonly lost = new Set<string>();

  constructor(private readonly device: Device) {}

  async waiting(): Promise<HeldEntry[]> {
    const shelved = await this.device.waiting().catch(() => []);
    // What was seen here once is not lost with the store either.
    for (const entry of shelved) this.hold(entry);
    const all = inOrder(
      shelved.filter(({ id }) => !this.gone.has(id)),
      this.own,
    );
    this.lost.clear();
    for (const { id, kept } of all) if (!kept) this.lost.add(id);
    return all;
  }

  /** Whether closing this window would lose an entry. */
  get holdsAlone(): boolean {
    return this.lost.size > 0;
  }

  /** Adds an entry made from the job as the last one left it; one after the other. */
  append(jobId: string, id: string, make: MakeEntry): Promise<void> {
    const done = this.appending.then(() => this.add(jobId, id, make));
    this.appending = done.catch(() => undefined);
    return done;
  }

  private async add(jobId: string, id: string, make: MakeEntry): Promise<void> {
    try {
      await this.putCopyBack(jobId);
      // What was lost comes before what is made now.
      if (this.device.opened !== this.whole || this.lost.size > 0) await this.putBackLost();
      const entry = await this.device.append(jobId, id, make);
      if (entry !== null) this.hold(entry);
    } catch {
      // The disk is full, or the store is gone: the entry lives in this window until it is sent.
      const waiting = (await this.waiting()).filter((entry) => entry.jobId === jobId);
      const base = latestJob(waiting, await this.copy(jobId));
      const entry = make(base);
      this.made -= 1;
      if (entry !== null) {
        this.hold({ ...entry, id, jobId, seq: this.made, base });
        this.lost.add(id);
      }
    }
  }

  /** Writes entries anew, in this window and on the device. */
  async rewrite(entries: readonly Waiting[]): Promise<void> {
    const anew = new Map(entries.map((entry) => [entry.id, entry]));
    this.own = this.own.map((entry) => anew.get(entry.id) ?? entry);
    // Held here as well, should the device have lost or refuse them.
    for (const entry of entries) this.hold(entry);
    await this.device.rewrite(entries).catch(() => undefined);
  }

  private hold(entry: Waiting): void {
    // What was read before it was sent, and comes late, waits no more.
    if (this.gone.has(entry.id) || this.own.some(({ id }) => id === entry.id)) return;
    this.own.push(entry);
  }

  /** Gives the device back what was lost from it. */
  async putBackLost(): Promise<void> {
    if (this.own.length === 0) return;
    const here = new Set((await this.device.waiting()).map(({ id }) => id));
    const lost = this.own.filter(({ id }) => !here.has(id));
    this.whole = this.device.opened;
    if (lost.length === 0) return;
    await this.device.putBack(lost);
    for (const jobId of new Set(lost.map((entry) => entry.jobId))) await this.putCopyBack(jobId);
  }

  /** Gives the device back what entries of a job are made on. */
  private async putCopyBack(jobId: string): Promise<void> {
    const held = this.copiesHeld.get(jobId);
    if (held !== undefined && (await this.device.copy(jobId)) === null)
      await this.device.keepCopy(held);
  }

  /** The server has an entry, sent from this window or from another. */
  letGo(ids: readonly string[]): void {
    this.own = this.own.filter(({ id }) => !ids.includes(id));
    for (const id of ids) {
      this.lost.delete(id);
      this.gone.add(id);
    }
  }

  async sent(entry: Waiting, stored: StoredJob | null): Promise<void> {
    this.letGo([entry.id]);
    if (stored !== null) this.holdCopy(stored);
    else if (entry.act === 'delete') this.copiesHeld.delete(entry.jobId);
    // Where the store is gone it is sent again some day, and is the same entry.
    await this.device.sent(entry, stored).catch(() => undefined);
  }

  private holdCopy(copy: StoredJob): void {
    if (isNewer(copy, this.copiesHeld.get(copy.id) ?? null)) this.copiesHeld.set(copy.id, copy);
  }

  /** The newer of what the device and this window have of a job. */
  async copy(jobId: string): Promise<StoredJob | null> {
    const kept = await this.device.copy(jobId).catch(() => null);
    if (kept !== null) this.holdCopy(kept);
    return this.copiesHeld.get(jobId) ?? null;
  }

  async copies(): Promise<StoredJob[]> {
    const kept = await this.device.copies().catch(() => []);
    for (const copy of kept) this.holdCopy(copy);
    return [...this.copiesHeld.values()];
  }

  async keepCopy(copy: StoredJob): Promise<void> {
    this.copiesHeld.set(copy.id, copy);
    await this.device.keepCopy(copy).catch(() => undefined);
  }

  async stops(): Promise<Stop[]> {
    const kept = await this.device.stops().catch(() => []);
    const all = new Map<string, Stop | null>(kept.map((stop) => [stop.jobId, stop]));
    for (const [jobId, stop] of this.stopsHeld) all.set(jobId, stop);
    return [...all.values()].filter((stop) => stop !== null);
  }

  async setStop(jobId: string, stop: Stop | null): Promise<void> {
    try {
      await this.device.setStop(jobId, stop);
      this.stopsHeld.delete(jobId);
    } catch {
      this.stopsHeld.set(jobId, stop);
    }
  }

  typed(jobId: string): Promise<ReadonlyMap<string, string>> {
    return this.device.typed(jobId).catch(() => new Map<string, string>());
  }

  /** @throws where the device does not keep it */
  setTyped(jobId: string, path: string, text: string | null): Promise<void> {
    return this.device.setTyped(jobId, path, text);
  }

  aside(): Promise<number> {
    return this.device.aside().catch(() => 0);
  }
}
