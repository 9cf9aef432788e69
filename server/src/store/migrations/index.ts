import type { Knex } from 'knex';
import * as jobs from './001-jobs';

const MIGRATIONS: Readonly<Record<string, Knex.Migration>> = { '001-jobs': jobs };

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
