import type { Knex } from 'knex';
import * as jobs from './001-jobs';
import * as entries from './002-entries';
import * as log from './003-log';
import * as device from './004-device';

const MIGRATIONS: Readonly<Record<string, Knex.Migration>> = {
  '001-jobs': jobs,
  '002-entries': entries,
  '003-log': log,
  '004-device': device,
};

/** In the order in which they are made. */
export const MIGRATION_NAMES: readonly string[] = Object.keys(MIGRATIONS);

/** Migrations as modules, so that a bundled server carries them. Names never change once released. */
export const migrationSource: Knex.MigrationSource<string> = {
  getMigrations: () => Promise.resolve(Object.keys(MIGRATIONS)),
  getMigrationName: (name) => name,
  getMigration: (name) => {
    const found = MIGRATIONS[name];
    return found === undefined
      ? Promise.reject(new Error(`no migration ${name}`))
      : Promise.resolve(found);
  },
};
