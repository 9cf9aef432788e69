import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import knex, { type Knex } from 'knex';
import { migrationSource } from './migrations';

/**
 * Opens the database file, makes it when absent, brings its tables up to date. One connection: SQLite has one writer,
 * and a single connection keeps every transaction in order.
 *
 * @param file path of the database, or `:memory:`
 */
export const openDatabase = async (file: string): Promise<Knex> => {
  if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true });
  const database = knex({
    client: 'better-sqlite3',
    connection: { filename: file },
    useNullAsDefault: true,
    pool: { min: 1, max: 1 },
  });
  await database.raw('PRAGMA journal_mode = WAL');
  await database.raw('PRAGMA foreign_keys = ON');
  await database.migrate.latest({ migrationSource });
  return database;
};
