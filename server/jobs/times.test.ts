import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Knex } from 'knex'
import request from 'supertest'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { demoJobs } from '../../core/job/demoJobs'
import { tickOf } from '../../core/workLog/tick'
import { createApp } from '../app'
import { openStore } from '../keeping/openStore'
import { openWorkshop, type Workshop } from '../workshop/workshop'
import { jobStore } from './jobStore'

let db: Knex
let workshop: Workshop
const folder = mkdtempSync(join(tmpdir(), 'tideline-times-'))
beforeAll(async () => {
  db = await openStore(join(folder, 'shop.sqlite'))
  workshop = openWorkshop()
})
afterAll(async () => {
  await workshop.close()
  await db.destroy()
  rmSync(folder, { recursive: true })
})

test('the times of all jobs are added up step by step, those of put-away jobs too; a document that cannot be read is left out', async () => {
  const app = createApp({ db, workshop, webFolder: null, log: () => undefined })
  const times = async () => (await request(app).get('/api/times')).body.rows
  expect(await times()).toEqual([])
  const jobs = jobStore(db)
  const timed = (tookMin: number) => ({
    cut: tickOf('2026-11-27', 'x', { tookMin, reckonedMin: 20, figureMin: 2 }),
    bend: tickOf('2026-11-27', 'y'),
  })
  const [first] = await Promise.all([30, 50].map((min) => jobs.create({ ...demoJobs[0]!, built: timed(min) })))
  await jobs.setArchived(first!.id, true)
  const spoilt = await jobs.create({ ...demoJobs[1]!, built: timed(1000) })
  await db('job_documents').where({ job_id: spoilt.id }).update({ document: '{"built":{"cut":{"on":"never"}}}' })
  const torn = await jobs.create({ ...demoJobs[1]!, built: timed(1000) })
  await db('job_documents').where({ job_id: torn.id }).update({ document: '{"built":{"cu' })
  expect(await times()).toEqual([{ id: 'cut', times: 2, tookMin: 80, reckonedMin: 40, pieces: 20 }])
})
