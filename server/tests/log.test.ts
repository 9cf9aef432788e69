import { randomUUID } from 'node:crypto';
import type { LogEntry, LogPage } from '@ogee/core';
import request from 'supertest';
import { startServer } from './support';

let server: Awaited<ReturnType<typeof startServer>>;
beforeEach(async () => {
  server = await startServer();
});
afterEach(() => server.database.destroy());

const note = (text: string): LogEntry => ({
  id: randomUUID(),
  at: '2026-03-02T08:00:00.000Z',
  by: 'Ada',
  kind: 'note',
  text,
});
const send = (id: string, entries: readonly unknown[], device = 'phone-of-ada') =>
  request(server.app).post(`/api/jobs/${id}/log`).set('Ogee-Device', device).send({ entries });
const page = async (id: string, after = 0): Promise<LogPage> =>
  (await request(server.app).get(`/api/jobs/${id}/log?after=${after}`).expect(200)).body as LogPage;

it('keeps lines and gives them back from a place on, in the order in which they came', async () => {
  const { id } = await server.create();
  const lines = [note('one'), note('two'), note('three')];
  await send(id, lines.slice(0, 2)).expect(204);
  await send(id, lines.slice(2)).expect(204);
  const all = await page(id);
  expect(all.entries.map(({ entry }) => entry)).toEqual(lines);
  expect(all.more).toBe(false);
  const rest = await page(id, all.entries[0]!.seq);
  expect(rest.entries.map(({ entry }) => entry)).toEqual(lines.slice(1));
});

it('takes a line once, however often and with whatever others it is sent', async () => {
  const { id } = await server.create();
  const [one, two] = [note('one'), note('two')];
  await send(id, [one]).expect(204);
  await Promise.all([send(id, [one, two]), send(id, [two]), send(id, [two, one])]);
  expect((await page(id)).entries.map(({ entry }) => entry)).toEqual([one, two]);
  // What is written stays: the same id with other words is refused, and nothing of what came with it is kept.
  await send(id, [note('three'), { ...one, text: 'other words' }]).expect(409);
  expect((await page(id)).entries.map(({ entry }) => entry)).toEqual([one, two]);
});

it('gives a long log by pages', async () => {
  const { id } = await server.create();
  for (let batch = 0; batch < 21; batch += 1)
    await send(
      id,
      Array.from({ length: 25 }, (_, i) => note(`${batch * 25 + i}`)),
      `phone-${batch}-of-many`,
    ).expect(204);
  const first = await page(id);
  expect([first.entries.length, first.more]).toEqual([500, true]);
  const rest = await page(id, first.entries[499]!.seq);
  expect([rest.entries.length, rest.more]).toEqual([25, false]);
});

it('a deleted job’s log still takes what a phone had not sent', async () => {
  const { id } = await server.create();
  await request(server.app).delete(`/api/jobs/${id}`).expect(204);
  await send(id, [note('late')]).expect(204);
  expect((await page(id)).entries).toHaveLength(1);
});

it.each([
  ['no lines', []],
  ['too many', Array.from({ length: 51 }, () => note('x'))],
  ['no id', [{ ...note('x'), id: 'one' }]],
  ['an unknown kind', [{ ...note('x'), kind: 'poem' }]],
  ['a field that is none', [{ ...note('x'), more: 1 }]],
  ['no words', [note('  ')]],
  ['half good', [note('x'), { ...note('x'), at: 'yesterday' }]],
  ['a tick of nothing', [{ ...note('x'), kind: 'tick', count: 0 }]],
])('refuses %s, and keeps nothing of it', async (_what, entries) => {
  const { id } = await server.create();
  const { body } = await send(id, entries).expect(400);
  const { problems } = body as { problems: { path: string; text: string }[] };
  expect(problems[0]?.text).not.toBe('');
  expect((await page(id)).entries).toEqual([]);
});

it('knows no log of no job, no place that is none, and no line of another job', async () => {
  const [one, other] = [await server.create(), await server.create()];
  await send(randomUUID(), [note('x')]).expect(404);
  await request(server.app).get(`/api/jobs/${randomUUID()}/log`).expect(404);
  await request(server.app).get(`/api/jobs/${one.id}/log?after=-1`).expect(400);
  await request(server.app).get(`/api/jobs/${one.id}/log?after=x`).expect(400);
  const line = note('mine');
  await send(one.id, [line]).expect(204);
  await send(other.id, [note('x'), line]).expect(409);
  expect((await page(other.id)).entries).toEqual([]);
});
