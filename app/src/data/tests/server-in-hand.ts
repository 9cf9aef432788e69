import { newJob, type Job } from '@ogee/core/src/job';
import type { StoredJob } from '@ogee/core/src/wire';
import { api, Refused } from '../api';

const DISPLAY = { units: 'metric', fraction: 16, pitch: 'degrees', terms: 'uk' } as const;
export const job = (name: string): Job => newJob(name, DISPLAY, 9000, 6000, '35°');
export const stored = (revision: number, of: Job): StoredJob => ({
  id: 'j',
  name: of.name,
  revision,
  sample: false,
  updatedAt: '2026-01-01T00:00:00Z',
  deletedAt: null,
  job: of,
});
export const named = (name: string) => (before: Job) => ({ ...before, name });

/** A server in the test's hands: it keeps revisions, knows entries again, and can be away or slow. */
export const server = () => {
  let current = stored(1, job('first'));
  const entries = new Map<string, StoredJob>();
  const state = { away: false, lost: 0, saves: 0 };
  jest.spyOn(api, 'save').mockImplementation((_id, over, body, { entry }) => {
    state.saves += 1;
    if (state.away) return Promise.reject(new TypeError('no answer'));
    const made = entries.get(entry);
    if (made !== undefined) return Promise.resolve(made);
    if (over !== current.revision)
      return Promise.reject(new Refused(409, [{ path: 'revision', text: 'elsewhere' }], current));
    current = stored(over + 1, body);
    entries.set(entry, current);
    if (state.lost > 0) {
      state.lost -= 1;
      return Promise.reject(new TypeError('the answer was lost'));
    }
    return Promise.resolve(current);
  });
  return {
    state,
    current: () => current,
    saveElsewhere: (of: Job) => (current = stored(current.revision + 1, of)),
  };
};

/** Waits until something holds; it is a fault where it does not in time. */
export const until = async (holds: () => boolean, patienceMs = 4000): Promise<void> => {
  const end = Date.now() + patienceMs;
  while (!holds() && Date.now() < end) await new Promise((resolve) => setTimeout(resolve, 5));
  expect(holds()).toBe(true);
};
