import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { heronSlip } from '../src/demo/heron-slip';
import { named, startServer, type Stored } from './support';

type Server = Awaited<ReturnType<typeof startServer>>;

let server: Server;
let clock = '2026-03-02T08:00:00Z';
beforeEach(async () => {
  clock = '2026-03-02T08:00:00Z';
  server = await startServer(() => clock);
});
afterEach(() => server.database.destroy());

describe('an entry is one entry, however often it is sent', () => {
  it('saves once, and answers the second time what it answered the first', async () => {
    const { id } = await server.create();
    const entry = randomUUID();
    const said = 'Wall 1: 26000 → 27000';
    const first = await server.save(id, 1, named('two'), { entry, said }).expect(200);
    const again = await server.save(id, 1, named('two'), { entry, said }).expect(200);
    expect(again.body).toEqual(first.body);
    expect((await server.revisions(id)).map((one) => [one.revision, one.said])).toEqual([
      [2, said],
      [1, null],
    ]);
  });

  it('is known again after somebody else has saved on top of it: the next one over it is the conflict', async () => {
    const { id } = await server.create();
    const entry = randomUUID();
    await server.save(id, 1, named('mine'), { entry }).expect(200);
    await server.save(id, 2, named('theirs')).expect(200);
    const again = await server.save(id, 1, named('mine'), { entry }).expect(200);
    expect(again.body).toMatchObject({ revision: 2, job: { name: 'mine' } });
    await server.save(id, 2, named('mine, next'), { entry: randomUUID() }).expect(409);
  });

  it('makes a job once, under the id that the device gave it', async () => {
    const body = { id: randomUUID(), entry: randomUUID(), said: 'New job' };
    const first = await server.create(body);
    expect(first.id).toBe(body.id);
    expect(await server.create(body)).toEqual(first);
    const { body: list } = await request(server.app).get('/api/jobs').expect(200);
    expect((list as { jobs: object[] }).jobs).toHaveLength(1);
    const other = { job: heronSlip, id: body.id, entry: randomUUID() };
    await request(server.app).post('/api/jobs').send(other).expect(409);
  });

  it.each([{ entry: 'no id' }, { said: '' }, { said: 'x'.repeat(201) }, { unknown: 1 }])(
    'refuses %j',
    async (more) => {
      const { id } = await server.create();
      await server.save(id, 1, named('two'), more).expect(400);
    },
  );
});

describe('revisions', () => {
  it('none is made by a change of how the job is shown', async () => {
    const made = await server.create();
    const display = { ...made.job.display!, units: 'metric' as const };
    const { body } = await server.save(made.id, 1, { ...made.job, display }).expect(200);
    expect(body).toMatchObject({ revision: 1, job: { display: { units: 'metric' } } });
    const { body: kept } = await request(server.app).get(`/api/jobs/${made.id}`).expect(200);
    expect((kept as Stored).job.display).toEqual(display);
    expect(await server.revisions(made.id)).toHaveLength(1);
  });

  it('thin out by days: all of today, the last of each day before, all that are named or restored', async () => {
    const { id } = await server.create();
    let revision = 1;
    const saveAt = async (at: string, more: object = {}): Promise<void> => {
      clock = at;
      await server.save(id, revision, named(`at ${at}`), more).expect(200);
      revision += 1;
    };
    for (const hour of ['09', '10', '11']) await saveAt(`2026-03-02T${hour}:00:00Z`);
    await request(server.app)
      .put(`/api/jobs/${id}/revisions/2/label`)
      .send({ label: 'as priced' })
      .expect(204);
    for (const hour of ['09', '10', '11']) await saveAt(`2026-03-03T${hour}:00:00Z`);
    await saveAt('2026-03-04T09:00:00Z', { restores: 5 });
    await saveAt('2026-03-05T09:00:00Z');
    await saveAt('2026-03-05T10:00:00Z');
    const left = await server.revisions(id);
    // 1 and 3 were followed on their day, 2 is named; 6 likewise, 5 was brought back by 8.
    expect(left.map((one) => one.revision)).toEqual([10, 9, 8, 7, 5, 4, 2]);
    expect(left.find((one) => one.revision === 2)!.label).toBe('as priced');
    await request(server.app)
      .put(`/api/jobs/${id}/revisions/3/label`)
      .send({ label: 'x' })
      .expect(404);
  });

  it('of a conflict, of a restoring, and those that were sawn from are never thinned out', async () => {
    const { id } = await server.create();
    const save = async (revision: number, more: object = {}, expected = 200): Promise<void> =>
      void (await server.save(id, revision, named(`over ${revision}`), more).expect(expected));
    const entry = randomUUID();
    await save(1, { entry });
    await save(2);
    // Somebody saves over 2, which is 3 already: he is asked, and puts either aside.
    await save(2, {}, 409);
    await save(3);
    await save(4);
    // 5 is replaced by what 2 was, and is not lost for it.
    await save(5, { restores: 2 });
    const sawn = {
      mark: 'C1',
      kind: 'common',
      hand: 'plain',
      member: 'm',
      longPoint: 1,
      left: [],
      right: [],
      stock: { thickness: 38, depth: 184 },
    };
    const tick = (from: number | string) => ({
      id: randomUUID(),
      at: clock,
      by: '',
      kind: 'tick',
      sawn,
      count: 1,
      pattern: false,
      from,
    });
    await save(6);
    await save(7);
    await request(server.app)
      .post(`/api/jobs/${id}/log`)
      .send({ entries: [tick(7), tick(entry)] })
      .expect(204);
    await save(8);
    for (const day of ['03', '04', '05']) {
      clock = `2026-03-${day}T09:00:00Z`;
      await save(6 + Number(day));
    }
    const left = await server.revisions(id);
    // 1, 4 and 8 were followed on their day by others, and nothing keeps them.
    expect(left.map(({ revision }) => revision)).toEqual([12, 11, 10, 9, 7, 6, 5, 3, 2]);
  });
});
