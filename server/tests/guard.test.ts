import request from 'supertest';
import { heronSlip } from '../src/demo/heron-slip';
import { startServer } from './support';

let server: Awaited<ReturnType<typeof startServer>>;
beforeEach(async () => {
  server = await startServer();
});
afterEach(() => server.database.destroy());

it('answers to its own names only', async () => {
  const asked = (host: string) => request(server.app).get('/api/jobs').set('Host', host);
  for (const host of ['localhost:8417', '127.0.0.1', '[::1]:8417']) await asked(host).expect(200);
  const { body } = await asked('elsewhere.example').expect(421);
  expect(body).toMatchObject({ problems: [{ code: 'host' }] });
});

it('writes nothing for an app that sends another version than it reads', async () => {
  const { id } = await server.create();
  const save = () =>
    request(server.app).put(`/api/jobs/${id}`).send({ revision: 1, job: heronSlip });
  for (const version of ['0', '2', 'x']) {
    const { body } = await save().set('Ogee-Wire', version).expect(426);
    expect(body).toMatchObject({ problems: [{ code: 'version' }] });
  }
  await request(server.app).get(`/api/jobs/${id}`).set('Ogee-Wire', '2').expect(200);
  await save().set('Ogee-Wire', '1').expect(200);
});

it('lets no other page write, not even to bring a job back', async () => {
  const { id } = await server.create();
  const writes = [
    () => request(server.app).post('/api/jobs').send({ job: heronSlip }),
    () => request(server.app).delete(`/api/jobs/${id}`),
    () => request(server.app).post(`/api/jobs/${id}/undelete`),
    () => request(server.app).put(`/api/jobs/${id}`).send({ revision: 1, job: heronSlip }),
  ];
  for (const write of writes) {
    await write().set('Sec-Fetch-Site', 'cross-site').expect(403);
    await write().set('Sec-Fetch-Site', 'same-site').expect(403);
    await write().set('Origin', 'https://elsewhere.example').expect(403);
  }
  await request(server.app)
    .delete(`/api/jobs/${id}`)
    .set('Sec-Fetch-Site', 'same-origin')
    .expect(204);
  // A program that is no browser says neither.
  await request(server.app).post(`/api/jobs/${id}/undelete`).expect(200);
});
