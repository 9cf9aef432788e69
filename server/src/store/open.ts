import { existsSync, mkdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { dirname } from 'node:path';
import knex, { type Knex } from 'knex';
import { MIGRATION_NAMES, migrationSource } from './migrations';

/** The database cannot be used as it is; the message is a sentence for whoever started the server. */
export class Unusable extends Error {}

const reason = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/** The last good copy of a database. */
export const backupOf = (file: string): string => `${file}.backup`;

const damaged = (file: string, why: string): Unusable => {
  const backup = backupOf(file);
  const offer = existsSync(backup)
    ? `The last good copy, of ${statSync(backup).mtime.toISOString()}, is ${backup}: move it in its place, or start with another folder (--data).`
    : 'There is no copy of it; start with another folder (--data).';
  return new Unusable(`The database ${file} is damaged (${why}). ${offer}`);
};

/** Whether SQLite finds the file whole. */
const check = async (database: Knex, file: string): Promise<void> => {
  let rows: unknown;
  try {
    rows = await database.raw('PRAGMA quick_check(1)');
  } catch (error) {
    throw damaged(file, reason(error));
  }
  const found = JSON.stringify(rows);
  if (!found.includes('"ok"')) throw damaged(file, found.slice(0, 200));
};

/** A database that a newer program has migrated further is not touched. */
const refuseNewer = async (database: Knex, file: string): Promise<void> => {
  if (!(await database.schema.hasTable('knex_migrations'))) return;
  const done = await database<{ name: string }>('knex_migrations').pluck<string[]>('name');
  const unknown = done.filter((name) => !MIGRATION_NAMES.includes(name));
  if (unknown.length > 0)
    throw new Unusable(
      `The database ${file} was written by a newer Ogee (${unknown.join(', ')}); start that one, or another folder (--data).`,
    );
};

/** Keeps a copy of the database as it was at this good start; the former copy is replaced only by a whole one. */
const backUp = async (database: Knex, file: string): Promise<void> => {
  const fresh = `${backupOf(file)}.new`;
  rmSync(fresh, { force: true });
  await database.raw('VACUUM INTO ?', [fresh]);
  renameSync(fresh, backupOf(file));
};

/** What this program asks of the driver's connection. */
interface Connection {
  readonly inTransaction: boolean;
  exec(sql: string): unknown;
}

const EVERY_CONNECTION = [
  // Every commit is on the disk before it is answered: a power cut takes nothing that was acknowledged.
  'PRAGMA synchronous = FULL',
  'PRAGMA foreign_keys = ON',
];

/**
 * A commit that failed, on a full disk or beside another program, can leave its transaction open: then nothing could be
 * saved any more, and what was refused would still be read. It is given up before the connection is used again.
 */
const givesUpOpenTransaction = (connection: Connection): boolean => {
  try {
    if (connection.inTransaction) connection.exec('ROLLBACK');
  } catch {
    return false;
  }
  return !connection.inTransaction;
};

const connect = (file: string): Knex => {
  const database = knex({
    client: 'better-sqlite3',
    connection: { filename: file },
    useNullAsDefault: true,
    pool: {
      min: 1,
      max: 1,
      afterCreate: (connection: Connection, done: (error: Error | null) => void) => {
        try {
          for (const pragma of EVERY_CONNECTION) connection.exec(pragma);
          done(null);
        } catch (error) {
          done(error instanceof Error ? error : new Error(String(error)));
        }
      },
    },
  });
  // Asked before every use; one that is not valid is replaced.
  const client = database.client as { validateConnection: (connection: Connection) => boolean };
  client.validateConnection = givesUpOpenTransaction;
  return database;
};

/**
 * Opens the database file, makes it when absent, checks that it is whole, brings its tables up to date. One connection:
 * SQLite has one writer, and a single connection keeps every transaction in order.
 *
 * @param file path of the database, or `:memory:`
 * @throws Unusable with a plain sentence where the file or its folder cannot be used
 */
export const openDatabase = async (file: string): Promise<Knex> => {
  const inMemory = file === ':memory:';
  const existed = !inMemory && existsSync(file);
  if (!inMemory) {
    try {
      mkdirSync(dirname(file), { recursive: true });
    } catch (error) {
      throw new Unusable(`The folder ${dirname(file)} cannot be made (${reason(error)}).`);
    }
  }
  const database = connect(file);
  try {
    if (existed) await check(database, file);
    await refuseNewer(database, file);
    await database.raw('PRAGMA journal_mode = WAL');
    if (existed) await backUp(database, file).catch(() => undefined);
    await database.migrate.latest({ migrationSource });
    return database;
  } catch (error) {
    await database.destroy();
    if (error instanceof Unusable) throw error;
    throw new Unusable(
      `The database ${file} cannot be opened (${reason(error)}); is its folder there, and may this program write in it?`,
    );
  }
};
