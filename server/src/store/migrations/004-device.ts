import type { Knex } from 'knex';

/**
 * Each revision knows the device that it came from and what that is called; and whether it is kept for good because it
 * was put aside in a conflict, or sawn from.
 */
export const up = async (database: Knex): Promise<void> => {
  await database.schema.alterTable('job_revisions', (table) => {
    table.text('by');
    table.text('device');
    table.text('kept_for');
  });
};

export const down = async (database: Knex): Promise<void> => {
  await database.schema.alterTable('job_revisions', (table) => {
    table.dropColumns('by', 'device', 'kept_for');
  });
};
