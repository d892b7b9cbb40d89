import { copyFileSync, existsSync, rmSync } from 'node:fs'
import Database from 'better-sqlite3'

/** Copies the live database into one file, consistent while others write. */
export async function backUp(databaseFile: string, toFile: string): Promise<void> {
  const db = new Database(databaseFile, { readonly: true, fileMustExist: true })
  try {
    await db.backup(toFile)
  } finally {
    db.close()
  }
}

/** Puts a backup in the place of the database. The file is checked first; the old database is kept beside it as `.before-restore`. */
export function restore(backupFile: string, databaseFile: string): void {
  if (!existsSync(backupFile)) throw new Error(`There is no file ${backupFile}: name a backup made with “tideline backup”.`)
  let sound = false
  try {
    const db = new Database(backupFile, { readonly: true })
    try {
      const tables = db.prepare("select name from sqlite_master where type = 'table'").pluck().all()
      sound = db.pragma('integrity_check', { simple: true }) === 'ok' && ['jobs', 'shelves', 'issued'].every((t) => tables.includes(t))
    } finally {
      db.close()
    }
  } catch {
    sound = false
  }
  if (!sound) throw new Error(`${backupFile} is not a sound Tide Line backup; nothing was changed.`)
  if (existsSync(databaseFile)) copyFileSync(databaseFile, `${databaseFile}.before-restore`)
  for (const tail of ['-wal', '-shm']) rmSync(`${databaseFile}${tail}`, { force: true })
  copyFileSync(backupFile, databaseFile)
}
