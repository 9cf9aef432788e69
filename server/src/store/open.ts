import { chmodSync, existsSync, mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import knex, { type Knex } from 'knex';
import { copiesIn, copiesOf, copy } from './copies';
import { MIGRATION_NAMES, migrationSource } from './migrations';

/** The database cannot be used as it is; the message is a sentence for whoever started the server. */
export class Unusable extends Error {}

const reason = (error: unknown): string => (error instanceof Error ? error.message : String(error));

const damaged = (file: string, why: string): Unusable => {
  const [last] = copiesIn(copiesOf(file));
  const offer =
    last !== undefined
      ? `The last good copy is ${join(copiesOf(file), last)}: put it in its place, or start with another folder (--data).`
      : 'There is no copy of it; start with another folder (--data).';
  return new Unusable(`The database ${file} is damaged (${why}). ${offer}`);
};

/** A file that this program may not read, or not write, is as whole as it was. */
const closedTo = (file: string, why: string): Unusable =>
  new Unusable(
    `The database ${file} cannot be opened (${why}); is its folder there, and may this program write in it?`,
  );

/** Whether the driver finds the file itself at fault: by SQLite's own words for it, which outlive every wrapping. */
const isDamage = (error: unknown): boolean => /not a database|malformed/.test(reason(error));

/** Whether SQLite finds the file whole. */
const check = async (database: Knex, file: string): Promise<void> => {
  let rows: unknown;
  try {
    rows = await database.raw('PRAGMA quick_check(1)');
  } catch (error) {
    throw isDamage(error) ? damaged(file, reason(error)) : closedTo(file, reason(error));
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

/** Whether there are migrations to make on a database that is in use already. */
const isBehind = async (database: Knex): Promise<boolean> => {
  const done = (await database.schema.hasTable('knex_migrations'))
    ? await database<{ name: string }>('knex_migrations').pluck<string[]>('name')
    : [];
  return MIGRATION_NAMES.some((name) => !done.includes(name));
};

/** So long another start may take over its migrations. ms */
const OTHERS_MS = 5000;
const LOOK_AGAIN_MS = 250;

const isLocked = (error: unknown): boolean =>
  error instanceof Error && error.name === 'MigrationLocked';

/**
 * Brings the tables up to date. A lock that stands is another start's, which is waited for; or it was left behind by one
 * that was killed: its migration was a transaction, so nothing of that is there, and the lock is taken away.
 */
const migrate = async (database: Knex): Promise<void> => {
  for (const end = Date.now() + OTHERS_MS; ;) {
    try {
      await database.migrate.latest({ migrationSource });
      return;
    } catch (error) {
      if (!isLocked(error)) throw error;
      if (Date.now() > end) break;
      await new Promise((resolve) => setTimeout(resolve, LOOK_AGAIN_MS));
    }
  }
  await database.migrate.forceFreeMigrationsLock({ migrationSource });
  await database.migrate.latest({ migrationSource });
};

/** Nobody else on the machine reads it. */
const keepToOneself = (file: string): void => {
  for (const one of [file, `${file}-wal`, `${file}-shm`])
    if (existsSync(one)) chmodSync(one, 0o600);
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
    // What goes wrong is told once, in a sentence, by whoever opened it.
    log: { warn: () => undefined, error: () => undefined, deprecate: () => undefined },
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
      mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
    } catch (error) {
      throw new Unusable(`The folder ${dirname(file)} cannot be made (${reason(error)}).`);
    }
  }
  const database = connect(file);
  try {
    if (existed) await check(database, file);
    await refuseNewer(database, file);
    await database.raw('PRAGMA journal_mode = WAL');
    if (existed) {
      const reason = (await isBehind(database)) ? 'before-change' : 'daily';
      await copy(database, file, reason).catch(() => undefined);
    }
    await migrate(database);
    if (!inMemory) keepToOneself(file);
    return database;
  } catch (error) {
    await database.destroy();
    if (error instanceof Unusable) throw error;
    throw isDamage(error) ? damaged(file, reason(error)) : closedTo(file, reason(error));
  }
};
