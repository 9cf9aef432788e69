import type { JobInput } from '@ogee/core';
import type { Express } from 'express';
import type { Knex } from 'knex';
import pino from 'pino';
import request from 'supertest';
import { createApp } from '../src/app';
import { heronSlip } from '../src/demo/heron-slip';
import { Changes } from '../src/store/changes';
import { JobStore } from '../src/store/jobs';
import { LogStore } from '../src/store/log';
import { openDatabase } from '../src/store/open';

export interface Stored {
  readonly id: string;
  readonly revision: number;
  readonly job: JobInput;
}

/** A server over an empty database of its own, with a clock that the test turns. */
export const startServer = async (now: () => string = () => new Date().toISOString()) => {
  const database: Knex = await openDatabase(':memory:');
  const changes = new Changes();
  const app: Express = createApp({
    store: new JobStore(database, now, changes),
    log: new LogStore(database, now, changes),
    changes,
    logger: pino({ level: 'silent' }),
    web: null,
  });
  const create = async (body: object = {}): Promise<Stored> =>
    (
      await request(app)
        .post('/api/jobs')
        .send({ job: heronSlip, ...body })
        .expect(201)
    ).body as Stored;
  const save = (id: string, revision: number, job: JobInput, more: object = {}) =>
    request(app)
      .put(`/api/jobs/${id}`)
      .send({ revision, job, ...more });
  const revisions = async (id: string) =>
    (
      (await request(app).get(`/api/jobs/${id}/revisions`).expect(200)).body as {
        revisions: { revision: number; said: string | null; label: string | null }[];
      }
    ).revisions;
  return { app, database, changes, create, save, revisions };
};

export const named = (name: string): JobInput => ({ ...heronSlip, name });
