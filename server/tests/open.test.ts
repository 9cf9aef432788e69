import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readJob } from '@ogee/core';
import { heronSlip } from '../src/demo/heron-slip';
import { JobStore } from '../src/store/jobs';
import { copiesIn, copiesOf, kept } from '../src/store/copies';
import { openDatabase, Unusable } from '../src/store/open';

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
  expect((await store.list()).items).toHaveLength(1);
  await database.destroy();
});

it('says that a file is no database, or a damaged one, and offers the last good copy', async () => {
  const file = await filled();
  writeFileSync(file, 'not a database, whatever it is called '.repeat(100));
  expect(await sentence(file)).toMatch(/is damaged \(.*\)\. There is no copy/);

  const other = await filled();
  await (await openDatabase(other)).destroy();
  const [last = ''] = copiesIn(copiesOf(other));
  const good = join(copiesOf(other), last);
  expect(existsSync(good)).toBe(true);
  const bytes = readFileSync(other);
  bytes.fill(0x5a, 4096 + 100, 4096 * 6);
  writeFileSync(other, bytes);
  expect(await sentence(other)).toContain(`is ${good}: put it in its place`);
  copyFileSync(good, other);
  const mended = await openDatabase(other);
  expect((await new JobStore(mended).list()).items).toHaveLength(30);
  await mended.destroy();
});

it('leaves alone what a newer program wrote', async () => {
  const file = await filled();
  const database = await openDatabase(file);
  await database('knex_migrations').insert({ name: '999-later', batch: 9, migration_time: 0 });
  await database.destroy();
  expect(await sentence(file)).toContain('written by a newer Ogee (999-later)');
});

it('takes away a lock that a killed start left behind', async () => {
  const file = await filled();
  const database = await openDatabase(file);
  await database('knex_migrations_lock').update({ is_locked: 1 });
  await database('knex_migrations').where({ name: '004-device' }).delete();
  await database.schema.alterTable('job_revisions', (table) => {
    table.dropColumns('by', 'device', 'kept_for');
  });
  await database.destroy();
  const again = await openDatabase(file);
  expect((await new JobStore(again).list()).items).toHaveLength(30);
  await again.destroy();
  // As it was before its tables were changed.
  expect(copiesIn(copiesOf(file)).some((name) => name.endsWith('-before-change.sqlite'))).toBe(
    true,
  );
}, 20_000);

it('is read by nobody else on the machine, nor are its copies', async () => {
  const file = await filled();
  const database = await openDatabase(file);
  const copies = copiesIn(copiesOf(file)).map((name) => join(copiesOf(file), name));
  expect(copies).toHaveLength(1);
  for (const one of [file, `${file}-wal`, ...copies])
    expect([one, (statSync(one).mode & 0o077).toString(8)]).toEqual([one, '0']);
  await database.destroy();
});

it('keeps the newest copy of seven days and of four weeks, and three made before a change', () => {
  const name = (day: string, reason = 'daily', hour = '08') =>
    `ogee-2026-${day}T${hour}-00-00-${reason}.sqlite`;
  const days = Array.from({ length: 60 }, (_, i) =>
    new Date(Date.UTC(2026, 2, 1 + i)).toISOString().slice(5, 10),
  );
  const changes = ['03-02', '03-05', '03-07', '03-08'].map((day) =>
    name(day, 'before-change', '06'),
  );
  const all = [...days.flatMap((day) => [name(day), name(day, 'daily', '20')]), ...changes];
  const stay = kept(all.sort().reverse());
  expect([...stay].sort().reverse()).toEqual([
    ...days
      .slice(-7)
      .reverse()
      .map((day) => name(day, 'daily', '20')),
    // 29 April 2026 is a Wednesday; the Sundays of the three weeks before its own.
    ...['04-19', '04-12'].map((day) => name(day, 'daily', '20')),
    ...changes.slice(1).reverse(),
  ]);
});

it('says that its folder cannot be made', async () => {
  const file = await filled();
  expect(await sentence(join(file, 'inside', 'ogee.sqlite'))).toContain('cannot be made');
});
