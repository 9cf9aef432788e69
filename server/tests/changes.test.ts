import { randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { ChangesPage } from '@ogee/core';
import request from 'supertest';
import { heronSlip } from '../src/demo/heron-slip';
import { named, startServer } from './support';

let server: Awaited<ReturnType<typeof startServer>>;
let listening: Server;
let base = '';
beforeEach(async () => {
  server = await startServer();
  listening = createServer(server.app);
  await new Promise<void>((resolve) => listening.listen(0, '127.0.0.1', resolve));
  base = `http://127.0.0.1:${(listening.address() as AddressInfo).port}`;
});
afterEach(async () => {
  listening.closeAllConnections();
  await new Promise((resolve) => listening.close(resolve));
  await server.database.destroy();
});

const asked = async (after?: string): Promise<ChangesPage> =>
  (
    await request(server.app)
      .get(`/api/changes${after === undefined ? '' : `?after=${after}`}`)
      .expect(200)
  ).body as ChangesPage;

/** Listens until so many pages have come, or the stream has ended. */
const heard = async (count: number, headers: Record<string, string> = {}) => {
  const left = new AbortController();
  const answer = await fetch(`${base}/api/changes/stream`, { headers, signal: left.signal });
  const reader = answer.body!.pipeThrough(new TextDecoderStream()).getReader();
  const read = async (): Promise<ChangesPage[]> => {
    let text = '';
    for (;;) {
      const pages = text
        .split('\n\n')
        .slice(0, -1)
        .map((event) => JSON.parse(/^data: (.*)$/m.exec(event)?.[1] ?? '') as ChangesPage);
      if (pages.length >= count) {
        left.abort();
        return pages;
      }
      const { done, value } = await reader.read();
      if (done) return pages;
      text += value;
    }
  };
  return { answer, pages: read() };
};

it('tells every save, new job, deletion and line of a log, with the device it came from', async () => {
  const { last } = await asked();
  const entry = randomUUID();
  const { id } = await server.create({ device: 'phone-of-ada', entry });
  await server.save(id, 1, named('next'), { device: 'phone-of-ben', by: 'Ben' }).expect(200);
  const note = { id: randomUUID(), at: '2026-03-02T08:00:00Z', by: '', kind: 'note', text: 'x' };
  await request(server.app)
    .post(`/api/jobs/${id}/log`)
    .send({ entries: [note] })
    .expect(204);
  await request(server.app).delete(`/api/jobs/${id}`).expect(204);
  const page = await asked(last);
  expect(page.changes).toEqual([
    { kind: 'job', id, revision: 1, entry, device: 'phone-of-ada' },
    { kind: 'job', id, revision: 2, entry: null, device: 'phone-of-ben' },
    { kind: 'log', id },
    { kind: 'job', id, revision: 2, entry: null, device: null },
  ]);
  expect((await asked(page.last)).changes).toEqual([]);
  const [newest] = await server.revisions(id);
  expect(newest).toMatchObject({ by: 'Ben', device: 'phone-of-ben' });
});

it('says when a place is not known any more, after a restart or too many changes', async () => {
  const { last } = await asked();
  for (const place of ['elsewhere.3', `${last}9`, 'x', '']) {
    const page = await asked(place);
    expect([place, page.missed, page.changes]).toEqual([place, true, []]);
  }
  const { id } = await server.create();
  for (let i = 0; i < 501; i += 1) server.changes.tell({ kind: 'log', id });
  expect((await asked(last)).missed).toBe(true);
});

it('streams changes as they happen, uncompressed, and what was missed in between', async () => {
  const first = await heard(2, { 'Accept-Encoding': 'gzip, br' });
  expect(first.answer.headers.get('content-type')).toContain('text/event-stream');
  expect(first.answer.headers.get('content-encoding')).toBeNull();
  expect(first.answer.headers.get('cache-control')).toContain('no-transform');
  const { id } = await server.create();
  const [, told] = await first.pages;
  expect(told?.changes).toMatchObject([{ kind: 'job', id, revision: 1 }]);
  await server.save(id, 1, { ...heronSlip, name: 'meanwhile' }).expect(200);
  const again = await heard(1, { 'Last-Event-ID': told!.last });
  expect((await again.pages)[0]?.changes).toMatchObject([{ kind: 'job', id, revision: 2 }]);
});

it('ends its streams when the server is told to end', async () => {
  const { pages } = await heard(99);
  server.changes.end();
  expect(await pages).toHaveLength(1);
});
