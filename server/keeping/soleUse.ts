import Database from 'better-sqlite3'
import { isBusy, StoreFault } from './storeFaults'

/**
 * Holds a database for one server, or for one restore. The lock is the operating system's own on a file beside it, so a process that is killed lets
 * go of it. Throws StoreFault while another holds it. Returns how to let go.
 */
export function soleUse(databaseFile: string): () => void {
  if (databaseFile === ':memory:') return () => undefined
  let lock: Database.Database | null = null
  try {
    lock = new Database(`${databaseFile}.lock`, { timeout: 0 })
    lock.exec('BEGIN EXCLUSIVE')
  } catch (error) {
    lock?.close()
    if (isBusy(error)) throw new StoreFault(`${databaseFile} is open in another Tide Line: stop that one first.`)
    throw new StoreFault(`${databaseFile} cannot be held: its folder must be there and may be written.`)
  }
  const held = lock
  return () => void held.close()
}
