import { jobFromStore, type Job } from '@ogee/core/src/job';
import type { Device } from './device';
import { newId } from '../browser/new-id';
import { keysOf } from '../browser/page-storage';

/** Entries that the first form of this app had not sent yet lie in localStorage, one a job: `{ over, job }`. */
const FORMER = 'ogee.draft.';

interface Draft {
  readonly over: number;
  readonly job: Job;
}

/** The draft as it was kept, or null where it is none. */
const read = (text: string): Draft | null => {
  try {
    const { over, job } = JSON.parse(text) as { over?: unknown; job?: unknown };
    const kept = jobFromStore(JSON.stringify(job ?? null));
    return kept.ok && typeof over === 'number' ? { over, job: kept.value } : null;
  } catch {
    return null;
  }
};

const SAID = 'Entered before, not sent';

/** A job's draft becomes an entry over the revision that it was made on; over a newer one a person decides. */
const takeOver = async (device: Device, jobId: string, { over, job }: Draft): Promise<void> => {
  const same = JSON.stringify(job);
  const taken = (await device.waiting()).some(
    (entry) => entry.jobId === jobId && JSON.stringify(entry.job) === same,
  );
  if (taken) return;
  const copy = await device.copy(jobId);
  if (copy === null)
    await device.keepCopy({
      id: jobId,
      name: job.name,
      revision: over,
      sample: false,
      updatedAt: new Date(0).toISOString(),
      deletedAt: null,
      job,
    });
  else if (copy.revision > over)
    await device.setStop(jobId, {
      jobId,
      why: 'conflict',
      text: 'the job was saved elsewhere since',
      theirs: copy,
    });
  await device.append(jobId, newId(), () => ({ act: 'save', job, said: SAID }));
};

/**
 * Takes what the former app left unsent over as entries of this device. A draft goes from its old place only when it
 * is kept in the new one; what cannot be read is set aside there, and said. Taken twice it is one entry.
 */
export const takeOverDrafts = async (device: Device, storage: Storage): Promise<void> => {
  for (const key of keysOf(storage)) {
    const text = key.startsWith(FORMER) ? storage.getItem(key) : null;
    if (text === null) continue;
    const jobId = key.slice(FORMER.length);
    const draft = read(text);
    if (draft === null) await device.setAside({ jobId, text });
    else await takeOver(device, jobId, draft);
    storage.removeItem(key);
  }
};
