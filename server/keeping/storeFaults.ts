import type { Fault } from '../../core/issue/faults'

/** A database that cannot be opened or used as it is, said in one sentence that a shop understands. */
export class StoreFault extends Error {}

/** Something kept that cannot be read any more: what it is, and its faults, each with where and what was expected. */
export class Unreadable extends Error {
  constructor(
    readonly what: string,
    readonly faults: Fault[],
    readonly revision: number,
  ) {
    super(`${what} cannot be read`)
  }
}

/** A document that the shelf could not read again: it is not written. */
export class Unfit extends Error {
  constructor(readonly faults: Fault[]) {
    super(faults.map((f) => `${f.where}: ${f.expected}`).join('; '))
  }
}

/** The code of an SQLite error, however deep it lies; null when it is none. */
export function sqliteCode(error: unknown): string | null {
  for (let e = error as { code?: unknown; cause?: unknown } | null | undefined; e && typeof e === 'object'; e = e.cause as typeof e)
    if (typeof e.code === 'string' && e.code.startsWith('SQLITE_')) return e.code
  return null
}
export const isBusy = (error: unknown): boolean => /^SQLITE_(BUSY|LOCKED)/.test(sqliteCode(error) ?? '')

const kept = 'Nothing was stored; keep this window open and what you typed stays here.'
const WORDS: [RegExp, number, string][] = [
  [
    /^SQLITE_(FULL|IOERR_WRITE|IOERR_FSYNC|IOERR_TRUNCATE)/,
    507,
    `room on the disk: remove photographs or old backups, or free the disk, then save again. ${kept}`,
  ],
  [/^SQLITE_(BUSY|LOCKED)/, 503, `a database that is free: another program holds it; close that one and try again. ${kept}`],
  [/^SQLITE_READONLY/, 503, `a database file that may be written: give the account that runs Tide Line the right to write it. ${kept}`],
  [/^SQLITE_(CORRUPT|NOTADB)/, 503, `a database that can be read: stop Tide Line and restore the newest backup. ${kept}`],
  [/^SQLITE_(CANTOPEN|IOERR|PERM|AUTH)/, 503, `a disk that answers: look whether the drive with the database is there. ${kept}`],
]

type Answer = { status: number; where: string; expected: string; more?: Record<string, unknown> }
/** What a fault of the store means for whoever waits: a status and what is expected; null when the store is not to blame. */
export function storeAnswer(error: unknown): Answer | null {
  const where = 'the server'
  if (error instanceof StoreFault) return { status: 503, where, expected: error.message }
  if (error instanceof Unreadable) {
    const said = error.faults.slice(0, 3).map((f) => `${f.where}: ${f.expected}`)
    const expected = `something that can be read, but what is kept is not: ${said.join('; ')}`
    return { status: 409, where: error.what, expected, more: { unreadable: error.faults, revision: error.revision } }
  }
  const code = sqliteCode(error)
  const known = code === null ? undefined : WORDS.find(([pattern]) => pattern.test(code))
  return known ? { status: known[1], where, expected: known[2] } : null
}
