import type { Job } from '@ogee/core';
import { z } from 'zod';

const summary = z.object({
  id: z.string(),
  name: z.string(),
  revision: z.number(),
  sample: z.boolean(),
  updatedAt: z.string(),
  deletedAt: z.string().nullable(),
});
// The server checked the job by core's own schema before it kept it.
const job = z.custom<Job>((value) => typeof value === 'object' && value !== null);
const stored = summary.extend({ job });
const revision = z.object({
  revision: z.number(),
  savedAt: z.string(),
  name: z.string(),
  restoredFrom: z.number().nullable(),
});
const refusal = z.object({
  problems: z.array(z.object({ code: z.string(), path: z.string(), text: z.string() })),
  current: stored.optional(),
});

export type JobSummary = z.output<typeof summary>;
export type StoredJob = z.output<typeof stored>;
export type Revision = z.output<typeof revision>;

/** The server answered, and the answer was no. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly problems: readonly { readonly path: string; readonly text: string }[],
    /** On a conflict: what is there now. */
    readonly current: StoredJob | null,
  ) {
    super(problems.map((problem) => problem.text).join('; ') || `the server answered ${status}`);
  }
}

const TIMEOUT_MS = 15_000;

const call = async <T>(
  path: string,
  shape: z.ZodType<T>,
  method = 'GET',
  body?: unknown,
): Promise<T> => {
  const response = await fetch(`/api/jobs${path}`, {
    method,
    ...(body === undefined
      ? {}
      : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } }),
    signal: AbortSignal.timeout(TIMEOUT_MS),
  });
  if (response.ok) return shape.parse(response.status === 204 ? null : await response.json());
  const answer = refusal.safeParse(await response.json().catch(() => null));
  throw new Refused(
    response.status,
    answer.success ? answer.data.problems : [],
    answer.success ? (answer.data.current ?? null) : null,
  );
};

/** The jobs API as functions. Each rejects with `Refused`, or with the fetch's own error when nobody answers. */
export const api = {
  list: async () => (await call('', z.object({ jobs: z.array(summary) }))).jobs,
  read: (id: string) => call(`/${id}`, stored),
  create: (body: Job) => call('', stored, 'POST', { job: body }),
  save: (id: string, over: number, body: Job) =>
    call(`/${id}`, stored, 'PUT', { revision: over, job: body }),
  remove: (id: string) => call(`/${id}`, z.null(), 'DELETE'),
  undelete: (id: string) => call(`/${id}/undelete`, stored, 'POST'),
  revisions: async (id: string) =>
    (await call(`/${id}/revisions`, z.object({ revisions: z.array(revision) }))).revisions,
  restore: (id: string, wanted: number, over: number) =>
    call(`/${id}/revisions/${wanted}/restore`, stored, 'POST', { revision: over }),
};
