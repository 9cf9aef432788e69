import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readJob, solve, type JobInput } from '@ogee/core';
import type { Express } from 'express';
import type { Knex } from 'knex';
import pino from 'pino';
import request from 'supertest';
import { ROUTES } from '../src/routes';
import { createApp } from '../src/app';
import { addSamples, SAMPLES } from '../src/demo';
import { heronSlip } from '../src/demo/heron-slip';
import { Changes } from '../src/store/changes';
import { JobStore } from '../src/store/jobs';
import { LogStore } from '../src/store/log';
import { openDatabase } from '../src/store/open';

let database: Knex;
let app: Express;
let log = '';

const start = async (file = ':memory:'): Promise<void> => {
  database = await openDatabase(file);
  const logger = pino({}, { write: (line: string) => (log += line) });
  app = createApp({
    store: new JobStore(database),
    log: new LogStore(database),
    changes: new Changes(),
    logger,
    web: null,
  });
};

beforeEach(async () => {
  log = '';
  await start();
});
afterEach(() => database.destroy());

interface Stored {
  id: string;
  revision: number;
  job: JobInput;
}

const named = (name: string): JobInput => ({ ...heronSlip, name });
const create = async (job: JobInput = heronSlip): Promise<Stored> =>
  (await request(app).post('/api/jobs').send({ job }).expect(201)).body as Stored;
const save = (id: string, revision: number, job: JobInput) =>
  request(app).put(`/api/jobs/${id}`).send({ revision, job });

