import { problemsSchema } from '@ogee/core';
import { Router, type RequestHandler } from 'express';
import { z } from 'zod';
import type { ZodOpenApiOperationObject } from 'zod-openapi';
import type { Changes } from '../store/changes';
import type { JobStore } from '../store/jobs';
import type { LogStore } from '../store/log';

export interface Stores {
  readonly store: JobStore;
  readonly log: LogStore;
  readonly changes: Changes;
}

/** One route: how it is asked for, what is said of it in the API's description, and what answers. */
export interface Route {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** As the description writes it: `/api/jobs/{id}`. */
  readonly path: `/api/${string}`;
  readonly told: ZodOpenApiOperationObject;
  readonly answer: (
    stores: Stores,
  ) => RequestHandler<{ readonly id: string; readonly revision: string }>;
}

/** Serves every route of a table. */
export const served = (routes: readonly Route[], stores: Stores): Router => {
  const router = Router();
  for (const { method, path, answer } of routes)
    router[method](path.replaceAll(/\{(\w+)\}/g, ':$1'), answer(stores));
  return router;
};

// What the rows say of themselves.

export const json = (description: string, schema: z.ZodType) => ({
  description,
  content: { 'application/json': { schema } },
});

export const bad = json(
  'The body or the path is refused; each problem with its path.',
  problemsSchema,
);
export const missing = json('There is no such job or revision.', problemsSchema);
export const taken = json('There is a job of this id already.', problemsSchema);

export const ofJob = { requestParams: { path: z.object({ id: z.string() }) } };
export const ofRevision = {
  requestParams: { path: z.object({ id: z.string(), revision: z.number().int() }) },
};
export const body = (schema: z.ZodType) => ({
  requestBody: { required: true, content: { 'application/json': { schema } } },
});
