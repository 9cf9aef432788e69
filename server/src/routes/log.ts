import { logBodySchema } from '@ogee/core';
import { Router } from 'express';
import type { LogStore } from '../store/log';
import { checked, noSuchJob, refuse } from './refusal';
import { logPlace } from './schemas';

/** A job's log: lines are added, each once however often it is sent, and read from a place on. */
export const logRoutes = (store: LogStore): Router => {
  const routes = Router();

  routes.get('/:id/log', async (request, response) => {
    const { after } = checked(logPlace, request.query, 'query');
    const page = await store.after(request.params.id, after);
    if (page === null) throw noSuchJob(request.params.id);
    response.json(page);
  });

  routes.post('/:id/log', async (request, response) => {
    const { entries } = checked(logBodySchema, request.body, 'body');
    const added = await store.add(request.params.id, entries);
    if (added === 'absent') throw noSuchJob(request.params.id);
    if (added === 'elsewhere')
      throw refuse(409, 'taken', 'entries', 'another job’s log has a line of one of these ids');
    response.status(204).end();
  });

  return routes;
};
