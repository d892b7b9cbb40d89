import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { demoJobs } from '../core/job/demoJobs'
import { barNestingExample } from '../core/nesting/barNesting'
import { jobStore } from '../server/jobs/jobStore'
import { VERDICT_VERSION } from '../server/jobs/verdict'
import { openStore } from '../server/keeping/openStore'
import { serve } from '../server/serve'

const JOBS = 5000

/** A database of 5 000 jobs with a verdict each. */
export async function manyJobs(database: string): Promise<string[]> {
  const db = await openStore(database)
  const jobs = jobStore(db)
  await db.raw(`pragma user_version = ${VERDICT_VERSION}`)
  const ids = await db.transaction(async (trx) => {
    const made: string[] = []
    for (let i = 0; i < JOBS; i++) {
      const job = demoJobs[i % demoJobs.length]!
      made.push((await jobs.create({ ...job, title: `${job.title} ${i}`, notes: i % 50 ? '' : 'seal the hinge' }, trx)).id)
    }
    return made
  })
  await db.raw(
    "insert into verdicts (job_id, job_revision, rules_revision, over, near, unknown, governing) select id, 1, 0, seq % 3 = 0, 1, seq % 2, 'Roof, moving: over' from jobs",
  )
  await db.destroy()
  return ids
}

const at = (times: number[], share: number): string => {
  const sorted = [...times].sort((a, b) => a - b)
  return `${(sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0).toFixed(0)} ms`
}
export async function timed(work: () => Promise<unknown>): Promise<number> {
  const started = performance.now()
  await work()
  return performance.now() - started
}

/** 5 000 jobs in the database: the Slipway over localhost by one and by fifty at once, opening one job, and what else is asked while the threads are busy. */
export async function slipwayBench(): Promise<string[][]> {
  const folder = mkdtempSync(join(tmpdir(), 'tideline-bench-'))
  const database = join(folder, 'shop.sqlite')
  const ids = await manyJobs(database)
  const served = await serve({ database, port: 0 })
  const get = async (path: string) => (await fetch(served.address + path)).arrayBuffer()
  const several = async (path: string) => {
    const times: number[] = []
    for (let i = 0; i < 40; i++) times.push(await timed(() => get(path)))
    return [at(times, 0.5), `95 of 100 within ${at(times, 0.95)}`]
  }
  const rows = [
    ['Slipway, 5 000 jobs', ...(await several('/api/jobs'))],
    ['Slipway, searched in title', ...(await several('/api/jobs?search=4321'))],
    ['Slipway, searched in notes', ...(await several('/api/jobs?search=hinge'))],
    ['Slipway, over a limit, last page', ...(await several('/api/jobs?state=over&offset=1600'))],
    ['open one job of 5 000', ...(await several(`/api/jobs/${ids[2500]}`))],
  ]
  const fifty = await Promise.all(
    Array.from({ length: 50 }, (_, i) => timed(() => get(`/api/jobs?offset=${i * 50}&search=${i % 2 ? 'rack' : ''}`))),
  )
  rows.push(['Slipway, fifty people at once', at(fifty, 1), 'the slowest of 50 pages'])

  // ten arrangements of the largest job and five nestings, and all the while somebody looks at the list and saves
  const post = (path: string, body: unknown) =>
    fetch(served.address + path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) })
  const parts = Array.from({ length: 40 }, (_, i) => ({ id: `p${i}`, length: 400 + 37 * i, quantity: 3 + (i % 5) }))
  const busy = [
    ...Array.from({ length: 10 }, (_, i) => get(`/api/jobs/${ids[i]}/arrangement.pdf`)),
    ...Array.from({ length: 5 }, () => post('/api/calculators/bar-nesting', { ...barNestingExample, parts, timeLimitMs: 2000 })),
  ]
  let going = true
  const all = Promise.all(busy).finally(() => {
    going = false
  })
  const between: number[] = []
  while (going) {
    between.push(await timed(() => get('/api/jobs')))
    between.push(await timed(() => get('/api/shelves/stock')))
    await new Promise((resolve) => setTimeout(resolve, 20))
  }
  await all
  rows.push([
    'another request while 10 prints and 5 nestings run',
    at(between, 0.95),
    `95 of 100; the slowest of ${between.length} ${at(between, 1)}`,
  ])
  await served.close()
  rmSync(folder, { recursive: true })
  return rows
}
