import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, statSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { heronSlip } from '../src/demo/heron-slip';

const ROOT = join(__dirname, '..', '..');

const launch = (data: string, ...more: string[]): ChildProcess =>
  spawn('node', ['--import', 'tsx', 'server/src/main.ts', '--port', '0', '--data', data, ...more], {
    cwd: ROOT,
  });

const address = (child: ChildProcess): Promise<string> =>
  new Promise((resolve, reject) => {
    let text = '';
    child.stdout!.on('data', (part: Buffer) => {
      text += part.toString();
      const found = /http:\/\/[\d.:]+/.exec(text);
      if (found !== null) resolve(found[0]);
    });
    child.on('exit', (code) => reject(new Error(`ended with ${code ?? 0}`)));
  });

const ended = (child: ChildProcess): Promise<number | null> =>
  new Promise((resolve) => child.on('exit', resolve));

jest.setTimeout(60_000);

it('binds to loopback, keeps data over a restart, stops cleanly when told to', async () => {
  const data = mkdtempSync(join(tmpdir(), 'ogee-run-'));
  const first = launch(data, '--samples');
  const base = await address(first);
  expect(base).toMatch(/^http:\/\/127\.0\.0\.1:/);
  const write = fetch(`${base}/api/jobs`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ job: { ...heronSlip, name: 'last write' } }),
  });
  const answer = await write;
  expect(answer.status).toBe(201);
  const end = ended(first);
  first.kill('SIGTERM');
  expect(await end).toBe(0);

  const second = launch(data, '--samples');
  const again = await address(second);
  const { jobs } = (await (await fetch(`${again}/api/jobs`)).json()) as {
    jobs: { name: string }[];
  };
  expect(jobs.map((job) => job.name).sort()).toEqual(
    ['Gannet Point', 'Heron Slip', 'Quince Yard', 'last write'].sort(),
  );
  const stop = ended(second);
  second.kill('SIGTERM');
  expect(await stop).toBe(0);
});

it('says in one line that its port is taken', async () => {
  const data = mkdtempSync(join(tmpdir(), 'ogee-port-'));
  const first = launch(data);
  const base = await address(first);
  const other = launch(mkdtempSync(join(tmpdir(), 'ogee-port-')), '--port', new URL(base).port);
  let said = '';
  other.stderr!.on('data', (part: Buffer) => (said += part.toString()));
  expect(await ended(other)).toBe(1);
  expect(said).toContain('is in use; choose another with --port');
  const stop = ended(first);
  first.kill('SIGTERM');
  await stop;
});

it('ends within five seconds of being told to, whatever its clients do', async () => {
  const server = launch(mkdtempSync(join(tmpdir(), 'ogee-slow-')));
  const { hostname, port } = new URL(await address(server));
  const socket = connect(Number(port), hostname);
  await new Promise((resolve) => socket.once('connect', resolve));
  socket.on('error', () => undefined);
  socket.write('POST /api/jobs HTTP/1.1\r\nHost: localhost\r\nContent-Length: 1000\r\n\r\n{"job"');
  await new Promise((resolve) => setTimeout(resolve, 300));
  const from = Date.now();
  const end = ended(server);
  server.kill('SIGTERM');
  expect(await end).toBe(0);
  expect(Date.now() - from).toBeLessThan(5000);
  socket.destroy();
});

it('serves nothing more on connections that stand, and ends its streams, once it is told to end', async () => {
  const data = mkdtempSync(join(tmpdir(), 'ogee-leave-'));
  const log = join(data, 'logs', 'ogee.log');
  const server = launch(data, '--log', log);
  const base = await address(server);
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  const get = (path: string) =>
    new Promise<number | string>((resolve) => {
      const headers = { Authorization: 'Bearer secret-word', Cookie: 'session=secret-word' };
      request(`${base}${path}`, { agent, headers }, (answer) => {
        answer.resume();
        answer.on('end', () => resolve(answer.statusCode ?? 0));
      })
        .on('error', ({ message }) => resolve(message))
        .end();
    });
  expect(await get('/api/jobs')).toBe(200);
  const stream = await fetch(`${base}/api/changes/stream`);
  const streamed = stream.text();
  // A slow client holds the server back for three seconds.
  const { hostname, port } = new URL(base);
  const slow = connect(Number(port), hostname);
  await new Promise((resolve) => slow.once('connect', resolve));
  slow.on('error', () => undefined);
  slow.write('POST /api/jobs HTTP/1.1\r\nHost: localhost\r\nContent-Length: 1000\r\n\r\n{"job"');
  await new Promise((resolve) => setTimeout(resolve, 200));
  const end = ended(server);
  server.kill('SIGTERM');
  await streamed;
  expect(await get('/api/jobs')).not.toBe(200);
  expect(await end).toBe(0);
  slow.destroy();
  agent.destroy();
  expect((statSync(log).mode & 0o077).toString(8)).toBe('0');
  const lines = readFileSync(log, 'utf8');
  expect(lines).toContain('/api/jobs');
  expect(lines).not.toContain('secret-word');
});

it.each([
  [['--port', 'x'], '--port'],
  [['--loud'], '--loud'],
])('says in one sentence, without a stack, that a flag is off: %j', async (words, part) => {
  const server = launch(mkdtempSync(join(tmpdir(), 'ogee-flag-')), ...words);
  let said = '';
  server.stderr!.on('data', (text: Buffer) => (said += text.toString()));
  expect(await ended(server)).toBe(1);
  expect(said).toContain(part);
  expect(said.trim().split('\n')).toHaveLength(1);
});
