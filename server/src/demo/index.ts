import { readJob, problemLine, type JobInput } from '@ogee/core';
import type { JobStore } from '../store/jobs';
import { gannetPoint } from './gannet-point';
import { heronSlip } from './heron-slip';
import { quinceYard } from './quince-yard';

/** The sample jobs. All invented. */
export const SAMPLES: readonly JobInput[] = [gannetPoint, quinceYard, heronSlip];

/** Puts the sample jobs into an empty store, all at once: a start that is cut short leaves none of them. */
export const addSamples = async (store: JobStore): Promise<void> => {
  const jobs = SAMPLES.map((sample) => {
    const read = readJob(sample);
    if (!read.ok) throw new Error(`sample job: ${read.problems.map(problemLine).join('; ')}`);
    return read.value;
  });
  await store.createAll(jobs, { sample: true, said: 'Sample job' });
};
