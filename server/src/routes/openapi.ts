import {
  conflictSchema,
  createBodySchema,
  jobListSchema,
  jobSchema,
  labelBodySchema,
  logBodySchema,
  logPageSchema,
  problemsSchema,
  revisionListSchema,
  saveBodySchema,
  storedJobSchema,
} from '@ogee/core';
import { z } from 'zod';
import { createDocument, type ZodOpenApiOperationObject } from 'zod-openapi';

const json = (description: string, schema: z.ZodType) => ({
  description,
  content: { 'application/json': { schema } },
});

const bad = json('The body or the path is refused; each problem with its path.', problemsSchema);
const missing = json('There is no such job or revision.', problemsSchema);
const taken = json('There is a job of this id already.', problemsSchema);
const conflict = json('Saved elsewhere meanwhile; `current` is what is there now.', conflictSchema);
const id = { requestParams: { path: z.object({ id: z.string() }) } };
const idAndRevision = {
  requestParams: { path: z.object({ id: z.string(), revision: z.number().int() }) },
};
const body = (schema: z.ZodType) => ({
  requestBody: { required: true, content: { 'application/json': { schema } } },
});

const list: ZodOpenApiOperationObject = {
  summary: 'All jobs, newest change first',
  requestParams: { query: z.object({ deleted: z.literal('1').optional() }) },
  responses: { '200': json('The jobs.', jobListSchema) },
};

/** The API's description, made from the schemas that check it. OpenAPI 3.1. */
export const openApiDocument = (): ReturnType<typeof createDocument> =>
  createDocument({
    openapi: '3.1.0',
    info: {
      title: 'Ogee jobs',
      version: '1',
      description: 'Jobs as files of format `ogee-job`, every revision kept. Lengths in mm.',
    },
    paths: {
      '/api/jobs': {
        get: list,
        post: {
          summary: 'A new job',
          ...body(createBodySchema.extend({ job: jobSchema })),
          responses: {
            '201': json('Kept, at revision 1.', storedJobSchema),
            '400': bad,
            '409': taken,
          },
        },
      },
      '/api/jobs/{id}': {
        get: {
          summary: 'One job as it stands',
          ...id,
          responses: { '200': json('The job.', storedJobSchema), '404': missing },
        },
        put: {
          summary:
            'Save over a revision; the former one is kept. A save sent again by the same entry is one; a change of display alone makes no revision',
          ...id,
          ...body(saveBodySchema.extend({ revision: z.number().int(), job: jobSchema })),
          responses: {
            '200': json('Saved; the new revision.', storedJobSchema),
            '400': bad,
            '404': missing,
            '409': conflict,
          },
        },
        delete: {
          summary: 'Delete; can be undone',
          ...id,
          responses: { '204': { description: 'Deleted.' }, '404': missing },
        },
      },
      '/api/jobs/{id}/undelete': {
        post: {
          summary: 'Bring a deleted job back',
          ...id,
          responses: { '200': json('The job.', storedJobSchema), '404': missing },
        },
      },
      '/api/jobs/{id}/log': {
        get: {
          summary: 'Lines of the job’s log after a place, in the order in which they came',
          requestParams: {
            path: z.object({ id: z.string() }),
            query: z.object({ after: z.number().int().optional() }),
          },
          responses: { '200': json('The lines.', logPageSchema), '400': bad, '404': missing },
        },
        post: {
          summary: 'Add lines to the log; one sent again is one',
          ...id,
          ...body(logBodySchema),
          responses: {
            '204': { description: 'All are kept.' },
            '400': bad,
            '404': missing,
            '409': taken,
          },
        },
      },
      '/api/jobs/{id}/revisions': {
        get: {
          summary: 'Every revision, newest first',
          ...id,
          responses: {
            '200': json('The revisions.', revisionListSchema),
            '404': missing,
          },
        },
      },
      '/api/jobs/{id}/revisions/{revision}': {
        get: {
          summary: 'The job as it stood at a revision',
          ...idAndRevision,
          responses: {
            '200': json('The job.', z.object({ revision: z.number().int(), job: jobSchema })),
            '404': missing,
          },
        },
      },
      '/api/jobs/{id}/revisions/{revision}/label': {
        put: {
          summary: 'Name a revision, so that it is never thinned out',
          ...idAndRevision,
          ...body(labelBodySchema),
          responses: { '204': { description: 'Named.' }, '400': bad, '404': missing },
        },
      },
      '/api/jobs/{id}/revisions/{revision}/restore': {
        post: {
          summary: 'Save an older revision as the newest',
          ...idAndRevision,
          ...body(z.object({ revision: z.number().int() })),
          responses: {
            '200': json('Saved; the new revision.', storedJobSchema),
            '404': missing,
            '409': conflict,
          },
        },
      },
    },
  });
