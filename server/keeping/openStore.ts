import { existsSync, mkdirSync, statSync } from 'node:fs'
import { dirname } from 'node:path'
import knex, { type Knex } from 'knex'
import { migrationSource } from './migrations'
import { isBusy, StoreFault, sqliteCode } from './storeFaults'

/** Waiting for a lock holds the whole process, so SQLite itself waits only a moment; who can wait longer does so without holding anything. */
const BUSY_MS = 100
const PATIENCE_MS = 3000

type Raw = { pragma: (text: string) => unknown; prepare: (sql: string) => unknown }

/** A transaction that reads before it writes must hold the right to write from its start, or a second writer breaks it half-way. */
function writesFromTheStart(raw: Raw): void {
  const prepare = raw.prepare.bind(raw)
  raw.prepare = (sql) => prepare(sql === 'BEGIN;' ? 'BEGIN IMMEDIATE;' : sql)
}

/**
 * Opens the database file and brings its tables up to date. A save that was answered is on the disk: WAL with full synchronisation.
 * Throws StoreFault, one sentence, where the file cannot be used.
 */
export async function openStore(file: string): Promise<Knex> {
  placeFor(file)
  const db = knex({
    client: 'better-sqlite3',
    connection: { filename: file },
    useNullAsDefault: true,
    // what goes wrong is thrown, and said by whoever asked
    log: { warn: () => undefined, error: () => undefined, deprecate: () => undefined, debug: () => undefined },
    pool: {
      min: 1,
      max: 1,
      afterCreate: (raw: Raw, done: (error: Error | null, raw: unknown) => void) => {
        try {
          raw.pragma(`busy_timeout = ${BUSY_MS}`)
          raw.pragma('journal_mode = WAL')
          raw.pragma('synchronous = FULL')
          raw.pragma('foreign_keys = ON')
          writesFromTheStart(raw)
          done(null, raw)
        } catch (error) {
          done(error as Error, raw)
        }
      },
    },
  })
  try {
    await refuseNewer(db, file)
    await patiently(() => db.migrate.latest({ migrationSource }))
    return db
  } catch (error) {
    await db.destroy()
    throw inWords(error, file)
  }
}

/** The folder that a database file is to lie in, made if it is not there. Throws StoreFault. */
export function placeFor(file: string): void {
  if (file === ':memory:') return
  if (existsSync(file) && statSync(file).isDirectory())
    throw new StoreFault(`${file} is a folder: name the database file in it, such as ${file}/tideline.sqlite.`)
  try {
    mkdirSync(dirname(file), { recursive: true })
  } catch {
    throw new StoreFault(`There can be no folder ${dirname(file)}: name another place with --data.`)
  }
}

/** Tables of a later release hold what this one would not keep. */
async function refuseNewer(db: Knex, file: string): Promise<void> {
  if (!(await db.schema.hasTable('knex_migrations'))) return
  const done = (await db('knex_migrations').select('name')) as { name: string }[]
  if (done.some((step) => !migrationSource.names.includes(step.name)))
    throw new StoreFault(`${file} was written by a newer Tide Line: install that release again, or restore an older backup.`)
}

function inWords(error: unknown, file: string): unknown {
  const code = sqliteCode(error)
  if (error instanceof StoreFault || code === null) return error
  if (/^SQLITE_NOTADB|^SQLITE_CORRUPT/.test(code)) return new StoreFault(`${file} is no sound database: restore a backup in its place.`)
  if (isBusy(error)) return new StoreFault(`${file} is held by another program: close that one, then start again.`)
  if (code.startsWith('SQLITE_READONLY')) return new StoreFault(`${file} may not be written: give this account the right to write it.`)
  if (code.startsWith('SQLITE_FULL')) return new StoreFault(`There is no room on the disk for ${file}: free some, then start again.`)
  return new StoreFault(`${file} could not be opened: look whether the folder is there and may be written.`)
}

/** Does it again while another program holds the database, without holding this one; gives the fault up after three seconds. */
export async function patiently<T>(work: () => PromiseLike<T>): Promise<T> {
  const until = performance.now() + PATIENCE_MS
  for (;;) {
    try {
      return await work()
    } catch (error) {
      if (!isBusy(error) || performance.now() > until) throw error
      await new Promise((resolve) => setTimeout(resolve, 60))
    }
  }
}

/** One write as a whole, or nothing of it. What went wrong is thrown as it was: SQLite rolls back by itself when the disk is full, and the rollback that follows has its own complaint. */
export const inOne = <T>(db: Knex, work: (trx: Knex.Transaction) => Promise<T>): Promise<T> =>
  patiently(async () => {
    let first: { error: unknown } | null = null
    try {
      return await db.transaction((trx) =>
        work(trx).catch((error: unknown) => {
          first = { error }
          throw error
        }),
      )
    } catch (error) {
      throw (first as { error: unknown } | null)?.error ?? error
    }
  })
