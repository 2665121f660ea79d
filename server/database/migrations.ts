/** The shape of the database, one step after another. Steps are named in code, so that no file name can break a data folder. */
import type { Knex } from 'knex';

interface Step {
  readonly name: string;
  readonly up: (db: Knex) => Promise<void>;
}

const steps: readonly Step[] = [
  {
    name: '001-first',
    async up(db) {
      await db.schema.createTable('recordings', (t) => {
        t.text('hash').primary();
        t.text('name').notNullable();
        t.text('type').notNullable();
        t.bigInteger('bytes').notNullable();
        t.integer('length').nullable();
        t.integer('width').nullable();
        t.integer('height').nullable();
      });
      await db.schema.createTable('jobs', (t) => {
        t.text('id').primary();
        t.text('title').notNullable();
        t.text('series').notNullable();
        t.text('language').notNullable();
        t.text('rate').notNullable();
        t.text('style').notNullable();
        t.text('recording').nullable().references('hash').inTable('recordings');
        t.bigInteger('made').notNullable();
      });
      await db.schema.createTable('tracks', (t) => {
        t.text('id').primary();
        t.text('job').notNullable().references('id').inTable('jobs').onDelete('CASCADE');
        t.text('kind').notNullable();
        t.text('language').notNullable();
        t.text('name').notNullable();
        t.integer('edit').notNullable().defaultTo(0);
        t.integer('captions').notNullable().defaultTo(0);
        t.integer('proofed').notNullable().defaultTo(0);
        t.integer('position').notNullable();
        t.index(['job']);
      });
      await db.schema.createTable('edits', (t) => {
        t.text('track').notNullable().references('id').inTable('tracks').onDelete('CASCADE');
        t.integer('number').notNullable();
        t.text('batch').notNullable();
        t.text('edit').notNullable();
        t.bigInteger('at').notNullable();
        t.primary(['track', 'number']);
        t.index(['track', 'batch']);
      });
      await db.schema.createTable('snapshots', (t) => {
        t.text('track').notNullable().references('id').inTable('tracks').onDelete('CASCADE');
        t.integer('edit').notNullable();
        t.text('captions').notNullable();
        t.primary(['track', 'edit']);
      });
      await db.schema.createTable('destinations', (t) => {
        t.text('id').primary();
        t.text('name').notNullable();
        t.text('kind').notNullable();
        t.text('url').notNullable();
        t.text('token').notNullable();
      });
      await db.schema.createTable('receipts', (t) => {
        t.text('id').primary();
        t.text('job').notNullable().references('id').inTable('jobs').onDelete('CASCADE');
        t.text('track').notNullable().references('id').inTable('tracks').onDelete('CASCADE');
        t.text('destination').notNullable().references('id').inTable('destinations').onDelete('CASCADE');
        t.text('place').notNullable();
        t.text('file').notNullable();
        t.integer('edit').notNullable();
        t.text('state').notNullable();
        t.text('answer').notNullable();
        t.text('watch').nullable();
        t.bigInteger('at').notNullable();
        t.index(['job']);
      });
    },
  },
  {
    name: '002-foreign',
    async up(db) {
      await db.schema.alterTable('tracks', (t) => {
        t.text('foreign').nullable();
      });
    },
  },
  {
    name: '003-styles',
    async up(db) {
      await db.schema.createTable('styles', (t) => {
        t.text('id').primary();
        t.text('style').notNullable();
        t.bigInteger('made').notNullable();
      });
    },
  },
  {
    name: '004-kept-once',
    async up(db) {
      // What a job and a track were made of, so that asking again for the same is told from asking for another.
      await db.schema.alterTable('jobs', (t) => {
        t.text('asked').nullable();
      });
      await db.schema.alterTable('tracks', (t) => {
        t.text('asked').nullable();
      });
      // Since when no job has used a recording; they are swept some time after that.
      await db.schema.alterTable('recordings', (t) => {
        t.bigInteger('idle').notNullable().defaultTo(0);
      });
    },
  },
];

/** The names of all steps, in order. */
export const stepNames: readonly string[] = steps.map((step) => step.name);

/** Knex's way to take migrations from code. */
export const migrationSource: Knex.MigrationSource<Step> = {
  getMigrations: () => Promise.resolve([...steps]),
  getMigrationName: (step) => step.name,
  getMigration: (step) =>
    Promise.resolve({ up: step.up, down: () => Promise.reject(new Error('A data folder only moves forwards.')) }),
};
