import { mkdirSync } from 'node:fs'
import { dirname } from 'node:path'
import knex, { type Knex } from 'knex'
import { migrationSource } from './migrations'

/** Opens the database file, brings its tables up to date. A save that was answered is on the disk: WAL with full synchronisation. */
export async function openStore(file: string): Promise<Knex> {
  if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true })
  const db = knex({
    client: 'better-sqlite3',
    connection: { filename: file },
    useNullAsDefault: true,
    pool: {
      min: 1,
      max: 1,
      afterCreate: (raw: { pragma: (text: string) => unknown }, done: (error: Error | null, raw: unknown) => void) => {
        raw.pragma('journal_mode = WAL')
        raw.pragma('synchronous = FULL')
        raw.pragma('foreign_keys = ON')
        raw.pragma('busy_timeout = 5000')
        done(null, raw)
      },
    },
  })
  await db.migrate.latest({ migrationSource })
  return db
}