describe('keeping jobs', () => {
  it('keeps a job in millimetres and gives it back', async () => {
    const made = await create();
    const { body } = await request(app).get(`/api/jobs/${made.id}`).expect(200);
    expect(body).toEqual(made);
    expect((body as Stored).job.timber.common).toEqual({ thickness: 38.1, depth: 184.15 });
    const list = await request(app).get('/api/jobs').expect(200);
    expect(list.body).toMatchObject({
      jobs: [{ id: made.id, name: 'Heron Slip', revision: 1, sample: false }],
    });
  });

  it('writes in what a job kept before a field was there does not have', async () => {
    const { id } = await create();
    const row = await database<{ job_id: string; body: string }>('job_revisions')
      .where({ job_id: id })
      .first();
    const older = JSON.parse(row!.body) as Record<string, object>;
    delete older['saw'];
    delete older['purlins'];
    await database('job_revisions').update({ body: JSON.stringify(older) });
    const { body } = await request(app).get(`/api/jobs/${id}`).expect(200);
    expect((body as Stored).job).toMatchObject({ saw: { maxTilt: 50 }, purlins: [] });
  });

  it.each(['{', '{"format":"ogee-job","version":9}'])(
    'says which revision cannot be read, and serves the others: %s',
    async (bodyText) => {
      const { id } = await create(named('one'));
      await save(id, 1, named('two')).expect(200);
      await database('job_revisions').where({ revision: 2 }).update({ body: bodyText });
      const { body } = await request(app).get(`/api/jobs/${id}`).expect(500);
      expect(body).toMatchObject({ problems: [{ code: 'unreadable', path: 'revision' }] });
      expect(JSON.stringify(body)).toContain(`revision 2 of job ${id}`);
      await request(app).get(`/api/jobs/${id}/revisions/1`).expect(200);
      await request(app).get('/api/jobs').expect(200);
    },
  );

  it('keeps every former revision and restores any', async () => {
    const { id } = await create(named('one'));
    await save(id, 1, named('two')).expect(200);
    await save(id, 2, named('three')).expect(200);
    const restored = await request(app)
      .post(`/api/jobs/${id}/revisions/1/restore`)
      .send({ revision: 3 })
      .expect(200);
    expect(restored.body).toMatchObject({ revision: 4, name: 'one', job: { name: 'one' } });
    const { body } = await request(app).get(`/api/jobs/${id}/revisions`).expect(200);
    expect((body as { revisions: object[] }).revisions).toMatchObject([
      { revision: 4, name: 'one', restoredFrom: 1 },
      { revision: 3, name: 'three', restoredFrom: null },
      { revision: 2, name: 'two' },
      { revision: 1, name: 'one' },
    ]);
    const old = await request(app).get(`/api/jobs/${id}/revisions/2`).expect(200);
    expect(old.body).toMatchObject({ revision: 2, job: { name: 'two' } });
  });

  it('answers 409 with what is there now, and changes nothing', async () => {
    const { id } = await create(named('one'));
    await save(id, 1, named('theirs')).expect(200);
    const { body } = await save(id, 1, named('mine')).expect(409);
    expect(body).toMatchObject({
      problems: [
        {
          code: 'conflict',
          path: 'revision',
          text: expect.stringContaining('revision 2') as string,
        },
      ],
      current: { revision: 2, job: { name: 'theirs' } },
    });
    const now = await request(app).get(`/api/jobs/${id}`);
    expect(now.body).toMatchObject({ revision: 2, name: 'theirs' });
  });

  it('lets one of many simultaneous saves through', async () => {
    const { id } = await create();
    const answers = await Promise.all(
      [...Array(8).keys()].map((i) => save(id, 1, named(`save ${i}`))),
    );
    expect(answers.map((answer) => answer.status).sort((a, b) => a - b)).toEqual([
      200,
      ...Array<number>(7).fill(409),
    ]);
    const { body } = await request(app).get(`/api/jobs/${id}/revisions`);
    expect((body as { revisions: object[] }).revisions).toHaveLength(2);
  });

  it('undoes a delete, and refuses to save into a deleted job', async () => {
    const { id } = await create();
    await request(app).delete(`/api/jobs/${id}`).expect(204);
    expect((await request(app).get('/api/jobs')).body).toEqual({ jobs: [], next: null });
    expect((await request(app).get('/api/jobs?deleted=1')).body).toMatchObject({ jobs: [{ id }] });
    const refused = await save(id, 1, named('late')).expect(409);
    expect(JSON.stringify(refused.body)).toContain('deleted elsewhere');
    await request(app).post(`/api/jobs/${id}/undelete`).expect(200);
    expect((await request(app).get('/api/jobs')).body).toMatchObject({
      jobs: [{ id, deletedAt: null }],
    });
  });

  it('is all still there after the database is closed and opened again', async () => {
    await database.destroy();
    const file = join(mkdtempSync(join(tmpdir(), 'ogee-')), 'sub', 'ogee.sqlite');
    await start(file);
    const { id } = await create(named('kept'));
    await database.destroy();
    await start(file);
    expect((await request(app).get(`/api/jobs/${id}`)).body).toMatchObject({
      name: 'kept',
      revision: 1,
    });
    expect(await database.raw('PRAGMA journal_mode')).toEqual([{ journal_mode: 'wal' }]);
    expect(await database.raw('PRAGMA foreign_keys')).toEqual([{ foreign_keys: 1 }]);
  });
});

