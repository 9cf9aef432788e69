import type { Job } from '@ogee/core/src/job';
import { solve } from '@ogee/core/src/solve';
import { roofAnswer } from '../answers';
import type { Subject } from '../solver.worker';
import { Ended } from '../thread';

/** A solver's thread in the test's hands: it answers when it is told to. */
export const thread = () => {
  const asked: { of: Job; answer: () => void; fail: (error: Error) => void }[] = [];
  return {
    asked,
    restarts: [] as string[],
    ask<T>(what: (solver: never) => Promise<T>): Promise<T> {
      return new Promise<T>((resolve, reject) => {
        const solver = {
          solve: ({ job: of }: Subject) => {
            const answer = (): void => {
              const result = solve(of);
              resolve((result.ok ? { ok: true, value: roofAnswer(result.value) } : result) as T);
            };
            asked.push({ of, answer, fail: reject });
            return new Promise<T>(() => undefined);
          },
        };
        void what(solver as never);
      });
    },
    restart(why: string) {
      this.restarts.push(why);
      asked.at(-1)?.fail(new Ended(why));
    },
    end: () => undefined,
  };
};
