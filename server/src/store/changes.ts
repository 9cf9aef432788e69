import { randomUUID } from 'node:crypto';
import type { Change, ChangesPage } from '@ogee/core';

/** So many of the last changes are remembered; who was away for longer asks for everything anew. */
const REMEMBERED = 500;

type Listener = (page: ChangesPage) => void;

/**
 * What changed, in order, and who listens. A place in the order is this server's own name and a number: after a restart
 * the former places are not known, and whoever asks from one is told so.
 */
export class Changes {
  private readonly name = randomUUID().slice(0, 8);
  private readonly remembered: { readonly at: number; readonly change: Change }[] = [];
  private readonly listeners = new Set<Listener>();
  private readonly ends = new Set<() => void>();
  private last = 0;

  /** @param build which build of the web app is served, as it is now */
  constructor(private readonly build: () => string | null = () => null) {}

  tell(change: Change): void {
    this.last += 1;
    this.remembered.push({ at: this.last, change });
    if (this.remembered.length > REMEMBERED) this.remembered.shift();
    const page = this.page([change], false);
    for (const listener of this.listeners) listener(page);
  }

  /** What came after a place; null asks for the place alone. */
  after(place: string | null): ChangesPage {
    if (place === null) return this.page([], false);
    const [name, number] = place.split('.');
    const from = Number(number);
    const known =
      name === this.name &&
      from <= this.last &&
      from >= (this.remembered[0]?.at ?? this.last + 1) - 1;
    if (!known) return this.page([], true);
    return this.page(
      this.remembered.filter(({ at }) => at > from).map(({ change }) => change),
      false,
    );
  }

  /** Listens until the end that is returned; `ended` is called when the server leaves. */
  listen(listener: Listener, ended: () => void): () => void {
    this.listeners.add(listener);
    this.ends.add(ended);
    return () => {
      this.listeners.delete(listener);
      this.ends.delete(ended);
    };
  }

  /** The server leaves: whoever listens is let go at once. */
  end(): void {
    for (const ended of this.ends) ended();
  }

  private page(changes: readonly Change[], missed: boolean): ChangesPage {
    return {
      changes: [...changes],
      last: `${this.name}.${this.last}`,
      missed,
      build: this.build(),
    };
  }
}
