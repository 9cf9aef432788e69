import { wrap, type Remote } from 'comlink';
import type { Solver } from './solver.worker';

/** The solver's thread was ended before it answered, or died. */
export class Ended extends Error {}

/** The solver in a thread of its own, which can be ended and begun anew: what was asked of the old one is told so. */
export class SolverThread {
  private thread: Worker;
  private solver: Remote<Solver>;
  private readonly asked = new Set<(error: Error) => void>();

  constructor(private readonly make: () => Worker = () => new Worker('/solver.worker.js')) {
    [this.thread, this.solver] = this.begin();
  }

  /** Asks the solver; rejects when it throws, dies, or is ended first. */
  ask<T>(what: (solver: Remote<Solver>) => Promise<T>): Promise<T> {
    return new Promise<T>((resolve, reject) => {
      const tell = (error: Error): void => reject(error);
      this.asked.add(tell);
      what(this.solver)
        .then(resolve, reject)
        .finally(() => this.asked.delete(tell));
    });
  }

  restart(why: string): void {
    this.end(why);
    [this.thread, this.solver] = this.begin();
  }

  end(why: string): void {
    this.thread.terminate();
    for (const tell of this.asked) tell(new Ended(why));
    this.asked.clear();
  }

  private begin(): [Worker, Remote<Solver>] {
    const thread = this.make();
    thread.onerror = () => this.restart('the solver failed');
    return [thread, wrap<Solver>(thread)];
  }
}
