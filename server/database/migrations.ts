/** The shape of the database, one step after another. Steps are named in code, so that no file name can break a data folder. */
import type { Knex } from 'knex';

interface MigrationStep {
  readonly name: string;
  readonly up: (db: Knex) => Promise<void>;
}

const steps: readonly MigrationStep[] = [
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
  {
    name: '005-work',
    async up(db) {
      await db.schema.createTable('work', (t) => {
        t.text('id').primary();
        t.text('kind').notNullable();
        t.text('subject').notNullable();
        t.text('job').nullable().references('id').inTable('jobs').onDelete('CASCADE');
        t.text('by').notNullable();
        t.text('state').notNullable();
        t.float('progress').notNullable();
        t.integer('tries').notNullable();
        t.text('reason').nullable();
        t.bigInteger('next').nullable();
        t.text('holder').nullable();
        t.bigInteger('until').nullable();
        t.bigInteger('made').notNullable();
        t.bigInteger('changed').notNullable();
        t.unique(['kind', 'subject']);
        t.index(['state', 'next']);
        t.index(['job']);
      });
      await db.schema.createTable('work_parts', (t) => {
        t.text('work').notNullable().references('id').inTable('work').onDelete('CASCADE');
        t.integer('number').notNullable();
        t.text('part').notNullable();
        t.primary(['work', 'number']);
      });
      await db.schema.createTable('posters', (t) => {
        t.text('hash').primary().references('hash').inTable('recordings').onDelete('CASCADE');
        t.text('type').notNullable();
        t.binary('picture').notNullable();
      });
      // Counts are kept with the edit and the basis they rest on.
      await db.schema.alterTable('jobs', (t) => {
        t.text('basis').notNullable().defaultTo('');
      });
      await db.schema.alterTable('tracks', (t) => {
        t.integer('must').nullable();
        t.integer('must_edit').nullable();
        t.text('must_basis').nullable();
      });
      // A receipt is written down before anything is sent, so it may have no place and no answer yet.
      await db.schema.createTable('receipts_now', (t) => {
        t.text('id').primary();
        t.text('job').notNullable().references('id').inTable('jobs').onDelete('CASCADE');
        t.text('track').notNullable().references('id').inTable('tracks').onDelete('CASCADE');
        t.text('destination').notNullable().references('id').inTable('destinations').onDelete('CASCADE');
        t.text('place').nullable();
        t.text('file').notNullable();
        t.text('format').notNullable();
        t.integer('edit').notNullable();
        t.text('state').notNullable();
        t.text('reason').nullable();
        t.text('answer').nullable();
        t.text('watch').nullable();
        t.bigInteger('at').notNullable();
        t.index(['job']);
        t.index(['track', 'destination', 'at']);
      });
      await db.raw(`insert into receipts_now (id, job, track, destination, place, file, format, edit, state, answer, watch, at)
        select id, job, track, destination, place, file, 'srt', edit, state, answer, watch, at from receipts`);
      await db.schema.dropTable('receipts');
      await db.schema.renameTable('receipts_now', 'receipts');
    },
  },
  {
    name: '006-peaks',
    async up(db) {
      await db.schema.createTable('peaks', (t) => {
        t.text('hash').primary().references('hash').inTable('recordings').onDelete('CASCADE');
        t.integer('method').notNullable();
        t.binary('cells').notNullable();
      });
    },
  },
  {
    name: '007-regions',
    async up(db) {
      await db.schema.createTable('regions', (t) => {
        t.text('hash').primary().references('hash').inTable('recordings').onDelete('CASCADE');
        t.integer('method').notNullable();
        t.text('regions').notNullable();
      });
    },
  },
  {
    name: '008-sound-track-and-stretch',
    async up(db) {
      await db.schema.alterTable('jobs', (t) => {
        t.integer('sound_track').notNullable().defaultTo(0);
        t.text('stretch').nullable();
      });
      // What was read so far is of the first sound track.
      for (const [name, column] of [
        ['peaks', 'cells'],
        ['regions', 'regions'],
      ] as const) {
        await db.schema.createTable(`${name}_now`, (t) => {
          t.text('hash').notNullable().references('hash').inTable('recordings').onDelete('CASCADE');
          t.integer('track').notNullable();
          t.integer('method').notNullable();
          if (name === 'peaks') t.binary(column).notNullable();
          else t.text(column).notNullable();
          t.primary(['hash', 'track']);
        });
        await db.raw(
          `insert into ${name}_now (hash, track, method, ${column}) select hash, 0, method, ${column} from ${name}`,
        );
        await db.schema.dropTable(name);
        await db.schema.renameTable(`${name}_now`, name);
      }
    },
  },
  {
    name: '009-deleted-tracks',
    async up(db) {
      await db.schema.alterTable('tracks', (t) => {
        t.integer('deleted').nullable();
      });
    },
  },
  {
    name: '010-recording-before',
    async up(db) {
      // Knex would rebuild the whole table for this, and everything that belongs to jobs would go with the old one.
      await db.raw('alter table jobs add column recording_before text references recordings (hash)');
    },
  },
  {
    name: '011-recording-names',
    async up(db) {
      // One file may be several jobs' recording, under a name of its own in each.
      await db.raw('alter table jobs add column recording_name text');
      await db.raw('alter table jobs add column recording_before_name text');
    },
  },
  {
    name: '012-moves',
    async up(db) {
      await db.schema.createTable('moves', (t) => {
        t.text('id').primary();
        t.text('job').notNullable().references('id').inTable('jobs').onDelete('CASCADE');
        t.text('move').notNullable();
        t.text('tracks').notNullable();
      });
    },
  },
];

/** The names of all steps, in order. */
export const stepNames: readonly string[] = steps.map((step) => step.name);

/** Knex's way to take migrations from code. */
export const migrationSource: Knex.MigrationSource<MigrationStep> = {
  getMigrations: () => Promise.resolve([...steps]),
  getMigrationName: (step) => step.name,
  getMigration: (step) =>
    Promise.resolve({ up: step.up, down: () => Promise.reject(new Error('A data folder only moves forwards.')) }),
};
