import { copyFileSync, existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readJob } from '@ogee/core';
import { heronSlip } from '../src/demo/heron-slip';
import { JobStore } from '../src/store/jobs';
import { backupOf, openDatabase, Unusable } from '../src/store/open';

const fileIn = (): string => join(mkdtempSync(join(tmpdir(), 'ogee-open-')), 'ogee.sqlite');

/** A database with a few jobs in it, closed. */
const filled = async (): Promise<string> => {
  const file = fileIn();
  const database = await openDatabase(file);
  const job = readJob(heronSlip);
  if (!job.ok) throw new Error('sample');
  await new JobStore(database).createAll(
    Array.from({ length: 30 }, () => job.value),
    {},
  );
  await database.destroy();
  return file;
};

const sentence = async (file: string): Promise<string> => {
  const error: unknown = await openDatabase(file).then(
    () => null,
    (found: unknown) => found,
  );
  if (!(error instanceof Unusable)) throw new Error(`not refused: ${String(error)}`);
  expect(error.message).not.toMatch(/\bat .*:\d+/);
  return error.message;
};

it('has every commit on the disk before it is answered', async () => {
  const database = await openDatabase(fileIn());
  // 2 is FULL.
  expect(await database.raw('PRAGMA synchronous')).toEqual([{ synchronous: 2 }]);
  await database.destroy();
});

it('goes on after a commit that failed, and keeps nothing of it', async () => {
  const database = await openDatabase(fileIn());
  const store = new JobStore(database);
  const orphan = { job_id: 'nobody', revision: 1, body: '{}', saved_at: 'now' };
  const refused = database.transaction(async (transaction) => {
    // Looked at when the transaction ends, so that it is the commit that fails.
    await transaction.raw('PRAGMA defer_foreign_keys = ON');
    await transaction('job_revisions').insert(orphan);
  });
  // The driver's errors are of a world of their own: told by what they say.
  expect(await refused.then(() => 'taken', String)).toMatch(/FOREIGN KEY/);
  const job = readJob(heronSlip);
  if (!job.ok) throw new Error('sample');
  await store.createAll([job.value], {});
  expect(await database('job_revisions').pluck('job_id')).not.toContain('nobody');
  expect(await store.list(false)).toHaveLength(1);
  await database.destroy();
});

it('says that a file is no database, or a damaged one, and offers the last good copy', async () => {
  const file = await filled();
  writeFileSync(file, 'not a database, whatever it is called '.repeat(100));
  expect(await sentence(file)).toMatch(/is damaged \(.*\)\. There is no copy/);

  const other = await filled();
  await (await openDatabase(other)).destroy();
  expect(existsSync(backupOf(other))).toBe(true);
  const bytes = readFileSync(other);
  bytes.fill(0x5a, 4096 + 100, 4096 * 6);
  writeFileSync(other, bytes);
  expect(await sentence(other)).toContain(`is ${backupOf(other)}: move it in its place`);
  copyFileSync(backupOf(other), other);
  const mended = await openDatabase(other);
  expect(await new JobStore(mended).list(false)).toHaveLength(30);
  await mended.destroy();
});

it('leaves alone what a newer program wrote', async () => {
  const file = await filled();
  const database = await openDatabase(file);
  await database('knex_migrations').insert({ name: '999-later', batch: 9, migration_time: 0 });
  await database.destroy();
  expect(await sentence(file)).toContain('written by a newer Ogee (999-later)');
});

it('says that its folder cannot be made', async () => {
  const file = await filled();
  expect(await sentence(join(file, 'inside', 'ogee.sqlite'))).toContain('cannot be made');
});
