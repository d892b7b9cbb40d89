import { spawnSync } from 'node:child_process'
import { chmodSync, existsSync, mkdtempSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Database from 'better-sqlite3'
import { afterAll, describe, expect, test } from 'vitest'
import { demoJobs } from '../../core/job/demoJobs'
import { jobStore } from '../jobs/jobStore'
import { serve } from '../serve'
import { inProcess } from '../workshop/inProcess'
import { backUp, restore } from './backup'
import { DAYS_KEPT, dailyBackup } from './dailyBackup'
import { openStore } from './openStore'
import { soleUse } from './soleUse'
import { storeAnswer } from './storeFaults'

const folder = mkdtempSync(join(tmpdir(), 'tideline-keeping-'))
afterAll(() => rmSync(folder, { recursive: true }))
let count = 0
const fresh = () => join(folder, `shop-${++count}.sqlite`)
const titles = (file: string): string[] => {
  const db = new Database(file, { readonly: true })
  const found = db.prepare('select title from jobs order by seq').pluck().all() as string[]
  db.close()
  return found
}
const withJobs = async (file: string, ...names: string[]) => {
  const db = await openStore(file)
  for (const title of names) await jobStore(db).create({ ...demoJobs[0], title })
  return db
}

describe('backup', () => {
  test('what is still in the write-ahead log is in the backup, while the database is open and written to', async () => {
    const file = fresh()
    const db = await withJobs(file, 'one', 'two')
    expect(existsSync(`${file}-wal`)).toBe(true)
    backUp(file, `${file}.copy`)
    expect(titles(`${file}.copy`)).toEqual(['one', 'two'])
    await db.destroy()
  })
  test('of the same name five older ones stay, the newest first; the database itself is never overwritten', async () => {
    const file = fresh()
    const db = await withJobs(file)
    for (let n = 1; n <= 8; n++) {
      await jobStore(db).create({ ...demoJobs[0], title: `job ${n}` })
      backUp(file, `${file}.copy`)
    }
    expect(titles(`${file}.copy`)).toHaveLength(8)
    expect([1, 2, 3, 4, 5].map((n) => titles(`${file}.copy.${n}`).length)).toEqual([7, 6, 5, 4, 3])
    expect(existsSync(`${file}.copy.6`)).toBe(false)
    expect(() => backUp(file, file)).toThrow('would overwrite the database itself')
    expect(() => backUp(`${file}.none`, `${file}.copy`)).toThrow('There is no database')
    await db.destroy()
  })
  test('one that cannot be written leaves the one of yesterday as it was', async () => {
    const file = fresh()
    await (await withJobs(file, 'kept')).destroy()
    const to = join(folder, 'yesterday.sqlite')
    backUp(file, to)
    writeFileSync(file, 'no database any more')
    expect(() => backUp(file, to)).toThrow()
    expect(titles(to)).toEqual(['kept'])
    expect(readdirSync(folder).filter((f) => f.endsWith('.part'))).toEqual([])
  })
  test('one a day beside the database, two weeks of them', async () => {
    const file = join(mkdtempSync(join(folder, 'daily-')), 'shop.sqlite')
    await (await withJobs(file, 'today')).destroy()
    let day = 1
    const backups = dailyBackup(
      file,
      inProcess(),
      () => undefined,
      () => `2026-11-${String(day).padStart(2, '0')}`,
    )
    for (; day <= 16; day++) await backups.now()
    const kept = backups.kept()
    expect(kept).toMatchObject({ fault: null })
    expect(kept.backups.map((b) => b.day)).toEqual(
      Array.from({ length: DAYS_KEPT }, (_, i) => `2026-11-${String(16 - i).padStart(2, '0')}`),
    )
    expect(titles(backups.fileOf('2026-11-16')!)).toEqual(['today'])
    // what cannot be made is said, and what there is stays
    rmSync(file)
    await backups.now()
    expect(backups.kept()).toMatchObject({ fault: expect.stringContaining('There is no database'), backups: { length: DAYS_KEPT } })
  })
})

describe('restore, rehearsed', () => {
  test('the old database is set aside whole, with what was still in its write-ahead log', async () => {
    const [file, backup] = [fresh(), fresh()]
    await (await withJobs(backup, 'from the backup')).destroy()
    // a process that was killed leaves its log behind
    await (await withJobs(file, 'before')).destroy()
    expect(spawnSync(process.execPath, ['-e', killedWriter, file]).signal).toBe('SIGKILL')
    expect(existsSync(`${file}-wal`)).toBe(true)
    const aside = restore(backup, file, new Date('2026-11-26T10:00:00Z'))
    expect(aside).toBe(`${file}.before-restore-2026-11-26T10-00-00`)
    expect(titles(file)).toEqual(['from the backup'])
    expect(titles(aside!)).toEqual(['acknowledged'])
    const again = await openStore(file)
    expect(
      (
        await jobStore(again).list({
          search: 'backup',
          station: null,
          state: null,
          archived: false,
          today: '2026-11-26',
          offset: 0,
          limit: 9,
        })
      ).total,
    ).toBe(1)
    await again.destroy()
  })
  test('a job saved just before is in what was set aside, and setting aside twice in a second loses neither', async () => {
    const [file, backup] = [fresh(), fresh()]
    await (await withJobs(backup, 'b')).destroy()
    await (await withJobs(file, 'saved last')).destroy()
    const at = new Date('2026-11-26T10:00:00Z')
    const [first, second] = [restore(backup, file, at), restore(backup, file, at)]
    expect([titles(first!), titles(second!)]).toEqual([['saved last'], ['b']])
  })
  test('a database that cannot be read any more, the usual reason to restore, gives way and is kept as the bytes that it is', async () => {
    const [file, backup] = [fresh(), fresh()]
    await (await withJobs(backup, 'from the backup')).destroy()
    const ruin = 'x'.repeat(9000)
    writeFileSync(file, ruin)
    const aside = restore(backup, file)
    expect([titles(file), readFileSync(aside!, 'utf8') === ruin]).toEqual([['from the backup'], true])
    // damaged in its middle it is no different
    const sound = readFileSync(file)
    writeFileSync(file, Buffer.concat([sound.subarray(0, 4096), Buffer.alloc(sound.length - 4096, 7)]))
    restore(backup, file)
    expect(titles(file)).toEqual(['from the backup'])
  })
  test('a database in use, the same file, and what is no backup are refused, and nothing is changed', async () => {
    const [file, backup] = [fresh(), fresh()]
    await (await withJobs(backup, 'b')).destroy()
    const db = await withJobs(file, 'in use')
    expect(() => restore(backup, file)).toThrow('is in use')
    const letGo = soleUse(file)
    expect(() => restore(backup, file)).toThrow('open in another Tide Line')
    letGo()
    expect(() => restore(file, file)).toThrow('This file is the database itself')
    await db.destroy()
    const noise = join(folder, 'noise')
    writeFileSync(noise, 'x'.repeat(5000))
    expect(() => restore(noise, file)).toThrow('cannot be read')
    expect(() => restore(join(folder, 'nowhere'), file)).toThrow('There is no file')
    const newer = new Database(backup)
    newer.prepare("insert into knex_migrations (name, batch, migration_time) values ('999_later', 9, 0)").run()
    newer.close()
    expect(() => restore(backup, file)).toThrow('a newer Tide Line wrote it')
    expect(titles(file)).toEqual(['in use'])
  })
})
const killedWriter = `
const db = new (require('better-sqlite3'))(process.argv[1])
db.pragma('wal_autocheckpoint = 0')
db.prepare("update jobs set title = 'acknowledged'").run()
process.kill(process.pid, 'SIGKILL')`

describe('a start that fails says why in one sentence', () => {
  test('the second server on one database, a taken port, a folder, no database, a newer one', async () => {
    const file = fresh()
    const first = await serve({ database: file, port: 0 })
    await expect(serve({ database: file, port: 0 })).rejects.toThrow('is open in another Tide Line: stop that one first.')
    const port = Number(new URL(first.address).port)
    await expect(serve({ database: fresh(), port })).rejects.toThrow(`Port ${port} is taken`)
    await first.close()
    await (await serve({ database: file, port: 0 })).close()
    await expect(serve({ database: folder, port: 0 })).rejects.toThrow('is a folder')
    const text = join(folder, 'text.sqlite')
    writeFileSync(text, 'x'.repeat(5000))
    await expect(serve({ database: text, port: 0 })).rejects.toThrow('is no sound database: restore a backup')
    const db = new Database(file)
    db.prepare("insert into knex_migrations (name, batch, migration_time) values ('999_later', 9, 0)").run()
    db.close()
    await expect(serve({ database: file, port: 0 })).rejects.toThrow('was written by a newer Tide Line')
  })
  test('stopping lets a request in hand finish', async () => {
    const served = await serve({ database: fresh(), port: 0 })
    const answer = fetch(`${served.address}/api/calculators/bar-nesting`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({
        parts: [{ id: 'a', length: 3000, quantity: 2 }],
        stock: [{ id: 's', length: 6000, price: 10, quantity: null }],
        kerf: 3,
        endTrim: 0,
        timeLimitMs: 500,
      }),
    })
    await new Promise((resolve) => setTimeout(resolve, 300))
    const [response] = await Promise.all([answer, served.close()])
    expect((await response.json()).bars).toHaveLength(2)
  }, 60_000)
})

