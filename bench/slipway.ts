import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { demoJobs } from '../core/job/demoJobs'
import { VERDICT_VERSION } from '../server/jobs/verdict'
import { openStore } from '../server/keeping/openStore'
import { serve } from '../server/serve'

/** 5 000 jobs in the database: the Slipway's request over localhost, plain, searched and filtered; and opening one job. */
export async function slipwayBench(): Promise<string[][]> {
  const folder = mkdtempSync(join(tmpdir(), 'tideline-bench-'))
  const database = join(folder, 'shop.sqlite')
  const db = await openStore(database)
  await db.raw(`pragma user_version = ${VERDICT_VERSION}`)
  const now = new Date().toISOString()
  for (let at = 0; at < 5000; at += 100) {
    const rows = Array.from({ length: 100 }, (_, i) => {
      const job = { ...demoJobs[(at + i) % 4], title: `${demoJobs[(at + i) % 4].title} ${at + i}` }
      return {
        id: `job-${at + i}`,
        revision: 1,
        document: JSON.stringify(job),
        title: job.title,
        client: job.brief.clientName,
        station: job.station,
        due: job.due,
        archived: 0,
        created_at: now,
        updated_at: now,
      }
    })
    await db.batchInsert('jobs', rows, 50)
    await db.batchInsert(
      'verdicts',
      rows.map((r, i) => ({
        job_id: r.id,
        job_revision: 1,
        rules_revision: 0,
        over: i % 3,
        near: 1,
        unknown: i % 2,
        governing: 'Roof, moving: over',
      })),
      50,
    )
  }
  await db.destroy()
  const served = await serve({ database, port: 0 })
  const time = async (path: string) => {
    const times: number[] = []
    for (let i = 0; i < 9; i++) {
      const started = performance.now()
      await (await fetch(served.address + path)).text()
      times.push(performance.now() - started)
    }
    return `${times.sort((a, b) => a - b)[4].toFixed(0)} ms`
  }
  const rows = [
    ['Slipway, 5 000 jobs', await time('/api/jobs'), 'median of 9 requests'],
    ['Slipway, searched', await time('/api/jobs?search=4321'), ''],
    ['Slipway, over a limit, last page', await time('/api/jobs?state=over&offset=3000'), ''],
    ['open one job of 5 000', await time('/api/jobs/job-2500'), ''],
  ]
  await served.close()
  rmSync(folder, { recursive: true })
  return rows
}
