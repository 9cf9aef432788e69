import {
  conflictSchema,
  createBodySchema,
  jobListSchema,
  jobSchema,
  labelBodySchema,
  readJob,
  revisionListSchema,
  saveBodySchema,
  storedJobSchema,
  type Job,
  type StoredJob,
} from '@ogee/core';
import { z } from 'zod';
import type { Saved } from '../store/jobs';
import { badJob, checked, noSuchJob, refuse, Refusal } from './refusal';
import { bad, body, json, missing, ofJob, ofRevision, taken, type Route } from './route';
import { jobsPlace, placeText, restoreBody, revisionNumber, revisionsPlace } from './schemas';

const jobFrom = (data: unknown): Job => {
  const read = readJob(data);
  if (!read.ok) throw badJob(read.problems);
  return read.value;
};

const settled = (saved: Saved, id: string): StoredJob => {
  if (saved.kind === 'absent') throw noSuchJob(id);
  if (saved.kind === 'saved') return saved.stored;
  const text =
    saved.current.deletedAt === null
      ? `the job was saved elsewhere; it now stands at revision ${saved.current.revision}`
      : 'the job was deleted elsewhere; bring it back before saving';
  throw new Refusal(409, [{ code: 'conflict', path: 'revision', text }], {
    current: saved.current,
  });
};

const noSuchRevision = (id: string, revision: number): Refusal =>
  refuse(404, 'absent', 'revision', `there is no revision ${revision} of job ${id}`);

const conflict = json('Saved elsewhere meanwhile; `current` is what is there now.', conflictSchema);

