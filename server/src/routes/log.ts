import { logBodySchema, logPageSchema } from '@ogee/core';
import { z } from 'zod';
import { checked, noSuchJob, refuse } from './refusal';
import { bad, body, json, missing, ofJob, taken, type Route } from './route';
import { logPlace } from './schemas';

/** A job's log: lines are added, each once however often it is sent, and read from a place on. */
export const LOG_ROUTES: readonly Route[] = [
  {
    method: 'get',
    path: '/api/jobs/{id}/log',
    told: {
      summary: 'Lines of the job’s log after a place, in the order in which they came',
      requestParams: {
        path: z.object({ id: z.string() }),
        query: z.object({ after: z.number().int().optional() }),
      },
      responses: { '200': json('The lines.', logPageSchema), '400': bad, '404': missing },
    },
    answer:
      ({ log }) =>
      async (request, response) => {
        const { after } = checked(logPlace, request.query, 'query');
        const page = await log.after(request.params.id, after);
        if (page === null) throw noSuchJob(request.params.id);
        response.json(page);
      },
  },
  {
    method: 'post',
    path: '/api/jobs/{id}/log',
    told: {
      summary: 'Add lines to the log; one sent again is one',
      ...ofJob,
      ...body(logBodySchema),
      responses: {
        '204': { description: 'All are kept.' },
        '400': bad,
        '404': missing,
        '409': taken,
      },
    },
    answer:
      ({ log }) =>
      async (request, response) => {
        const { entries } = checked(logBodySchema, request.body, 'body');
        const added = await log.add(request.params.id, entries);
        if (added === 'absent') throw noSuchJob(request.params.id);
        if (added === 'elsewhere')
          throw refuse(409, 'taken', 'entries', 'another job’s log has a line of one of these ids');
        if (added === 'otherwise')
          throw refuse(
            409,
            'taken',
            'entries',
            'the log has a line of one of these ids in other words; a line is written once',
          );
        response.status(204).end();
      },
  },
];
