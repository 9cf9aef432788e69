import { jobSchema, type Job } from '@ogee/core/src/job';
import type { LogEntry } from '@ogee/core/src/log';
import {
  changesSchema,
  WIRE_HEADER,
  WIRE_VERSION,
  jobListSchema,
  logPageSchema,
  problemsSchema,
  revisionListSchema,
  storedJobSchema,
  type StoredJob,
} from '@ogee/core/src/wire';
import { z } from 'zod';
import { deviceId } from '../browser/device-id';
import { noteServerTime } from './clock';

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
  !(error instanceof Refused) || error.status >= 500 || [408, 425, 426, 429].includes(error.status);

/** How long a server that answers with `Retry-After` in seconds wants to be left alone. ms */
const waitIn = (response: Response): number | null => {
  const seconds = Number(response.headers.get('retry-after') ?? NaN);
  return Number.isFinite(seconds) && seconds >= 0 ? seconds * 1000 : null;
};

/** What makes an entry one, however often it is sent, and says what it did. */
export interface EntryMark {
  readonly entry: string;
  readonly said: string;
  /** What this device is called, as it was typed here. */
  readonly by?: string;
  /** A person was asked and chose it: what it is saved over is kept for good. */
  readonly settles?: boolean;
}

/** As the server takes it: a sentence that is too long is cut, not refused. */
const marked = ({ said, by = '', ...rest }: EntryMark & { readonly restores?: number }) => ({
  ...rest,
  said: said.slice(0, MOST_SAID),
  ...(by === '' ? {} : { by: by.slice(0, MOST_NAMED) }),
  device: deviceId(),
});

const MOST_SAID = 200;
const MOST_NAMED = 60;

const TIMEOUT_MS = 15_000;

/** Every item of a list that comes by pages. */
const allPages = async <Page extends { readonly next: string | number | null }, T>(
  page: (place: string) => Promise<Page>,
  items: (page: Page) => readonly T[],
): Promise<T[]> => {
  const all: T[] = [];
  for (let place: string | null = ''; place !== null;) {
    const found: Page = await page(place);
    all.push(...items(found));
    place = found.next === null ? null : String(found.next);
  }
  return all;
};

const call = async <T>(
  path: string,
  shape: Shape<T>,
  method = 'GET',
  body?: unknown,
): Promise<T> => {
  const response = await fetch(`/api${path}`, {
    method,
    headers: {
      'Ogee-Device': deviceId(),
      [WIRE_HEADER]: String(WIRE_VERSION),
      ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
    },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    signal: AbortSignal.timeout(TIMEOUT_MS),
  });
  noteServerTime(response.headers.get('date'));
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
  list: (deleted = false) =>
    allPages(
      (place) => {
        const query = [deleted ? 'deleted=1' : '', place === '' ? '' : `after=${place}`];
        const asked = query.filter((part) => part !== '').join('&');
        return call(asked === '' ? '/jobs' : `/jobs?${asked}`, () => jobListSchema);
      },
      ({ jobs }) => jobs,
    ),
  changes: (after: string | null) =>
    call(after === null ? '/changes' : `/changes?after=${after}`, () => changesSchema),
  read: (id: string) => call(`/jobs/${id}`, () => storedJobSchema),
  create: (id: string, body: Job, entry: EntryMark) =>
    call('/jobs', () => storedJobSchema, 'POST', { id, job: body, ...marked(entry) }),
  save: (id: string, over: number, body: Job, entry: EntryMark & { readonly restores?: number }) =>
    call(`/jobs/${id}`, () => storedJobSchema, 'PUT', {
      revision: over,
      job: body,
      ...marked(entry),
    }),
  remove: (id: string) => call(`/jobs/${id}`, nothing, 'DELETE'),
  undelete: (id: string) => call(`/jobs/${id}/undelete`, () => storedJobSchema, 'POST'),
  /** Every revision, the newest first. */
  revisions: (id: string) =>
    allPages(
      (place) =>
        call(
          `/jobs/${id}/revisions${place === '' ? '' : `?before=${place}`}`,
          () => revisionListSchema,
        ),
      ({ revisions }) => revisions,
    ),
  /** The newest revisions, a page of them. */
  newestRevisions: async (id: string) =>
    (await call(`/jobs/${id}/revisions?limit=20`, () => revisionListSchema)).revisions,
  revision: (id: string, wanted: number) =>
    call(`/jobs/${id}/revisions/${wanted}`, () =>
      z.object({ revision: z.number().int(), job: jobSchema }),
    ),
  log: (id: string, after: number) => call(`/jobs/${id}/log?after=${after}`, () => logPageSchema),
  addToLog: (id: string, entries: readonly LogEntry[]) =>
    call(`/jobs/${id}/log`, nothing, 'POST', { entries }),
  nameRevision: (id: string, wanted: number, label: string) =>
    call(`/jobs/${id}/revisions/${wanted}/label`, nothing, 'PUT', { label }),
};
