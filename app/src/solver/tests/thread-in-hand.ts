import type { Job } from '@ogee/core/src/job';
import { prove, workOut, type Solution } from '@ogee/core/src/solve';
import { roofAnswer } from '../answers';
import type { Subject } from '../solver.worker';
import { Ended } from '../thread';

/** Told whole: what is told as a change has its own test. */
const figuresOf = (solution: Solution) => ({
  since: null,
  change: { to: roofAnswer(solution) },
});

/** A solver's thread in the test's hands: it answers when it is told to. */
export const thread = () => {
  const asked: {
    of: Job;
    answer: () => void;
    /** Answers with this instead. */
    give: (instead: unknown) => void;
    fail: (error: Error) => void;
  }[] = [];
  return {
    asked,
    restarts: [] as string[],
    ask<T>(what: (solver: never) => Promise<T>): Promise<T> {
      return new Promise<T>((resolve, reject) => {
        const solver = {
          figures: ({ job: of }: Subject) => {
            const answer = (): void => {
              const result = workOut(of);
              resolve((result.ok ? { ok: true, value: figuresOf(result.value) } : result) as T);
            };
            asked.push({ of, answer, give: (instead) => resolve(instead as T), fail: reject });
            return new Promise<T>(() => undefined);
          },
          prove: ({ job: of }: Subject) => {
            const answer = (): void => {
              const framed = workOut(of);
              const result = framed.ok ? prove(framed.value) : framed;
              const same = result.ok && framed.ok && result.value === framed.value;
              resolve(
                (result.ok
                  ? { ok: true, value: same ? null : figuresOf(result.value) }
                  : result) as T,
              );
            };
            asked.push({ of, answer, give: (instead) => resolve(instead as T), fail: reject });
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
