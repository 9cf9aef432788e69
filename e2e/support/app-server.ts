import { formatLength, spokenLength, type Job, type LogEntry, type LogPage } from '@ogee/core';
import { spawn, spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';

const ROOT = join(__dirname, '..', '..');
const OGEE = join(ROOT, 'scripts', 'ogee.mjs');

export interface AppServer {
  readonly base: string;
  readonly stop: () => Promise<void>;
  /** Ends it in the middle of whatever it does. */
  readonly kill: () => Promise<void>;
  /** Starts it again, when it has ended: on the same port, over the same database. */
  readonly again: () => Promise<AppServer>;
}

/** The built app on a port of its own, with the sample jobs in a database of its own unless one is given. */
export const startApp = (
  port = '0',
  data = mkdtempSync(join(tmpdir(), 'ogee-e2e-')),
  flags: readonly string[] = [],
): Promise<AppServer> =>
  new Promise((resolve, reject) => {
    const child = spawn(
      'node',
      ['server/dist/main.mjs', '--port', port, '--samples', '--web', 'app/dist'].concat(
        ['--data', data],
        flags,
      ),
      { cwd: ROOT, stdio: ['ignore', 'pipe', 'ignore'] },
    );
    const end = (signal: 'SIGTERM' | 'SIGKILL'): Promise<void> =>
      new Promise((done) => {
        if (child.exitCode !== null || child.signalCode !== null) done();
        child.once('exit', () => done());
        child.kill(signal);
      });
    child.once('exit', (code) => reject(new Error(`the server ended with ${code ?? 0}`)));
    child.stdout.on('data', (part: Buffer) => {
      const found = /http:\/\/[\d.:]+/.exec(part.toString());
      if (found === null) return;
      const base = found[0];
      resolve({
        base,
        stop: () => end('SIGTERM'),
        kill: () => end('SIGKILL'),
        again: () => startApp(new URL(base).port, data, flags),
      });
    });
  });

/** The job a page shows, as the server keeps it. */
export const storedJob = async (page: Page): Promise<{ revision: number; job: Job }> => {
  const { origin, pathname } = new URL(page.url());
  const id = /job\/([^/]+)/.exec(pathname)?.[1] ?? '';
  const answer = await fetch(`${origin}/api/jobs/${id}`);
  return (await answer.json()) as { revision: number; job: Job };
};

/** Makes a job on the server; its id. */
export const createJob = async (base: string, job: unknown): Promise<string> => {
  const answer = await fetch(`${base}/api/jobs`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ id: randomUUID(), job }),
  });
  if (!answer.ok) throw new Error(await answer.text());
  return ((await answer.json()) as { id: string }).id;
};

/** The id of a job by its name. */
export const jobNamed = async (base: string, name: string): Promise<string> => {
  const { jobs } = (await (await fetch(`${base}/api/jobs`)).json()) as {
    jobs: { id: string; name: string }[];
  };
  const found = jobs.find((job) => job.name === name);
  if (found === undefined) throw new Error(`there is no job ${name}`);
  return found.id;
};

/** The lines of a job's log, as the server has them. */
export const loggedIn = async (base: string, id: string): Promise<LogEntry[]> => {
  const answer = await fetch(`${base}/api/jobs/${id}/log`);
  return ((await answer.json()) as LogPage).entries.map(({ entry }) => entry);
};

/** A length as it is read aloud, in feet and inches. */
export const aloud = (mm: number): string => spokenLength(mm, { units: 'imperial', fraction: 16 });

/** A length as the app writes it, to the sixteenth. */
export const inches = (mm: number): string =>
  formatLength(mm, { style: 'feet-inches', denominator: 16 });

/** What the command line prints for a job file. */
export const commandLine = (job: unknown, command: 'cutlist' | 'fit' = 'cutlist'): string => {
  const file = join(mkdtempSync(join(tmpdir(), 'ogee-cli-')), 'job.json');
  writeFileSync(file, JSON.stringify(job));
  const { status, stdout, stderr } = spawnSync(process.execPath, [OGEE, command, file], {
    encoding: 'utf8',
    maxBuffer: 64 * 1024 * 1024,
  });
  if (status !== 0) throw new Error(stderr);
  return stdout;
};
