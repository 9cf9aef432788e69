import type { Knex } from 'knex';

/** Each revision knows the entry that made it, so that a save sent twice is one; what was said; a name given to it. */
export const up = async (database: Knex): Promise<void> => {
  await database.schema.alterTable('job_revisions', (table) => {
    table.text('entry_id');
    table.text('said');
    table.text('label');
  });
  await database.schema.alterTable('job_revisions', (table) => {
    table.unique(['entry_id']);
  });
};

export const down = async (database: Knex): Promise<void> => {
  await database.schema.alterTable('job_revisions', (table) => {
    table.dropUnique(['entry_id']);
    table.dropColumns('entry_id', 'said', 'label');
  });
};