describe('trouble with the disk, in words', () => {
  test('a full one is 507, nothing is half written, and what can be removed is removable', async () => {
    const db = await openStore(fresh())
    const jobs = jobStore(db)
    const { id } = await jobs.create(demoJobs[0])
    const [{ page_count: pages }] = (await db.raw('pragma page_count')) as { page_count: number }[]
    await db.raw(`pragma max_page_count = ${pages! + 2}`)
    const error = await jobs.save(id, 1, { ...demoJobs[0], notes: 'x'.repeat(3_000_000) }).then(
      () => null,
      (e: unknown) => e,
    )
    expect(storeAnswer(error)).toMatchObject({ status: 507, expected: expect.stringContaining('room on the disk') })
    expect((await jobs.get(id))?.revision).toBe(1)
    await db('jobs').where({ id }).delete()
    expect(await jobs.get(id)).toBeNull()
    await db.destroy()
  })
  test('held by another program: the process goes on meanwhile, and after three seconds it is a 503', async () => {
    const file = fresh()
    const db = await withJobs(file)
    const other = new Database(file)
    other.exec('BEGIN IMMEDIATE')
    let longest = 0
    let last = performance.now()
    const watch = setInterval(() => {
      longest = Math.max(longest, performance.now() - last)
      last = performance.now()
    }, 10)
    const error = await jobStore(db)
      .create(demoJobs[0])
      .then(
        () => null,
        (e: unknown) => e,
      )
    clearInterval(watch)
    expect(storeAnswer(error)?.status).toBe(503)
    expect(longest).toBeLessThan(1000)
    // let go half-way it is taken after all
    setTimeout(() => other.exec('COMMIT'), 500)
    expect((await jobStore(db).create(demoJobs[0])).revision).toBe(1)
    other.close()
    await db.destroy()
  })
  test.skipIf(process.getuid?.() === 0)('a file that may not be written is said', async () => {
    const file = fresh()
    await (await withJobs(file)).destroy()
    chmodSync(file, 0o444)
    await expect(openStore(file)).rejects.toThrow('may not be written')
  })
  test('a database file taken away while the server runs: no write is acknowledged', async () => {
    const file = fresh()
    const served = await serve({ database: file, port: 0 })
    renameSync(file, `${file}.away`)
    const answer = await fetch(`${served.address}/api/jobs`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ title: 'lost?', vehicleId: 'tall-long-van' }),
    })
    expect([answer.status, (await answer.json()).faults[0].expected]).toEqual([503, expect.stringContaining('moved or deleted')])
    await served.close()
  })
  test('a port that is taken by something else is not this one', async () => {
    const other = createServer().listen(0, '127.0.0.1')
    await new Promise((resolve) => other.once('listening', resolve))
    const { port } = other.address() as { port: number }
    await expect(serve({ database: fresh(), port })).rejects.toThrow(`Port ${port} is taken`)
    await new Promise((resolve) => other.close(resolve))
  })
})
