import type { Knex } from 'knex';

export const up = async (database: Knex): Promise<void> => {
  await database.schema.createTable('jobs', (table) => {
    table.text('id').primary();
    table.text('name').notNullable();
    table.integer('revision').notNullable();
    table.boolean('sample').notNullable().defaultTo(false);
    table.text('updated_at').notNullable();
    table.text('deleted_at');
  });
  await database.schema.createTable('job_revisions', (table) => {
    table.text('job_id').notNullable().references('id').inTable('jobs').onDelete('CASCADE');
    table.integer('revision').notNullable();
    table.text('body').notNullable();
    table.text('saved_at').notNullable();
    table.integer('restored_from');
    table.primary(['job_id', 'revision']);
  });
};

export const down = async (database: Knex): Promise<void> => {
  await database.schema.dropTable('job_revisions');
  await database.schema.dropTable('jobs');
};
