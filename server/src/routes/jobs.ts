import {
  createBodySchema,
  labelBodySchema,
  readJob,
  saveBodySchema,
  type Job,
  type StoredJob,
} from '@ogee/core';
import { Router } from 'express';
import type { JobStore, Saved } from '../store/jobs';
import { badJob, checked, noSuchJob, refuse, Refusal } from './refusal';
import { restoreBody, revisionNumber } from './schemas';

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

/** Jobs, their revisions, and bringing back what was deleted. Described in docs/api.md. */
export const jobRoutes = (store: JobStore): Router => {
  const routes = Router();

  routes.get('/', async (request, response) => {
    response.json({ jobs: await store.list(request.query['deleted'] === '1') });
  });

  routes.post('/', async (request, response) => {
    const { job, id, entry, said } = checked(createBodySchema, request.body, 'body');
    response.status(201).json(await store.create(jobFrom(job), { id, entry, said }));
  });

  routes.get('/:id', async (request, response) => {
    const found = await store.read(request.params.id);
    if (found === null) throw noSuchJob(request.params.id);
    response.json(found);
  });

  routes.put('/:id', async (request, response) => {
    const { id } = request.params;
    const { revision, job, ...entry } = checked(saveBodySchema, request.body, 'body');
    response.json(settled(await store.save(id, revision, jobFrom(job), entry), id));
  });

  routes.delete('/:id', async (request, response) => {
    if (!(await store.setDeleted(request.params.id, true))) throw noSuchJob(request.params.id);
    response.status(204).end();
  });

  routes.post('/:id/undelete', async (request, response) => {
    const { id } = request.params;
    if (!(await store.setDeleted(id, false))) throw noSuchJob(id);
    response.json(await store.read(id));
  });

  routes.get('/:id/revisions', async (request, response) => {
    const revisions = await store.revisions(request.params.id);
    if (revisions === null) throw noSuchJob(request.params.id);
    response.json({ revisions });
  });

  routes.get('/:id/revisions/:revision', async (request, response) => {
    const { id } = request.params;
    const revision = checked(revisionNumber, request.params.revision, 'revision');
    const job = await store.readRevision(id, revision);
    if (job === null)
      throw refuse(404, 'absent', 'revision', `there is no revision ${revision} of job ${id}`);
    response.json({ revision, job });
  });

  routes.put('/:id/revisions/:revision/label', async (request, response) => {
    const { id } = request.params;
    const revision = checked(revisionNumber, request.params.revision, 'revision');
    const { label } = checked(labelBodySchema, request.body, 'body');
    if (!(await store.nameRevision(id, revision, label)))
      throw refuse(404, 'absent', 'revision', `there is no revision ${revision} of job ${id}`);
    response.status(204).end();
  });

  routes.post('/:id/revisions/:revision/restore', async (request, response) => {
    const { id } = request.params;
    const wanted = checked(revisionNumber, request.params.revision, 'revision');
    const { revision } = checked(restoreBody, request.body, 'body');
    const job = await store.readRevision(id, wanted);
    if (job === null)
      throw refuse(404, 'absent', 'revision', `there is no revision ${wanted} of job ${id}`);
    response.json(
      settled(
        await store.save(id, revision, job, {
          restores: wanted,
          said: `Restored revision ${wanted}`,
        }),
        id,
      ),
    );
  });

  return routes;
};
