import { jobSchema, type Job } from '@ogee/core/src/job';
import type { LogEntry } from '@ogee/core/src/log';
import {
  jobListSchema,
  logPageSchema,
  problemsSchema,
  revisionListSchema,
  storedJobSchema,
  type StoredJob,
} from '@ogee/core/src/wire';
import { z } from 'zod';

/** A schema, made when an answer of its kind is first read. */
type Shape<T> = () => z.ZodType<T>;

const refusalShape = () => problemsSchema.extend({ current: storedJobSchema.optional() });
const nothing = () => z.null();

/** The server answered, and the answer was no. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly problems: readonly { readonly path: string; readonly text: string }[],
    /** On a conflict: what is there now. */
    readonly current: StoredJob | null,
    /** The server asks to be left alone for so long. ms */
    readonly waitMs: number | null = null,
  ) {
    super(problems.map((problem) => problem.text).join('; ') || `the server answered ${status}`);
  }
}

/** Whether the same request may be taken later: the server is busy, full, or asks to be left alone for a while. */
export const isForLater = (error: unknown): boolean =>
  !(error instanceof Refused) || error.status >= 500 || [408, 425, 429].includes(error.status);

/** How long a server that answers with `Retry-After` in seconds wants to be left alone. ms */
const waitIn = (response: Response): number | null => {
  const seconds = Number(response.headers.get('retry-after') ?? NaN);
  return Number.isFinite(seconds) && seconds >= 0 ? seconds * 1000 : null;
};

/** What makes an entry one, however often it is sent, and says what it did. */
export interface EntryMark {
  readonly entry: string;
  readonly said: string;
}

const TIMEOUT_MS = 15_000;

const call = async <T>(
  path: string,
  shape: Shape<T>,
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
  if (response.ok) return shape().parse(response.status === 204 ? null : await response.json());
  const answer = refusalShape().safeParse(await response.json().catch(() => null));
  throw new Refused(
    response.status,
    answer.success ? answer.data.problems : [],
    answer.success ? (answer.data.current ?? null) : null,
    waitIn(response),
  );
};

/** The jobs API as functions. Each rejects with `Refused`, or with the fetch's own error when nobody answers. */
export const api = {
  list: async (deleted = false) =>
    (await call(deleted ? '?deleted=1' : '', () => jobListSchema)).jobs,
  read: (id: string) => call(`/${id}`, () => storedJobSchema),
  create: (id: string, body: Job, entry: EntryMark) =>
    call('', () => storedJobSchema, 'POST', { id, job: body, ...entry }),
  save: (id: string, over: number, body: Job, entry: EntryMark & { restores?: number }) =>
    call(`/${id}`, () => storedJobSchema, 'PUT', { revision: over, job: body, ...entry }),
  remove: (id: string) => call(`/${id}`, nothing, 'DELETE'),
  undelete: (id: string) => call(`/${id}/undelete`, () => storedJobSchema, 'POST'),
  revisions: async (id: string) =>
    (await call(`/${id}/revisions`, () => revisionListSchema)).revisions,
  revision: (id: string, wanted: number) =>
    call(`/${id}/revisions/${wanted}`, () =>
      z.object({ revision: z.number().int(), job: jobSchema }),
    ),
  log: (id: string, after: number) => call(`/${id}/log?after=${after}`, () => logPageSchema),
  addToLog: (id: string, entries: readonly LogEntry[]) =>
    call(`/${id}/log`, nothing, 'POST', { entries }),
  nameRevision: (id: string, wanted: number, label: string) =>
    call(`/${id}/revisions/${wanted}/label`, nothing, 'PUT', { label }),
};
