import { closeSync, copyFileSync, existsSync, fsyncSync, openSync, renameSync, rmSync, statSync } from 'node:fs'
import { dirname, resolve } from 'node:path'
import Database from 'better-sqlite3'
import { migrationSource } from './migrations'
import { soleUse } from './soleUse'
import { isBusy, StoreFault, sqliteCode } from './storeFaults'

/** So many older backups of the same name are kept beside the newest, as .1 (yesterday's) to .5. */
const KEPT = 5
const TABLES = ['jobs', 'shelves', 'issued', 'photos']

/**
 * Copies the database, as it stands at one moment, into one file while others go on writing. The file appears under its name only once it is whole
 * and checked; what had that name before becomes .1, and so on. Throws StoreFault.
 */
export function backUp(databaseFile: string, toFile: string): void {
  if (!existsSync(databaseFile)) throw new StoreFault(`There is no database at ${databaseFile}.`)
  if (sameFile(databaseFile, toFile)) throw new StoreFault('The backup would overwrite the database itself: name another file.')
  const part = `${toFile}.part`
  rmSync(part, { force: true })
  try {
    copyWhole(databaseFile, part)
    const fault = unsound(part)
    if (fault) throw new StoreFault(`The copy was not kept: ${fault}. Look at the disk and make the backup again.`)
    for (let n = KEPT - 1; n >= 0; n--) {
      const older = n ? `${toFile}.${n}` : toFile
      if (existsSync(older)) renameSync(older, `${toFile}.${n + 1}`)
    }
    renameSync(part, toFile)
    settle(dirname(toFile))
  } catch (error) {
    rmSync(part, { force: true })
    throw error
  }
}

/**
 * Puts a backup in the place of the database, and says where the old one was set aside. The backup is copied and checked before anything moves; a
 * database in use, or the same file, is refused. Throws StoreFault, and then nothing was changed.
 */
export function restore(backupFile: string, databaseFile: string, now = new Date()): string | null {
  if (!existsSync(backupFile)) throw new StoreFault(`There is no file ${backupFile}: name a backup made with “tideline backup”.`)
  if (sameFile(backupFile, databaseFile)) throw new StoreFault('This file is the database itself: name a backup of it.')
  const letGo = soleUse(databaseFile)
  const part = `${databaseFile}.restoring`
  try {
    rmSync(part, { force: true })
    const broken = unsound(backupFile)
    if (broken) throw new StoreFault(`${backupFile} is not a sound Tide Line backup (${broken}); nothing was changed.`)
    copyWhole(backupFile, part)
    const fault = unsound(part)
    if (fault) throw new StoreFault(`The copy of ${backupFile} is not whole (${fault}); nothing was changed.`)
    let aside: string | null = null
    if (existsSync(databaseFile)) {
      aside = asideName(databaseFile, now)
      setAside(databaseFile, aside)
    }
    renameSync(part, databaseFile)
    settle(dirname(databaseFile))
    return aside
  } finally {
    rmSync(part, { force: true })
    letGo()
  }
}

const sameFile = (a: string, b: string): boolean => {
  if (resolve(a) === resolve(b)) return true
  if (!existsSync(a) || !existsSync(b)) return false
  const [x, y] = [statSync(a), statSync(b)]
  return x.dev === y.dev && x.ino === y.ino
}
const asideName = (databaseFile: string, now: Date): string => {
  const stamp = now.toISOString().slice(0, 19).replaceAll(':', '-')
  const free = (n: number): string => {
    const name = `${databaseFile}.before-restore-${stamp}${n ? `-${n}` : ''}`
    return existsSync(name) ? free(n + 1) : name
  }
  return free(0)
}

/** One moment of a database into a new file, its write-ahead log included, and on the disk before this returns. */
function copyWhole(from: string, to: string): void {
  const db = new Database(from, { readonly: true, fileMustExist: true, timeout: 3000 })
  try {
    db.prepare('VACUUM INTO ?').run(to)
  } finally {
    db.close()
  }
  const file = openSync(to, 'r+')
  fsyncSync(file)
  closeSync(file)
}
function settle(folder: string): void {
  const handle = openSync(folder, 'r')
  fsyncSync(handle)
  closeSync(handle)
}

/** The old database under another name, whole; one that cannot be read, the usual reason to restore, as the bytes that it is. */
function setAside(databaseFile: string, aside: string): void {
  try {
    foldLog(databaseFile)
    copyWhole(databaseFile, `${aside}.part`)
    renameSync(`${aside}.part`, aside)
  } catch (error) {
    rmSync(`${aside}.part`, { force: true })
    if (!/^SQLITE_(NOTADB|CORRUPT)/.test(sqliteCode(error) ?? '')) throw error
    copyFileSync(databaseFile, aside)
    // its log would be read into the database that comes in its place
    for (const tail of ['-wal', '-shm']) if (existsSync(`${databaseFile}${tail}`)) renameSync(`${databaseFile}${tail}`, `${aside}${tail}`)
  }
}

/** Brings the write-ahead log into the database, which only works while nobody else has it open. */
function foldLog(databaseFile: string): void {
  const db = new Database(databaseFile, { timeout: 0 })
  try {
    if (db.pragma('journal_mode = delete', { simple: true }) !== 'delete') throw new StoreFault(inUse(databaseFile))
  } catch (error) {
    if (isBusy(error)) throw new StoreFault(inUse(databaseFile))
    throw error
  } finally {
    db.close()
  }
}
const inUse = (file: string) => `${file} is in use: stop Tide Line and whatever else has it open, then restore again. Nothing was changed.`

/** What is wrong with a file as a Tide Line database; null when nothing is. */
function unsound(file: string): string | null {
  try {
    const db = new Database(file, { readonly: true, fileMustExist: true })
    try {
      if (db.pragma('integrity_check', { simple: true }) !== 'ok') return 'it is damaged'
      if ((db.pragma('foreign_key_check') as unknown[]).length) return 'parts of it belong to nothing'
      const tables = db.prepare("select name from sqlite_master where type = 'table'").pluck().all()
      if (!TABLES.every((t) => tables.includes(t))) return 'it is of another kind'
      const known = migrationSource.names
      const done = db.prepare('select name from knex_migrations').pluck().all() as string[]
      return done.every((name) => known.includes(name)) ? null : 'a newer Tide Line wrote it'
    } finally {
      db.close()
    }
  } catch {
    return 'it cannot be read'
  }
}
