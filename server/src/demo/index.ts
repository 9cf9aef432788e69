import { readJob, problemLine, type JobInput } from '@ogee/core';
import type { JobStore } from '../store/jobs';
import { gannetPoint } from './gannet-point';
import { heronSlip } from './heron-slip';
import { quinceYard } from './quince-yard';

/** The sample jobs. All invented. */
export const SAMPLES: readonly JobInput[] = [gannetPoint, quinceYard, heronSlip];

/** Puts the sample jobs into an empty store. */
export const addSamples = async (store: JobStore): Promise<void> => {
  for (const sample of SAMPLES) {
    const read = readJob(sample);
    if (!read.ok) throw new Error(`sample job: ${read.problems.map(problemLine).join('; ')}`);
    await store.create(read.value, true);
  }
};
