import type { Knex } from 'knex'
import { vehicleWithoutCarrier } from '../../core/exchange/vehicleToPieces'

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
  {
    // a list of thousands must not read past the documents, and what is searched for stands in more than two columns
    name: '005_documents_beside_the_list',
    up: async (db) => {
      await db.schema.createTable('job_documents', (t) => {
        t.text('job_id').primary().references('id').inTable('jobs').onDelete('CASCADE')
        t.text('document').notNullable()
      })
      await db.raw('insert into job_documents (job_id, document) select id, document from jobs')
      // a number of its own, for what is found by words points at it
      await db.raw('alter table jobs add column seq integer')
      await db.raw('update jobs set seq = rowid')
      await db.raw('create unique index jobs_seq on jobs (seq)')
      await db.raw('create index jobs_by_due on jobs (archived, (due is null), due, title)')
      await db.raw(
        "create virtual table job_words using fts5 (title, client, vehicle, notes, tokenize = 'unicode61 remove_diacritics 2', prefix = '2 3')",
      )
      await db.raw(`insert into job_words (rowid, title, client, vehicle, notes)
        select seq, title, client, coalesce(json_extract(document, '$.vehicle.name'), ''), coalesce(json_extract(document, '$.notes'), '') from jobs
        where json_valid(document)`)
      await db.raw('alter table jobs drop column document')
      await db.schema.alterTable('verdicts', (t) => {
        t.text('fault').notNullable().defaultTo('')
      })
    },
  },
  {
    name: '006_devices',
    up: async (db) => {
      await db.schema.createTable('devices', (t) => {
        t.text('id').primary()
        t.text('name').notNullable()
        t.text('role').notNullable()
        t.text('salt').notNullable()
        t.text('key').notNullable()
        t.text('paired_at').notNullable()
        t.text('seen_at').notNullable()
      })
    },
  },
  {
    // what hung in the receiver is a piece of a job, and a rating is its body's: the shelf's vehicles follow; jobs come over as they are read
    name: '007_vehicles_without_pieces',
    up: async (db) => {
      const brought = (text: string, of: (v: unknown) => unknown): string | null => {
        try {
          return JSON.stringify(of(JSON.parse(text)))
        } catch {
          // what cannot be read stays as it is kept, and is said so where it is opened
          return null
        }
      }
      const shelf = (await db('shelves').where({ name: 'vehicles' }).first()) as { document: string } | undefined
      const all = shelf && brought(shelf.document, (v) => (Array.isArray(v) ? v.map(vehicleWithoutCarrier) : v))
      if (all) await db('shelves').where({ name: 'vehicles' }).update({ document: all })
      for (const row of (await db('vehicle_revisions').select('vehicle_id', 'revision', 'document')) as {
        vehicle_id: string
        revision: number
        document: string
      }[]) {
        const document = brought(row.document, vehicleWithoutCarrier)
        if (document) await db('vehicle_revisions').where({ vehicle_id: row.vehicle_id, revision: row.revision }).update({ document })
      }
    },
  },
  {
    name: '008_what_jobs_ask_of_the_shop',
    up: async (db) => {
      await db.schema.createTable('job_works', (t) => {
        t.text('job_id').primary().references('id').inTable('jobs').onDelete('CASCADE')
        t.text('basis').notNullable()
        t.text('work').notNullable()
      })
    },
  },
  {
    name: '009_orders',
    up: async (db) => {
      await db.schema.createTable('orders', (t) => {
        t.increments('id')
        t.text('number').notNullable().unique()
        t.text('document').notNullable()
      })
    },
  },
  {
    name: '010_what_a_verdict_was_judged_from',
    up: async (db) => {
      await db.schema.alterTable('verdicts', (t) => {
        t.text('basis').notNullable().defaultTo('')
      })
    },
  },
]

export const migrationSource: Knex.MigrationSource<Step> & { names: string[] } = {
  names: steps.map((step) => step.name),
  getMigrations: async () => steps,
  getMigrationName: (step) => step.name,
  getMigration: async (step) => ({ up: step.up, down: async () => undefined }),
}