describe('bad requests', () => {
  it('names every problem with its path', async () => {
    const job = { ...heronSlip, framing: { ...heronSlip.framing, spacing: 'wide' } };
    const { body } = await request(app).post('/api/jobs').send({ job }).expect(400);
    expect(body).toEqual({
      problems: [
        {
          code: 'schema',
          path: 'job.framing.spacing',
          text: expect.stringContaining('"wide" is not a unit') as string,
        },
      ],
    });
  });

  it('wants a job and a revision', async () => {
    await request(app).post('/api/jobs').send({}).expect(400);
    const { id } = await create();
    const { body } = await request(app).put(`/api/jobs/${id}`).send({ job: heronSlip }).expect(400);
    expect(body).toMatchObject({ problems: [{ path: 'revision' }] });
  });

  it.each([
    ['get', '/api/jobs/none', 404],
    ['delete', '/api/jobs/none', 404],
    ['post', '/api/jobs/none/undelete', 404],
    ['get', '/api/jobs/none/revisions', 404],
    ['get', '/api/jobs/none/revisions/one', 400],
    ['get', '/api/jobs/none/revisions/1', 404],
    ['get', '/api/elsewhere', 404],
    ['get', '/missing.js', 404],
  ] as const)('%s %s answers %d with a problem, no stack', async (method, path, status) => {
    const { body, text } = await request(app)[method](path).expect(status);
    expect(body).toMatchObject({ problems: [{ text: expect.any(String) as string }] });
    expect(text).not.toMatch(/at .*\.ts|node_modules/);
  });

  it('answers 404 for a save or a restore where there is no job', async () => {
    await save('none', 1, heronSlip).expect(404);
    await request(app).post('/api/jobs/none/revisions/1/restore').send({ revision: 1 }).expect(404);
  });

  it('refuses bodies that are no JSON, or too large', async () => {
    const type = ['Content-Type', 'application/json'] as const;
    const broken = await request(app)
      .post('/api/jobs')
      .set(...type)
      .send('{"job":')
      .expect(400);
    expect(broken.body).toMatchObject({
      problems: [{ path: 'body', text: 'the body is not JSON' }],
    });
    const about = 'x'.repeat(600_000);
    const large = await request(app)
      .post('/api/jobs')
      .send({ job: { ...heronSlip, about } })
      .expect(413);
    expect(JSON.stringify(large.body)).toContain('too large');
  });

  it('tells of its own failure without the stack, and logs it', async () => {
    await database.schema.dropTable('job_revisions');
    const { body, text } = await request(app)
      .post('/api/jobs')
      .send({ job: heronSlip })
      .expect(500);
    expect(body).toMatchObject({
      problems: [{ code: 'server', text: 'the server failed; nothing was saved' }],
    });
    expect(text).not.toContain('job_revisions');
    expect(log).toContain('no such table');
    expect((await request(app).get('/api/jobs')).body).toEqual({ jobs: [], next: null });
  });
});

describe('around the jobs', () => {
  it('sends a policy without inline script, and no name of the framework', async () => {
    const { headers } = await request(app).get('/healthz').expect(200);
    const policy = headers['content-security-policy'] ?? '';
    expect(policy).toContain("script-src 'self';");
    expect(policy).toContain("frame-ancestors 'none'");
    expect(headers['x-powered-by']).toBeUndefined();
  });

  it('describes itself: every route of the API, from the schemas', async () => {
    const { body } = await request(app).get('/api/openapi.json').expect(200);
    const document = body as { openapi: string; paths: Record<string, object> };
    expect(document.openapi).toBe('3.1.0');
    const described = Object.entries(document.paths).flatMap(([path, methods]) =>
      Object.keys(methods).map((method) => `${method} ${path}`),
    );
    expect(described.sort()).toEqual(ROUTES.map(({ method, path }) => `${method} ${path}`).sort());
    // Each is served as it is described: none is answered by "there is nothing here".
    for (const { method, path } of ROUTES) {
      // It goes on for as long as somebody listens: looked at by its own test.
      if (path.endsWith('/stream')) continue;
      const url = path.replace('{id}', 'none').replace('{revision}', '1');
      const answer = await request(app)[method](url).send({});
      expect(JSON.stringify(answer.body)).not.toContain('there is nothing here');
    }
    expect(JSON.stringify(document)).toContain('depthFraction');
  });

  it('has sample jobs that solve', async () => {
    await addSamples(new JobStore(database));
    expect(SAMPLES.map((sample) => sample.name).sort()).toEqual([
      'Gannet Point',
      'Heron Slip',
      'Quince Yard',
    ]);
    for (const sample of SAMPLES) {
      const job = readJob(sample);
      expect(job.ok && solve(job.value).ok).toBe(true);
      expect(sample.about!.length).toBeGreaterThan(40);
    }
  });
});
