import type { Job } from '@ogee/core/src/job';
import type { JobSummary, StoredJob } from '@ogee/core/src/wire';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { newId } from '../browser/new-id';
import { api, Refused } from './api';
import type { Waiting } from './device';
import { latestOf } from './job-in-hand';
import type { Outbox } from './outbox';
import { useOutbox } from './outbox-provider';

const LIST = ['jobs'] as const;
const DELETED = ['jobs', 'deleted'] as const;
const one = (id: string) => ['jobs', id] as const;
const history = (id: string) => ['jobs', id, 'revisions'] as const;

/** A job as the list shows it, and whether something of it is on this device alone. */
export interface ListedJob extends JobSummary {
  readonly waits: number;
}

export interface JobList {
  readonly jobs: readonly ListedJob[];
  /** The server did not answer: this is what the device knows. */
  readonly away: boolean;
  /** Of the entries that wait, how many are in this window alone. */
  readonly unkept: number;
  /** Entries that could not be read any more; they lie aside on this device. */
  readonly aside: number;
}

const summaryOf = ({ job: _job, ...summary }: StoredJob): JobSummary => summary;

/** The server's list with what waits on this device laid over it. */
const laidOver = (listed: readonly JobSummary[], waiting: readonly Waiting[]): ListedJob[] => {
  const all = new Map(listed.map((job) => [job.id, { ...job, waits: 0 }]));
  for (const { jobId, act, job } of waiting) {
    const before = all.get(jobId);
    if (act === 'delete') all.delete(jobId);
    else if (job !== null)
      all.set(jobId, {
        id: jobId,
        revision: 0,
        sample: false,
        deletedAt: null,
        updatedAt: new Date().toISOString(),
        ...before,
        name: job.name,
        waits: (before?.waits ?? 0) + 1,
      });
  }
  return [...all.values()];
};

/** As many jobs as these, the last changed, are on the device before anybody opens them. */
const KEPT_AHEAD = 40;

/** Fetches, one after the other, the jobs that the device does not have as they stand: they open without a signal. */
const keepAhead = async (outbox: Outbox, listed: readonly JobSummary[]): Promise<void> => {
  const known = new Map((await outbox.copies()).map(({ id, revision }) => [id, revision]));
  for (const { id, revision } of listed.slice(0, KEPT_AHEAD))
    if (known.get(id) !== revision) await outbox.meet(await api.read(id), { tell: false });
};

const fetchList = async (outbox: Outbox): Promise<JobList> => {
  const waiting = await outbox.waiting();
  const aside = await outbox.aside();
  const unkept = waiting.filter(({ kept }) => !kept).length;
  try {
    const listed = await api.list();
    void keepAhead(outbox, listed).catch(() => undefined);
    return { jobs: laidOver(listed, waiting), away: false, unkept, aside };
  } catch (error) {
    const known = (await outbox.copies()).filter(({ deletedAt }) => deletedAt === null);
    if (known.length === 0 && waiting.length === 0) throw error;
    return { jobs: laidOver(known.map(summaryOf), waiting), away: true, unkept, aside };
  }
};

export const useJobs = () => {
  const outbox = useOutbox();
  const client = useQueryClient();
  useEffect(() => {
    const again = (): void =>
      void client.invalidateQueries({ queryKey: LIST, exact: true, refetchType: 'active' });
    const ends = [
      outbox.subscribe(again),
      outbox.onChanges(({ missed, changes }) => {
        if (missed || changes.some(({ kind }) => kind === 'job')) again();
      }),
    ];
    return () => ends.forEach((end) => end());
  }, [outbox, client]);
  return useQuery({ queryKey: LIST, queryFn: () => fetchList(outbox), networkMode: 'always' });
};

/** A job of the list as this device last had it, for a look at it. */
export const useListedJob = ({ id, revision, waits }: ListedJob, enabled: boolean) => {
  const outbox = useOutbox();
  return useQuery({
    queryKey: ['listed', id, revision, waits],
    queryFn: async () => latestOf(await outbox.state(id)) ?? latestOf(await fetchJob(outbox, id)),
    enabled,
    staleTime: Infinity,
    networkMode: 'always',
  });
};

/** The crew's own job that was changed last, as far as this device knows: its sizes are at hand for the next. */
export const useLastOwnJob = (): StoredJob | null => {
  const outbox = useOutbox();
  const { data } = useQuery({
    queryKey: [...LIST, 'last own'],
    queryFn: async () =>
      (await outbox.copies())
        .filter(({ sample, deletedAt }) => !sample && deletedAt === null)
        .sort((p, q) => q.updatedAt.localeCompare(p.updatedAt))[0] ?? null,
    networkMode: 'always',
  });
  return data ?? null;
};

export const useDeletedJobs = (shown: boolean) =>
  useQuery({ queryKey: DELETED, queryFn: () => api.list(true), enabled: shown, staleTime: 0 });

/** Brings what the server has of a job to this device, where it answers; then what the device knows of it. */
export const fetchJob = async (outbox: Outbox, id: string) => {
  try {
    await outbox.meet(await api.read(id));
  } catch (error) {
    const state = await outbox.state(id);
    if (latestOf(state) === null) throw error;
    // Gone from the server, and nothing of it waits here.
    const gone = error instanceof Refused && error.status === 404;
    if (gone && state.waiting.length === 0) throw error;
  }
  return outbox.state(id);
};

export const useJobState = (id: string) => {
  const outbox = useOutbox();
  return useQuery({
    queryKey: one(id),
    queryFn: () => fetchJob(outbox, id),
    networkMode: 'always',
    refetchOnReconnect: 'always',
  });
};

export const useRevisions = (id: string) =>
  useQuery({ queryKey: history(id), queryFn: () => api.revisions(id), staleTime: 0 });

const entry = (act: Waiting['act'], job: Job | null, said: string) => ({
  act,
  job,
  said,
});

/** Every change of the list of jobs; each is kept on the device first and brings the list up to date. */
export const useJobChanges = () => {
  const outbox = useOutbox();
  const client = useQueryClient();
  const onSuccess = () => client.invalidateQueries({ queryKey: LIST });
  return {
    /** A new job; gives the id it is opened by. */
    create: useMutation({
      networkMode: 'always',
      mutationFn: async ({ job, said }: { job: Job; said: string }) => {
        const id = newId();
        await outbox.append(id, () => entry('create', job, said));
        return id;
      },
      onSuccess,
    }),
    rename: useMutation({
      networkMode: 'always',
      mutationFn: async ({ id, name }: { id: string; name: string }) => {
        await fetchJob(outbox, id);
        await outbox.append(id, (job) =>
          job === null || job.name === name
            ? null
            : entry('save', { ...job, name }, `Name: ${job.name} → ${name}`),
        );
      },
      onSuccess,
    }),
    duplicate: useMutation({
      networkMode: 'always',
      mutationFn: async ({ id, name }: { id: string; name: string }) => {
        const job = latestOf(await fetchJob(outbox, id));
        if (job === null) throw new Error('there is nothing to copy');
        const copy = newId();
        const said = `Copied from ${job.name}`;
        await outbox.append(copy, () => entry('create', { ...job, name }, said));
        return copy;
      },
      onSuccess,
    }),
    remove: useMutation({
      networkMode: 'always',
      mutationFn: (id: string) => outbox.append(id, () => entry('delete', null, 'Deleted')),
      onSuccess,
    }),
    undelete: useMutation({
      networkMode: 'always',
      mutationFn: (id: string) => outbox.append(id, () => entry('undelete', null, 'Brought back')),
      onSuccess,
    }),
  };
};

export const jobKeys = { list: LIST, one, history };
