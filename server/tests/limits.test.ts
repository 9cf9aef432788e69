import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { heronSlip } from '../src/demo/heron-slip';
import { named, startServer } from './support';

let server: Awaited<ReturnType<typeof startServer>>;
beforeEach(async () => {
  server = await startServer();
});
afterEach(() => server.database.destroy());

const newJob = (device: string) =>
  request(server.app).post('/api/jobs').set('Ogee-Device', device).send({ job: heronSlip });

it('slows a device that makes jobs faster than any crew, and no other at its address', async () => {
  const answers = await Promise.all(
    Array.from({ length: 78 }, async () => (await newJob('phone-of-ada')).status),
  );
  expect(answers.filter((status) => status === 429).length).toBeGreaterThan(40);
  expect(answers.filter((status) => status === 201).length).toBeGreaterThanOrEqual(20);
  const slowed = await newJob('phone-of-ada').expect(429);
  expect(Number(slowed.headers['retry-after'])).toBeGreaterThanOrEqual(1);
  expect(slowed.body).toMatchObject({ problems: [{ code: 'too-fast' }] });
  await newJob('phone-of-ben').expect(201);
  // Reading is never slowed.
  await request(server.app).get('/api/jobs').set('Ogee-Device', 'phone-of-ada').expect(200);
});

it('counts a log by its lines, and keeps none of those it does not take', async () => {
  const { id } = await server.create();
  const batch = () => ({
    entries: Array.from({ length: 50 }, (_, i) => ({
      id: randomUUID(),
      at: '2026-03-02T08:00:00Z',
      by: '',
      kind: 'note',
      text: `line ${i}`,
    })),
  });
  const answers = await Promise.all(
    Array.from(
      { length: 18 },
      async () => (await request(server.app).post(`/api/jobs/${id}/log`).send(batch())).status,
    ),
  );
  const taken = answers.filter((status) => status === 204).length;
  expect(answers.filter((status) => status === 429)).toHaveLength(18 - taken);
  expect(taken).toBeLessThan(18);
  const { count } = (await server.database('job_log').count('seq as count').first()) as {
    count: number;
  };
  expect(count).toBe(50 * taken);
});

it('an entry of one job is none of another', async () => {
  const [one, other] = [await server.create(), await server.create()];
  const entry = randomUUID();
  await server.save(one.id, 1, named('mine'), { entry }).expect(200);
  const refused = await server.save(other.id, 1, named('theirs'), { entry }).expect(409);
  expect(JSON.stringify(refused.body)).toContain('was made in another job');
  // Sent again to its own, it is the same.
  const again = await server.save(one.id, 1, named('mine'), { entry }).expect(200);
  expect(again.body).toMatchObject({ id: one.id, revision: 2, job: { name: 'mine' } });
});

it('gives jobs and revisions by pages, each once', async () => {
  const ids = new Set<string>();
  for (let i = 0; i < 7; i += 1) ids.add((await server.create({ device: `phone-${i}-of-7` })).id);
  const found: string[] = [];
  for (let after: string | null = ''; after !== null;) {
    const { body } = (await request(server.app)
      .get(`/api/jobs?limit=3${after === '' ? '' : `&after=${after}`}`)
      .expect(200)) as { body: { jobs: { id: string }[]; next: string | null } };
    found.push(...body.jobs.map(({ id }) => id));
    after = body.next;
  }
  expect(found).toHaveLength(7);
  expect(new Set(found)).toEqual(ids);
  const id = found[0]!;
  for (let revision = 1; revision < 6; revision += 1)
    await server.save(id, revision, named(`r ${revision}`)).expect(200);
  const page = await request(server.app).get(`/api/jobs/${id}/revisions?limit=4`).expect(200);
  expect(page.body).toMatchObject({ next: 3, revisions: [{ revision: 6 }, {}, {}, {}] });
  const rest = await request(server.app).get(`/api/jobs/${id}/revisions?before=3`).expect(200);
  expect(rest.body).toMatchObject({ next: null, revisions: [{ revision: 2 }, { revision: 1 }] });
  for (const bad of ['after=x', 'limit=0', 'limit=1000'])
    await request(server.app).get(`/api/jobs?${bad}`).expect(400);
});
