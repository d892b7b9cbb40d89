import type { Knex } from 'knex'

type Step = { name: string; up: (db: Knex) => Promise<void> }

/** Released steps are never edited; a change of the tables is a new step at the end. */
const steps: Step[] = [
  {
    name: '001_jobs_and_shelves',
    up: async (db) => {
      await db.schema.createTable('jobs', (t) => {
        t.text('id').primary()
        t.integer('revision').notNullable()
        t.text('document').notNullable()
        // copies of what the Slipway searches and sorts by, written with the document in the same statement
        t.text('title').notNullable()
        t.text('client').notNullable()
        t.text('station').notNullable()
        t.text('due')
        t.integer('archived').notNullable().defaultTo(0)
        t.text('created_at').notNullable()
        t.text('updated_at').notNullable()
        t.index(['archived', 'due'])
        t.index(['archived', 'station'])
      })
      await db.schema.createTable('shelves', (t) => {
        t.text('name').primary()
        t.integer('revision').notNullable()
        t.text('document').notNullable()
        t.text('updated_at').notNullable()
      })
      // a cache that can be thrown away: verdicts are worked out again from job and rules
      await db.schema.createTable('verdicts', (t) => {
        t.text('job_id').primary().references('id').inTable('jobs').onDelete('CASCADE')
        t.integer('job_revision').notNullable()
        t.integer('rules_revision').notNullable()
        t.integer('over').notNullable()
        t.integer('near').notNullable()
        t.integer('unknown').notNullable()
        t.text('governing').notNullable()
      })
      await db.schema.createTable('issued', (t) => {
        t.text('id').primary()
        t.text('job_id').notNullable().references('id').inTable('jobs').onDelete('RESTRICT')
        t.integer('job_revision').notNullable()
        t.text('kind').notNullable()
        t.text('document').notNullable()
        t.text('at').notNullable()
        t.text('taken_back_at')
        t.index(['job_id'])
      })
    },
  },
  {
    name: '002_photos',
    up: async (db) => {
      await db.schema.createTable('photos', (t) => {
        t.text('id').primary()
        t.text('job_id').notNullable().references('id').inTable('jobs').onDelete('CASCADE')
        t.text('name').notNullable()
        t.text('type').notNullable()
        t.binary('bytes').notNullable()
        t.text('at').notNullable()
        t.index(['job_id'])
      })
    },
  },
  {
    name: '003_vehicle_revisions',
    up: async (db) => {
      await db.schema.createTable('vehicle_revisions', (t) => {
        t.text('vehicle_id').notNullable()
        t.integer('revision').notNullable()
        t.text('document').notNullable()
        t.text('replaced_at').notNullable()
        t.primary(['vehicle_id', 'revision'])
      })
    },
  },
  {
    name: '004_pieces_moved_since_accepting',
    up: async (db) => {
      await db.schema.alterTable('verdicts', (t) => {
        t.integer('moved').notNullable().defaultTo(0)
      })
    },
  },
]

export const migrationSource: Knex.MigrationSource<Step> = {
  getMigrations: async () => steps,
  getMigrationName: (step) => step.name,
  getMigration: async (step) => ({ up: step.up, down: async () => undefined }),
}