/** Jobs, their revisions, and bringing back what was deleted. */
export const JOB_ROUTES: readonly Route[] = [
  {
    method: 'get',
    path: '/api/jobs',
    told: {
      summary: 'All jobs, newest change first',
      requestParams: {
        query: z.object({
          deleted: z.literal('1').optional(),
          after: z.string().optional(),
          limit: z.number().int().optional(),
        }),
      },
      responses: { '200': json('The jobs.', jobListSchema) },
    },
    answer:
      ({ store }) =>
      async (request, response) => {
        const { deleted, after, limit } = checked(jobsPlace, request.query, 'query');
        const { items, next } = await store.list({ deleted: deleted === '1', after, limit });
        response.json({ jobs: items, next: next === null ? null : placeText(next) });
      },
  },
  {
    method: 'post',
    path: '/api/jobs',
    told: {
      summary: 'A new job',
      ...body(createBodySchema.extend({ job: jobSchema })),
      responses: {
        '201': json('Kept, at revision 1.', storedJobSchema),
        '400': bad,
        '409': taken,
      },
    },
    answer:
      ({ store }) =>
      async (request, response) => {
        const { job, ...entry } = checked(createBodySchema, request.body, 'body');
        response.status(201).json(await store.create(jobFrom(job), entry));
      },
  },
  {
    method: 'get',
    path: '/api/jobs/{id}',
    told: {
      summary: 'One job as it stands',
      ...ofJob,
      responses: { '200': json('The job.', storedJobSchema), '404': missing },
    },
    answer:
      ({ store }) =>
      async (request, response) => {
        const found = await store.read(request.params.id);
        if (found === null) throw noSuchJob(request.params.id);
        response.json(found);
      },
  },
  {
    method: 'put',
    path: '/api/jobs/{id}',
    told: {
      summary:
        'Save over a revision; the former one is kept. A save sent again by the same entry is one; a change of display alone makes no revision',
      ...ofJob,
      ...body(saveBodySchema.extend({ revision: z.number().int(), job: jobSchema })),
      responses: {
        '200': json('Saved; the new revision.', storedJobSchema),
        '400': bad,
        '404': missing,
        '409': conflict,
      },
    },
    answer:
      ({ store }) =>
      async (request, response) => {
        const { id } = request.params;
        const { revision, job, ...entry } = checked(saveBodySchema, request.body, 'body');
        response.json(settled(await store.save(id, revision, jobFrom(job), entry), id));
      },
  },
  {
    method: 'delete',
    path: '/api/jobs/{id}',
    told: {
      summary: 'Delete; can be undone',
      ...ofJob,
      responses: { '204': { description: 'Deleted.' }, '404': missing },
    },
    answer:
      ({ store }) =>
      async (request, response) => {
        if (!(await store.setDeleted(request.params.id, true))) throw noSuchJob(request.params.id);
        response.status(204).end();
      },
  },
  {
    method: 'post',
    path: '/api/jobs/{id}/undelete',
    told: {
      summary: 'Bring a deleted job back',
      ...ofJob,
      responses: { '200': json('The job.', storedJobSchema), '404': missing },
    },
    answer:
      ({ store }) =>
      async (request, response) => {
        const { id } = request.params;
        if (!(await store.setDeleted(id, false))) throw noSuchJob(id);
        response.json(await store.read(id));
      },
  },
  {
    method: 'get',
    path: '/api/jobs/{id}/revisions',
    told: {
      summary: 'Every revision, newest first, by pages',
      requestParams: {
        ...ofJob.requestParams,
        query: z.object({
          before: z.number().int().optional(),
          limit: z.number().int().optional(),
        }),
      },
      responses: { '200': json('The revisions.', revisionListSchema), '404': missing },
    },
    answer:
      ({ store }) =>
      async (request, response) => {
        const { before, limit } = checked(revisionsPlace, request.query, 'query');
        const found = await store.revisions(request.params.id, { before, limit });
        if (found === null) throw noSuchJob(request.params.id);
        response.json({ revisions: found.items, next: found.next });
      },
  },
  {
    method: 'get',
    path: '/api/jobs/{id}/revisions/{revision}',
    told: {
      summary: 'The job as it stood at a revision',
      ...ofRevision,
      responses: {
        '200': json('The job.', z.object({ revision: z.number().int(), job: jobSchema })),
        '404': missing,
      },
    },
    answer:
      ({ store }) =>
      async (request, response) => {
        const { id } = request.params;
        const revision = checked(revisionNumber, request.params.revision, 'revision');
        const job = await store.readRevision(id, revision);
        if (job === null) throw noSuchRevision(id, revision);
        response.json({ revision, job });
      },
  },
  {
    method: 'put',
    path: '/api/jobs/{id}/revisions/{revision}/label',
    told: {
      summary: 'Name a revision, so that it is never thinned out',
      ...ofRevision,
      ...body(labelBodySchema),
      responses: { '204': { description: 'Named.' }, '400': bad, '404': missing },
    },
    answer:
      ({ store }) =>
      async (request, response) => {
        const { id } = request.params;
        const revision = checked(revisionNumber, request.params.revision, 'revision');
        const { label } = checked(labelBodySchema, request.body, 'body');
        if (!(await store.nameRevision(id, revision, label))) throw noSuchRevision(id, revision);
        response.status(204).end();
      },
  },
  {
    method: 'post',
    path: '/api/jobs/{id}/revisions/{revision}/restore',
    told: {
      summary: 'Save an older revision as the newest',
      ...ofRevision,
      ...body(z.object({ revision: z.number().int() })),
      responses: {
        '200': json('Saved; the new revision.', storedJobSchema),
        '404': missing,
        '409': conflict,
      },
    },
    answer:
      ({ store }) =>
      async (request, response) => {
        const { id } = request.params;
        const wanted = checked(revisionNumber, request.params.revision, 'revision');
        const { revision } = checked(restoreBody, request.body, 'body');
        const job = await store.readRevision(id, wanted);
        if (job === null) throw noSuchRevision(id, wanted);
        const entry = { restores: wanted, said: `Restored revision ${wanted}` };
        response.json(settled(await store.save(id, revision, job, entry), id));
      },
  },
];
