import { existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import { demoJobs } from '../core/job/demoJobs'
import { seeded } from '../core/nesting/seeded'
import { fillDemo } from '../server/demo/fillDemo'
import { openStore } from '../server/keeping/openStore'
import { ask, ended, PIXEL, serving, tideline } from './child'

type Known = { saves: Map<string, { revision: number; notes: string }>; shelf: number; photos: Set<string>; acknowledged: number }
export type KillReport = { kills: number; acknowledged: number; lost: string[]; backups: number; restores: number }

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

/**
 * A server is killed at a random moment while jobs, a shelf, photographs and backups are written, and so is a restore; after each kill the database is
 * read by itself, and whatever had been acknowledged must be in it.
 */
export async function killLoop(kills: number, seed: number): Promise<KillReport> {
  const folder = mkdtempSync(join(tmpdir(), 'tideline-endure-'))
  const database = join(folder, 'shop.sqlite')
  const random = seeded(seed)
  const db = await openStore(database)
  await fillDemo(db)
  await db.destroy()
  const known: Known = { saves: new Map(), shelf: 0, photos: new Set(), acknowledged: 0 }
  const report: KillReport = { kills: 0, acknowledged: 0, lost: [], backups: 0, restores: 0 }

  for (let n = 0; n < kills; n++) {
    // every tenth kill meets a restore instead
    if (n % 10 === 9) await killRestore(folder, database, random, report)
    else {
      const { child, address } = await serving(database)
      const writers = [jobs(address, known, n), shelf(address, known, n), photos(address, known), backups(address)]
      const before = known.acknowledged
      // killed once it is at work, at a moment nobody chose
      for (let waited = 0; known.acknowledged === before && waited < 3000; waited += 5) await pause(5)
      await pause(random() * 400)
      child.kill('SIGKILL')
      await Promise.all([...writers, ended(child)])
    }
    report.kills++
    report.lost.push(...missing(database, known).map((what) => `after kill ${n + 1}: ${what}`))
    for (const file of existsSync(join(folder, 'backups')) ? readdirSync(join(folder, 'backups')) : [])
      if (file.endsWith('.sqlite') && !sound(join(folder, 'backups', file)))
        report.lost.push(`after kill ${n + 1}: backup ${file} is not sound`)
  }
  report.acknowledged = known.acknowledged
  report.backups = existsSync(join(folder, 'backups')) ? readdirSync(join(folder, 'backups')).length : 0
  rmSync(folder, { recursive: true })
  return report
}

async function jobs(address: string, known: Known, n: number): Promise<void> {
  const list = await ask(address, 'GET', '/api/jobs')
  const ids = ((list?.body as { rows?: { id: string }[] } | null)?.rows ?? []).map((r) => r.id)
  await Promise.all(
    ids.map(async (id, k) => {
      const opened = await ask(address, 'GET', `/api/jobs/${id}`)
      let revision = (opened?.body as { revision: number } | null)?.revision
      for (let i = 0; revision !== undefined && i < 200; i++) {
        const notes = `kill ${n}, save ${i}`
        const job = { ...demoJobs[k % demoJobs.length], notes }
        const saved = await ask(address, 'PUT', `/api/jobs/${id}`, JSON.stringify({ revision, job }))
        if (saved?.status !== 200) return
        revision = (saved.body as { revision: number }).revision
        known.saves.set(id, { revision, notes })
        known.acknowledged++
      }
    }),
  )
}
async function shelf(address: string, known: Known, n: number): Promise<void> {
  const read = (await ask(address, 'GET', '/api/shelves/rules'))?.body as { revision: number; document: object } | null
  if (!read) return
  let { revision } = read
  for (let i = 0; i < 200; i++) {
    const document = { ...read.document, kerfMm: 2 + ((n + i) % 20) / 10 }
    const put = await ask(address, 'PUT', '/api/shelves/rules', JSON.stringify({ revision, document }))
    if (put?.status !== 200) return
    revision = (put.body as { revision: number }).revision
    known.shelf = revision
    known.acknowledged++
  }
}
async function photos(address: string, known: Known): Promise<void> {
  const list = await ask(address, 'GET', '/api/jobs')
  const id = (list?.body as { rows?: { id: string }[] } | null)?.rows?.[0]?.id
  for (let i = 0; id && i < 50; i++) {
    const kept = await ask(address, 'POST', `/api/jobs/${id}/photos?name=p`, PIXEL, 'image/png')
    if (kept?.status !== 201) break
    const photo = (kept.body as { id: string }).id
    known.photos.add(photo)
    known.acknowledged++
    // room for the next: what is acknowledged as removed must stay away
    if (i % 2) {
      known.photos.delete(photo)
      const gone = await ask(address, 'POST', `/api/jobs/${id}/photos/${photo}/remove`, '{}')
      if (gone?.status === 200) known.acknowledged++
    }
  }
  for (const photo of [...known.photos].slice(0, Math.max(0, known.photos.size - 20))) {
    known.photos.delete(photo)
    if (!(await ask(address, 'POST', `/api/jobs/${id}/photos/${photo}/remove`, '{}'))) return
  }
}
const backups = async (address: string): Promise<void> => void (await ask(address, 'POST', '/api/keeping/backup', '{}'))

/** Restores a backup of this very moment and kills that: before or after, the same work must be there. */
async function killRestore(folder: string, database: string, random: () => number, report: KillReport): Promise<void> {
  const backup = join(folder, 'restore-from.sqlite')
  const made = tideline(['backup', backup, '--data', database])
  await ended(made)
  const child = tideline(['restore', backup, '--data', database])
  await pause(random() * 900)
  child.kill('SIGKILL')
  await ended(child)
  report.restores++
  for (const file of readdirSync(folder)) if (file.includes('.before-restore-')) rmSync(join(folder, file))
}

function sound(file: string): boolean {
  try {
    const db = new Database(file, { readonly: true })
    const ok = db.pragma('integrity_check', { simple: true }) === 'ok'
    db.close()
    return ok
  } catch {
    return false
  }
}

/** What was acknowledged and is not there. */
function missing(database: string, known: Known): string[] {
  const db = new Database(database)
  try {
    if (db.pragma('integrity_check', { simple: true }) !== 'ok') return ['the database is damaged']
    const lost: string[] = []
    for (const [id, saved] of known.saves) {
      const row = db.prepare('select revision, document from jobs join job_documents on job_id = id where id = ?').get(id) as
        | { revision: number; document: string }
        | undefined
      if (!row || row.revision < saved.revision) lost.push(`revision ${saved.revision} of ${id}`)
      else if (row.revision === saved.revision && (JSON.parse(row.document) as { notes: string }).notes !== saved.notes)
        lost.push(`what revision ${saved.revision} of ${id} said`)
    }
    const rules = db.prepare("select revision from shelves where name = 'rules'").pluck().get() as number | undefined
    if (known.shelf > (rules ?? 0)) lost.push(`revision ${known.shelf} of the rules`)
    const there = new Set(db.prepare('select id from photos').pluck().all())
    for (const photo of known.photos) if (!there.has(photo)) lost.push(`photograph ${photo}`)
    return lost
  } finally {
    db.close()
  }
}
