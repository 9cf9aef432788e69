import type { Knex } from 'knex';

/** Each job's log: lines that are only ever added, in the order in which they came, each once by its own id. */
export const up = async (database: Knex): Promise<void> => {
  await database.schema.createTable('job_log', (table) => {
    table.increments('seq');
    table.text('entry_id').notNullable().unique();
    table.text('job_id').notNullable().references('id').inTable('jobs').onDelete('CASCADE');
    table.text('body').notNullable();
    table.text('received_at').notNullable();
    table.index(['job_id', 'seq']);
  });
};

export const down = async (database: Knex): Promise<void> => {
  await database.schema.dropTable('job_log');
};
